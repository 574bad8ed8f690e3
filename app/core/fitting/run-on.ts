import { phraseOf, type SlotRange } from '../changes'
import {
  frameTicks,
  type GridChange,
  type Lick,
  lickSlots,
  MAX_BARS,
  MAX_SLOTS,
  normalGridChanges,
} from '../line'
import type { SlotContent } from '../sticking'
import type { Ticks } from '../time'

/** A line that lets a phrase run over the barlines, and where it was cut. */
export interface RunOn {
  readonly lick: Lick
  /** How often the phrase stands whole, from where it began. */
  readonly times: number
  /** Slots of the last time through, which is cut; 0 where it ends whole. */
  readonly cut: number
  /** Ticks left over where no slot of the phrase ends on the barline. */
  readonly left: Ticks
}

/**
 * The line up to the end of a range, then the range over and over, cut at the end of a bar (from 1).
 * Null where the range is empty, the bar ends before it does, or the line would be too long. Law: the line ends `left` ticks
 * before that barline, and `left` is less than the slot that would come next.
 */
export function runOn(lick: Lick, range: SlotRange, bars: number): RunOn | null {
  const { frame, line } = lick
  const slots = lickSlots(lick).slice(range.from, range.to)
  const [first, last] = [slots[0], slots.at(-1)]
  if (!first || !last) return null
  const end = bars * frameTicks(frame).bar
  const length = last.tick + last.ticks - first.tick
  const times = Math.floor((end - first.tick) / length)
  const size = range.from + (times + 1) * slots.length
  if (times < 1 || bars > MAX_BARS || size > MAX_SLOTS) return null
  const rest = end - first.tick - times * length
  const cut = slots.filter(({ tick, ticks }) => tick + ticks - first.tick <= rest).length
  const kept = cut === 0 ? 0 : endOf(slots, cut) - first.tick

  const contents: SlotContent[] = line.slots.slice(0, range.from)
  const groups = phraseOf(line, { from: 0, to: range.from }).groups.slice()
  const changes: GridChange[] = line.gridChanges.filter(({ at }) => at < range.from)
  for (let round = 0; round <= times; round += 1) {
    const count = round < times ? slots.length : cut
    for (const [i, { grid }] of slots.slice(0, count).entries()) {
      changes.push({ at: contents.length + i, grid })
    }
    const phrase = phraseOf(line, { from: range.from, to: range.from + count })
    contents.push(...phrase.slots)
    groups.push(...phrase.groups)
  }
  const gridChanges = normalGridChanges(changes, frame.grid, contents.length)
  const swells = frame.swells.filter(({ to }) => to < contents.length)
  const landing = { ...frame.landing, at: 'bar' } as const
  return {
    lick: {
      ...lick,
      frame: { ...frame, bars, landing, swells },
      line: { slots: contents, groups, gridChanges },
    },
    times,
    cut,
    left: rest - kept,
  }
}

function endOf(slots: readonly { tick: Ticks; ticks: Ticks }[], count: number): Ticks {
  const last = slots[count - 1]
  return last ? last.tick + last.ticks : 0
}
