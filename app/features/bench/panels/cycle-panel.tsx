import { useMemo, useRef, useState } from 'react'
import type { SlotRange } from '~/core/changes'
import { type Cycle, cycleOf, groupsInSpace, naturalMetre, type RunOn, runOn } from '~/core/fitting'
import { frameTicks, type Lick, lickSlots } from '~/core/line'
import { gridTicks } from '~/core/time'
import { Button, EmptyState, Part } from '~/ui/parts'
import { useWidth } from '~/ui/use-width'
import { often, plural, slots } from '~/words/figures'
import { runOnEdit } from '~/workspace/edits/fitting-edits'
import type { PanelView } from '../state/use-panel'
import { CycleMap } from './cycle-map'

const SHOWN_BARS = 12
const MAX_BARS = 64

/** When the selection, repeated, realigns with the barline; where it falls until then; where to stop. */
export function CyclePanel({ lick, range, counting, onEdit }: PanelView) {
  const [all, setAll] = useState(false)
  const [stop, setStop] = useState<number | null>(null)
  const host = useRef<HTMLDivElement>(null)
  const width = useWidth(host)
  const cycle = useMemo(() => cycleOf(lick, range), [lick, range])
  const round = Math.min(MAX_BARS, cycle?.bars ?? 0)
  const bars = stop ?? Math.min(round, all ? round : SHOWN_BARS)
  const first = barsBefore(lick, range)
  const shown = useMemo(
    () => runOn(lick, range, Math.min(MAX_BARS, first + bars)),
    [lick, range, first, bars],
  )
  if (!cycle)
    return (
      <EmptyState>Type a line and select a group to see when it realigns with the bar.</EmptyState>
    )
  return (
    <Part title="Cycle">
      <p className="text-sm">{cycleWords(lick, range.to - range.from, cycle)}</p>
      <fieldset className="flex flex-wrap items-center gap-1 text-sm">
        <legend className="float-left mr-2 text-(--quiet)">Stop after bar</legend>
        {Array.from({ length: Math.min(round, all ? round : SHOWN_BARS) }, (_, i) => (
          <button
            key={i}
            type="button"
            aria-pressed={stop === i + 1}
            className="min-w-8 rounded-field px-2 py-1 tabular-nums hover:bg-base-200 aria-pressed:bg-base-300 aria-pressed:font-semibold"
            onClick={() => setStop(stop === i + 1 ? null : i + 1)}
          >
            {first + i + 1}
          </button>
        ))}
        {round > SHOWN_BARS && (
          <Button onClick={() => setAll(!all)}>
            {all ? 'Fewer bars' : `All ${plural(round, 'bar')}`}
          </Button>
        )}
        {cycle.shortened && (
          <span className="text-(--quiet)">{cycle.bars} bars until it realigns</span>
        )}
      </fieldset>
      {stop !== null && shown && (
        <p className="flex flex-wrap items-center gap-3 text-sm">
          {stopWords(shown, range, lick)}
          <Button
            onClick={() => {
              setStop(null)
              onEdit(runOnEdit(lick, range, shown, `Run on to bar ${first + stop}`))
            }}
          >
            Use it
          </Button>
        </p>
      )}
      {stop !== null && !shown && (
        <p className="text-sm">The selection ends after that bar, so there is nothing to cut.</p>
      )}
      <div ref={host} className="min-w-0 overflow-x-clip">
        {width > 0 && shown && (
          <CycleMap lick={shown.lick} marks={cycle.marks} width={width} counting={counting} />
        )}
      </div>
    </Part>
  )
}

/** How many bars lie before the one that a range begins in. */
function barsBefore(lick: Lick, { from }: SlotRange): number {
  const tick = lickSlots(lick)[from]?.tick ?? lick.frame.start
  return Math.floor(tick / frameTicks(lick.frame).bar)
}

/** `7 slots: fit twice, 2 slots left; back on the same place of the bar after 16 repeats, 7 bars.` */
export function cycleWords({ frame }: Lick, count: number, { cycles, bars, ticks }: Cycle): string {
  const slot = gridTicks(frame.grid)
  const { bar, beat } = frameTicks(frame)
  const length = ticks / cycles / slot
  const plain = Number.isInteger(length) && length === count
  const whole = plain && bar % slot === 0 ? groupsInSpace(bar / slot, length) : null
  const inBar = whole ? inBarWords(whole.times, whole.left) : ''
  const natural = plain && beat % slot === 0 ? naturalMetre(length, beat / slot) : null
  const onBeat = natural ? `back on a beat after ${plural(natural.beats, 'beat')}, ` : ''
  return `${plural(count, 'slot')}: ${inBar}${onBeat}back on the same place in the bar after ${plural(cycles, 'repeat')}, ${plural(bars, 'bar')}.`
}

/** `fit twice, 2 slots left; ` in a bar. */
function inBarWords(times: number, left: number): string {
  return times === 0
    ? 'longer than a bar; '
    : `fit ${often(times)}${left > 0 ? `, ${plural(left, 'slot')} left` : ''}; `
}

/** `48 slots: 6 times, and the first 6 of its 7.` */
function stopWords({ lick, times, cut, left }: RunOn, { from, to }: SlotRange, { frame }: Lick) {
  const whole = `${plural(lick.line.slots.length, 'slot')}: ${often(times)}`
  const rest = cut > 0 ? `, and the first ${cut} of its ${to - from}` : ', and nothing is cut'
  const open = left > 0 ? `; ${slots(left / gridTicks(frame.grid))} of a slot left open` : ''
  return `${whole}${from > 0 ? ' from the selection on' : ''}${rest}${open}.`
}
