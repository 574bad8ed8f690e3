import { useMemo, useState } from 'react'
import { type Part as ChainPart, type Chains, chainsOf } from '~/core/fitting'
import { aimOf, frameTicks, type Lick } from '~/core/line'
import { gridTicks } from '~/core/time'
import { NumberField } from '~/ui/number-field'
import { Button, EmptyState, Part, TextBox } from '~/ui/parts'
import { Pick } from '~/ui/pick'
import { plural } from '~/words/figures'
import { findSizes } from '~/workspace/edits/change-edits'
import { chainEdit } from '~/workspace/edits/fitting-edits'
import type { PanelView } from '../state/use-panel'

const SHOWN_CHAINS = 24
const MAX_SIZES = 6
const MAX_USES = 16
const ANY = 'any'

/** How often a size must and may be used. */
interface Uses {
  readonly least: number
  readonly most: number | null
}
const FREELY: Uses = { least: 0, most: null }

/** Every exact order of some group sizes for the space. */
export function ChainsForm({ lick, onEdit }: PanelView) {
  const space = Math.max(1, Math.floor(aimOf(lick).available / gridTicks(lick.frame.grid)))
  // What is to be filled is the space, until another number is typed for it.
  const [own, setOwn] = useState<{ readonly space: number; readonly length: number } | null>(null)
  const length = own?.space === space ? own.length : Math.min(256, space)
  const setLength = (typed: number) => setOwn({ space, length: typed })
  const [typed, setTyped] = useState(() => [...new Set(lick.line.groups)].slice(0, 4).join(' '))
  const [uses, setUses] = useState<Readonly<Record<number, Uses>>>({})
  const sizes = useMemo(() => [...new Set(findSizes(typed) ?? [])].slice(0, MAX_SIZES), [typed])
  const chains = useMemo(() => {
    const parts = sizes.map((size): ChainPart => {
      const { least, most } = uses[size] ?? FREELY
      return { size, least, ...(most !== null && { most }) }
    })
    return sizes.length > 0 ? chainsOf(length, parts, SHOWN_CHAINS) : null
  }, [sizes, uses, length])
  return (
    <Part title="Groupings that fit">
      <div className="flex flex-wrap items-center gap-2 text-sm">
        <NumberField label="Slots to fill" min={1} max={256} value={length} onChange={setLength} />
        slots from groups of
        <TextBox label="Sizes to fill them with" className="w-28" value={typed} onType={setTyped} />
      </div>
      {sizes.map((size) => (
        <UsesRow
          key={size}
          size={size}
          uses={uses[size] ?? FREELY}
          onUses={(next) => setUses((now) => ({ ...now, [size]: next }))}
        />
      ))}
      {chains && (
        <ChainList
          lick={lick}
          length={length}
          chains={chains}
          onTake={(order) => onEdit(chainEdit(lick, order))}
        />
      )}
      {!chains && <EmptyState>Type sizes such as 4 5, with spaces between.</EmptyState>}
    </Part>
  )
}

function UsesRow({
  size,
  uses: { least, most },
  onUses,
}: {
  size: number
  uses: Uses
  onUses: (uses: Uses) => void
}) {
  const numbers = (from: number) =>
    Array.from({ length: MAX_USES + 1 - from }, (_, i) => String(from + i))
  return (
    <div className="flex flex-wrap items-center gap-2 text-sm">
      <span className="w-24">groups of {size}:</span>
      <span>at least</span>
      <Pick
        label={`Groups of ${size}, at least`}
        value={String(least)}
        options={numbers(0).map((n) => [n, n])}
        onPick={(n) =>
          onUses({ least: Number(n), most: most === null ? null : Math.max(Number(n), most) })
        }
      />
      <span>at most</span>
      <Pick
        label={`Groups of ${size}, at most`}
        value={most === null ? ANY : String(most)}
        options={[[ANY, 'any number'], ...numbers(least).map((n) => [n, n] as const)]}
        onPick={(n) => onUses({ least, most: n === ANY ? null : Number(n) })}
      />
    </div>
  )
}

function ChainList({
  lick,
  length,
  chains,
  onTake,
}: {
  lick: Lick
  length: number
  chains: Chains
  onTake: (order: readonly number[]) => void
}) {
  const { count, orders } = chains
  if (count === 0n) {
    return (
      <p className="text-sm" role="status">
        {noneWords(chains, length, lick)}
      </p>
    )
  }
  return (
    <>
      <p className="text-sm" role="status">
        {count === 1n ? '1 order' : `${count.toLocaleString('en')} orders`}
        {BigInt(orders.length) < count && `, the first ${orders.length}`}:
      </p>
      <div className="flex flex-wrap gap-1.5">
        {orders.map((order) => (
          <Button key={order.join(' ')} onClick={() => onTake(order)}>
            {order.join(' ')}
          </Button>
        ))}
      </div>
    </>
  )
}

/** Where no order fills the space: what comes nearest, and over how many times the space it works. */
export function noneWords(chains: Chains, length: number, { frame }: Lick): string {
  const { under, over, spaces, spacesCount } = chains
  const nearest = [
    under === null ? '' : `${under} below`,
    over === null ? '' : `${over} above`,
  ].filter(Boolean)
  const slotsInBar = frameTicks(frame).bar / gridTicks(frame.grid)
  const bars = spaces === null ? Number.NaN : (spaces * length) / slotsInBar
  const long = Number.isInteger(bars) ? `${plural(bars, 'bar')}, ` : ''
  const ways =
    spacesCount === null
      ? 'more orders than can be counted'
      : `${spacesCount.toLocaleString('en')} ${spacesCount === 1n ? 'order' : 'orders'}`
  return [
    `Nothing fills ${plural(length, 'slot')} exactly.`,
    nearest.length > 0 ? `Nearest: ${nearest.join(', ')}.` : '',
    spaces !== null && spaces > 1
      ? `It works out over ${spaces} times the space: ${long}${ways}.`
      : '',
  ]
    .filter(Boolean)
    .join(' ')
}
