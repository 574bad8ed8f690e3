import { useMemo, useState } from 'react'
import { type Chains, chainsOf } from '~/core/fitting'
import { aimOf } from '~/core/line'
import { gridTicks } from '~/core/time'
import { findSizes } from './edits'
import { chainEdit } from './fitting-edits'
import type { PanelProps } from './panel-props'
import { Act, Nothing, Part, TextBox } from './parts'

const SHOWN_CHAINS = 24

/** Every exact order of some sizes for the space. */
export function ChainsForm({ lick, onEdit }: PanelProps) {
  const { start, target } = aimOf(lick)
  const space = (target - start) / gridTicks(lick.frame.grid)
  const [length, setLength] = useState(String(Math.floor(space)))
  const [typed, setTyped] = useState(() => [...new Set(lick.line.groups)].slice(0, 4).join(' '))
  const count = Number(length)
  const chains = useMemo(() => {
    const sizes = [...new Set(findSizes(typed) ?? [])].slice(0, 6)
    const asked = Number.isInteger(count) && count >= 1 && count <= 256 && sizes.length > 0
    return asked
      ? chainsOf(
          count,
          sizes.map((size) => ({ size })),
          SHOWN_CHAINS,
        )
      : null
  }, [typed, count])
  return (
    <Part title="Chains that come out exactly">
      <p className="flex flex-wrap items-center gap-2 text-sm">
        <TextBox
          label="Slots to fill"
          className="w-16"
          inputMode="numeric"
          value={length}
          onType={setLength}
        />
        slots from groups of
        <TextBox label="Sizes to fill them with" className="w-28" value={typed} onType={setTyped} />
      </p>
      {chains && <ChainList chains={chains} onTake={(order) => onEdit(chainEdit(lick, order))} />}
      {!chains && <Nothing>Whole slots, up to 256, and sizes such as 4 5.</Nothing>}
    </Part>
  )
}

function ChainList({
  chains,
  onTake,
}: {
  chains: Chains
  onTake: (order: readonly number[]) => void
}) {
  const { count, orders, under, over, spaces } = chains
  if (count === 0n) {
    const nearest = [under, over].filter((length) => length !== null).join(' and ')
    return (
      <p className="text-sm" role="status">
        None. {nearest && `Nearest: ${nearest}. `}
        {spaces !== null && spaces > 1 && `It works over ${spaces} times the space.`}
      </p>
    )
  }
  return (
    <>
      <p className="text-sm" role="status">
        {count === 1n ? 'One order' : `${count.toLocaleString('en')} orders`}
        {BigInt(orders.length) < count && `, the first ${orders.length}`}:
      </p>
      <div className="flex flex-wrap gap-1.5">
        {orders.map((order) => (
          <Act key={order.join(' ')} onClick={() => onTake(order)}>
            {order.join(' ')}
          </Act>
        ))}
      </div>
    </>
  )
}
