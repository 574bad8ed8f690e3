import { useMemo, useState } from 'react'
import { startsOf } from '~/core/changes'
import { filledMetres, onGrid, ratesOf } from '~/core/fitting'
import { frameTicks, type Lick, lickSlots, lineCounts, trueSpeed } from '~/core/line'
import { formatSlot } from '~/core/notation'
import { gridName, meterName, UNNAMED_COUNT } from '~/core/time'
import { Button, EmptyState, Part, TextBox } from '~/ui/parts'
import { plural, slots, wholeMs } from '~/words/figures'
import { gridWords } from '~/words/grid-words'
import { capital } from '~/words/move-words'
import { placeOn } from '~/words/places'
import { type PanelView, usePanel } from '../state/use-panel'
import { ChainsForm } from './chains-form'
import { CyclePanel } from './cycle-panel'
import { EndingsPart } from './endings-part'
import { Fixes } from './fixes-list'
import { showing } from './showing'

/** Whether the line fits, and what would: fixes, other grids and metres, groupings, the cycle. */
export function FitPanel() {
  const props = usePanel()
  if (props.lick.line.slots.length === 0)
    return <EmptyState>Type a line first. Then you see here how it fits the bar.</EmptyState>
  return (
    <div className="flex min-w-0 flex-col gap-5">
      <Fixes {...props} />
      <EndingsPart />
      <Rates {...props} />
      <Metres {...props} />
      <CyclePanel {...props} />
      <ChainsForm {...props} />
      <CountCheck lick={props.lick} />
      <Aloud {...props} />
    </div>
  )
}

/** The line held against a number of one's own. */
function CountCheck({ lick }: { lick: Lick }) {
  const [typed, setTyped] = useState('')
  const wanted = Number(typed)
  const have = lick.line.slots.length
  const known = typed !== '' && Number.isInteger(wanted) && wanted > 0
  const first = lickSlots(lick)[wanted]
  return (
    <Part title="Check the count">
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
              ? 'slots: exactly right'
              : have < wanted
                ? `slots: ${wanted - have} too few`
                : `slots: ${have - wanted} too many, starting with slot ${wanted + 1}, ${first ? formatSlot(first.content) : ''}`}
        </span>
      </p>
    </Part>
  )
}

const SHOWN_RATES = ['1/8', '1/8t', '1/16', '1/16q', '1/16t', '1/16s', '1/32']

/** The same strokes at other subdivisions. */
function Rates({ lick, tempo, counting, onEdit, onShow }: PanelView) {
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
      title="Same strokes on another grid"
      aside={<span className="text-(--quiet) text-xs">at {tempo}</span>}
    >
      <ul className="text-sm tabular-nums">
        {rates.map((rate) => {
          const name = gridName(rate.grid)
          const start = placeOn(lick, rate.start, rate.grid, counting)
          const speed = trueSpeed(tempo, beat, rate.grid)
          const edit = { label: `On ${name}`, lick: onGrid(lick, rate.grid) }
          return (
            <li
              key={name}
              className={`flex flex-wrap items-baseline gap-x-3 border-base-300 border-t py-1 ${name === now ? 'font-semibold' : ''}`}
            >
              <span className="grow">{capital(gridWords(rate.grid))}</span>
              <span className={rate.fits ? 'text-success' : ''}>
                {rate.fits
                  ? 'fits'
                  : `${slots(Math.abs(rate.left))} ${rate.left > 0 ? 'left' : 'over'}`}
              </span>
              {name !== now && (
                <button
                  type="button"
                  className="link min-h-6"
                  aria-label={`Use ${gridWords(rate.grid)}`}
                  onClick={() => onEdit(edit)}
                  {...showing(onShow, () => edit)}
                >
                  use
                </button>
              )}
              <span className="w-full text-(--quiet) text-xs">
                {slots(rate.beats)} {rate.beats === 1 ? 'beat' : 'beats'},{' '}
                {wholeMs(speed.millisecondsPerSlot)} ms a slot; from {start} it ends on the barline
              </span>
            </li>
          )
        })}
      </ul>
    </Part>
  )
}

const MAX_ALOUD = 64

/** The count as it is said, group by group. */
function Aloud({ lick, counting }: PanelView) {
  const counts = lineCounts(lick, counting).slice(0, MAX_ALOUD)
  const starts = new Set(startsOf(lick.line.groups))
  const words = counts.map((count, slot) => {
    const said = count === '&' ? 'and' : count === UNNAMED_COUNT || count === '.' ? '–' : count
    return slot > 0 && starts.has(slot) ? `, ${said}` : ` ${said}`
  })
  return (
    <Part title="Count aloud">
      <p className="text-sm">
        {words.join('').trim()}
        {lick.line.slots.length > MAX_ALOUD && ' …'}
      </p>
    </Part>
  )
}

/** Metres whose bars the line fills. */
function Metres({ lick, onEdit }: PanelView) {
  const metres = useMemo(() => filledMetres(lick).slice(0, 10), [lick])
  return (
    <Part title="Metres it fills exactly">
      {metres.length === 0 ? (
        <EmptyState>None up to 21 beats: something is always left over.</EmptyState>
      ) : (
        <div className="flex flex-wrap gap-2">
          {metres.map(({ meter, bars }) => (
            <Button
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
            </Button>
          ))}
        </div>
      )}
    </Part>
  )
}
