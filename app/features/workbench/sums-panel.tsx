import { useMemo, useState } from 'react'
import { phraseOf, startsOf } from '~/core/changes'
import {
  type Chains,
  chainsOf,
  filledMetres,
  type Mend,
  mendsOf,
  onGrid,
  ratesOf,
} from '~/core/fitting'
import {
  aimOf,
  type FreeHand,
  frameTicks,
  type Lick,
  lickSlots,
  lineCounts,
  trueSpeed,
} from '~/core/line'
import { formatSlot } from '~/core/notation'
import { REST } from '~/core/sticking'
import { gridName, gridTicks, meterName, placeName, UNNAMED_COUNT } from '~/core/time'
import { plural, slots, tenth } from '../bench/figures'
import { PhraseText } from '../stacks/phrase-figure'
import { type Edit, findSizes, replaceRange } from './edits'
import type { PanelProps } from './panel-props'
import { Act, Nothing, Part, TextBox } from './parts'

/** Every sum that is done on fingers: mending, counting, other rates, metres, chains. */
export function SumsPanel(props: PanelProps) {
  if (props.lick.line.slots.length === 0)
    return <Nothing>Type a line first: what it comes to stands here.</Nothing>
  return (
    <div className="grid grid-cols-1 gap-x-8 gap-y-5 lg:grid-cols-2">
      <div className="flex min-w-0 flex-col gap-5">
        <Mends {...props} />
        <CountCheck lick={props.lick} />
        <ChainsForm {...props} />
      </div>
      <div className="flex min-w-0 flex-col gap-5">
        <Rates {...props} />
        <Metres {...props} />
        <Aloud {...props} />
      </div>
    </div>
  )
}

const FREE_WORDS: Readonly<Record<FreeHand, string>> = {
  RH: 'right hand free to land',
  LH: 'left hand free to land',
  both: 'both hands free to land',
  none: 'no hand free to land',
  unknown: 'last hand not decided',
}

function mendWords({ kind, grid, start }: Mend, lick: Lick): string {
  switch (kind) {
    case 'cut':
      return 'Cut at the landing'
    case 'drop-group':
      return 'One group fewer'
    case 'next-group':
      return 'Cut the next group'
    case 'add-group':
      return 'One group more'
    case 'tail-right':
      return 'A tail that ends right'
    case 'tail-left':
      return 'A tail that ends left'
    case 'tail-kick':
      return 'A tail that ends with the kick'
    case 'rests':
      return 'Rests'
    case 'remainder-first':
      return 'The remainder first'
    case 'over-the-barline':
      return 'Run over the barline'
    case 'start':
      return `Start on ${placeName(start ?? 0, lick.frame.meter)}`
    case 'grid':
      return `On ${gridName(grid ?? lick.frame.grid)}`
  }
}

/** Ways to make the line fit, each a finished line. */
function Mends({ lick, onEdit }: PanelProps) {
  const mends = useMemo(() => mendsOf(lick), [lick])
  if (mends.length === 0) {
    return (
      <Part title="Mending">
        <Nothing>It fits: nothing to mend.</Nothing>
      </Part>
    )
  }
  return (
    <Part title="Ways to make it fit">
      <ul className="flex flex-col">
        {mends.map((mend) => (
          <li key={`${mend.kind} ${mend.grid ? gridName(mend.grid) : ''}`}>
            <button
              type="button"
              className="flex w-full flex-wrap items-baseline gap-x-3 rounded-field px-2 py-1 text-left text-sm hover:bg-base-200"
              onClick={() => onEdit(mendEdit(lick, mend))}
            >
              <span className="w-48 shrink-0">{mendWords(mend, lick)}</span>
              <span className="min-w-0 grow truncate">
                <WhereItDiffers mend={mend} />
              </span>
              <span className="text-(--quiet) text-xs">
                {mend.fits ? '' : `${leftWords(mend.lick, mend.left)}, `}
                {FREE_WORDS[mend.freeHand]}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </Part>
  )
}

const SHOWN_SLOTS = 14

/** The end of a mended line, or where its beginning is new, that. */
function WhereItDiffers({ mend: { kind, lick } }: { mend: Mend }) {
  const { length } = lick.line.slots
  const from = kind === 'remainder-first' ? 0 : Math.max(0, length - SHOWN_SLOTS)
  const to = Math.min(length, from + SHOWN_SLOTS)
  return (
    <>
      {from > 0 && '… '}
      <PhraseText phrase={phraseOf(lick.line, { from, to })} />
      {to < length && ' …'}
    </>
  )
}

function leftWords(lick: Lick, ticks: number): string {
  const count = Math.abs(ticks) / gridTicks(lick.frame.grid)
  return `${slots(count)} ${ticks > 0 ? 'left' : 'over'}`
}

function mendEdit(lick: Lick, mend: Mend): Edit {
  const label = mendWords(mend, lick)
  const [old, now] = [lick.line.slots.length, mend.lick.line.slots.length]
  if (mend.kind === 'remainder-first') {
    const typed = phraseOf(mend.lick.line, { from: 0, to: now - old })
    return { ...replaceRange(lick, { from: 0, to: 0 }, typed, label), lick: mend.lick }
  }
  if (now > old) {
    const added = phraseOf(mend.lick.line, { from: old, to: now })
    return { ...replaceRange(lick, { from: old, to: old }, added, label), lick: mend.lick }
  }
  if (now < old) {
    const none = { slots: [], groups: [] }
    const { change } = replaceRange(lick, { from: now, to: old }, none, label)
    return { label, lick: mend.lick, ...(change && { change }) }
  }
  return { label, lick: mend.lick }
}

/** The line held against a number of one's own. */
function CountCheck({ lick }: { lick: Lick }) {
  const [typed, setTyped] = useState('')
  const wanted = Number(typed)
  const have = lick.line.slots.length
  const known = typed !== '' && Number.isInteger(wanted) && wanted > 0
  const first = lickSlots(lick)[wanted]
  return (
    <Part title="Against a number">
      <p className="flex flex-wrap items-center gap-2 text-sm">
        <TextBox
          label="Slots it should have"
          className="w-16"
          inputMode="numeric"
          placeholder={String(have)}
          value={typed}
          onType={setTyped}
        />
        <span role="status">
          {!known
            ? 'slots it should have'
            : have === wanted
              ? `slots: it has just so many`
              : have < wanted
                ? `slots: ${wanted - have} missing`
                : `slots: ${have - wanted} too many, the first is slot ${wanted + 1}, ${first ? formatSlot(first.content) : ''}`}
        </span>
      </p>
    </Part>
  )
}

const SHOWN_RATES = ['1/8', '1/8t', '1/16', '1/16q', '1/16t', '1/16s', '1/32']

/** The same strokes at other subdivisions. */
function Rates({ lick, tempo, onEdit }: PanelProps) {
  const { beat } = frameTicks(lick.frame)
  const now = gridName(lick.frame.grid)
  const rates = useMemo(
    () =>
      ratesOf(lick).filter(
        ({ grid }) =>
          SHOWN_RATES.includes(gridName(grid)) || gridName(grid) === gridName(lick.frame.grid),
      ),
    [lick],
  )
  return (
    <Part
      title="The same strokes at another subdivision"
      aside={<span className="text-(--quiet) text-xs">at {tempo}</span>}
    >
      <div className="overflow-x-auto">
        <table className="w-full text-sm tabular-nums">
          <thead className="text-(--quiet) text-xs">
            <tr className="text-left">
              <th className="py-1 pr-3 font-normal">grid</th>
              <th className="pr-3 text-right font-normal">beats</th>
              <th className="pr-3 font-normal">from here</th>
              <th className="pr-3 font-normal">to end on the barline</th>
              <th className="pr-3 text-right font-normal">ms a slot</th>
              <th className="font-normal">
                <span className="sr-only">take it</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {rates.map((rate) => {
              const name = gridName(rate.grid)
              const start = placeName(rate.start, lick.frame.meter)
              const speed = trueSpeed(tempo, beat, rate.grid)
              return (
                <tr
                  key={name}
                  className={`border-base-300 border-t ${name === now ? 'font-semibold' : ''}`}
                >
                  <td className="py-1 pr-3">{name}</td>
                  <td className="pr-3 text-right">{slots(rate.beats)}</td>
                  <td className={`pr-3 ${rate.fits ? 'text-success' : ''}`}>
                    {rate.fits
                      ? 'fits'
                      : `${slots(Math.abs(rate.left))} ${rate.left > 0 ? 'left' : 'over'}`}
                  </td>
                  <td className="pr-3">start on {start}</td>
                  <td className="pr-3 text-right">{tenth(speed.millisecondsPerSlot)}</td>
                  <td className="whitespace-nowrap text-right">
                    {name !== now && (
                      <button
                        type="button"
                        className="link text-sm"
                        aria-label={`Take ${name}`}
                        onClick={() =>
                          onEdit({ label: `On ${name}`, lick: onGrid(lick, rate.grid) })
                        }
                      >
                        take
                      </button>
                    )}
                  </td>
                </tr>
              )
            })}
          </tbody>
        </table>
      </div>
    </Part>
  )
}

const MOST_ALOUD = 64

/** The count as it is said, group by group. */
function Aloud({ lick, school }: PanelProps) {
  const counts = lineCounts(lick, school).slice(0, MOST_ALOUD)
  const starts = new Set(startsOf(lick.line.groups))
  const words = counts.map((count, slot) => {
    const said = count === '&' ? 'and' : count === UNNAMED_COUNT || count === '.' ? '–' : count
    return slot > 0 && starts.has(slot) ? `, ${said}` : ` ${said}`
  })
  return (
    <Part title="Count aloud">
      <p className="text-sm">
        {words.join('').trim()}
        {lick.line.slots.length > MOST_ALOUD && ' …'}
      </p>
    </Part>
  )
}

/** Metres whose bars the line fills. */
function Metres({ lick, onEdit }: PanelProps) {
  const metres = useMemo(() => filledMetres(lick).slice(0, 10), [lick])
  return (
    <Part title="Metres that it fills exactly">
      {metres.length === 0 ? (
        <Nothing>None up to 21 units: it always leaves something over.</Nothing>
      ) : (
        <div className="flex flex-wrap gap-2">
          {metres.map(({ meter, bars }) => (
            <Act
              key={meterName(meter)}
              onClick={() =>
                onEdit({
                  label: `In ${meterName(meter)}`,
                  lick: {
                    ...lick,
                    frame: { ...lick.frame, meter, start: 0, stop: null, bars: null },
                  },
                })
              }
            >
              {meterName(meter)} <span className="text-(--quiet)">{plural(bars, 'bar')}</span>
            </Act>
          ))}
        </div>
      )}
    </Part>
  )
}

const SHOWN_CHAINS = 24

/** Every exact order of some sizes for the space. */
function ChainsForm({ lick, onEdit }: PanelProps) {
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

/** The line made of its own groups in an order of sizes; a size that it lacks is left empty. */
function chainEdit(lick: Lick, order: readonly number[]): Edit {
  const { line } = lick
  const starts = startsOf(line.groups)
  const bySize = new Map<number, number>()
  for (const [i, size] of line.groups.entries()) if (!bySize.has(size)) bySize.set(size, i)
  const groups = order.map((size) => {
    const from = starts[bySize.get(size) ?? -1]
    return from === undefined
      ? Array.from({ length: size }, () => REST)
      : line.slots.slice(from, from + size)
  })
  const all = { from: 0, to: line.slots.length }
  return replaceRange(
    lick,
    all,
    { slots: groups.flat(), groups: order },
    `Chain ${order.join(' ')}`,
  )
}
