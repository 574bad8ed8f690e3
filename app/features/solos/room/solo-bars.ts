import { EMPTY_LINE, frameTicks, type Lick, pickupSlots } from '~/core/line'
import type { Position } from '~/core/performance'
import { type BarExcerpt, barExcerpt } from '~/core/practice'
import { type Section, type Solo, sectionAt } from '~/core/solo'
import type { Ticks } from '~/core/time'
import { plural } from '~/words/figures'
import { partName } from '~/words/solo-words'
import { type Phase, STILL } from '../../practice'

/** One bar of a solo as it is shown in its room. */
export interface SoloBar {
  /** Counted from the first bar of the solo. */
  readonly index: number
  /** What it is a bar of, by name, with which of how many: `Tightrope, 1 of 2`. */
  readonly name: string
  readonly part: string
  /** Beats of its metre. */
  readonly beats: number
  /** What is played in it; null where nothing of a line begins. */
  readonly lick: BarExcerpt['lick'] | null
  /** The first tick of each of its slots from its barline, and the end of the last. */
  readonly slots: readonly Ticks[]
}

/**
 * A bar of a solo, counted from 0; undefined behind its end. A pick-up that is struck in the bar before its part is
 * shown there, where that bar has no strokes of its own.
 */
export function soloBar(
  solo: Solo,
  sections: readonly Section[],
  index: number,
): SoloBar | undefined {
  const at = sections.findLastIndex(({ barsBefore }) => barsBefore <= index)
  const section = sections[at]
  if (!section || index < 0 || index >= section.barsBefore + section.bars) return undefined
  const { lick } = section
  const { bar, beat } = frameTicks(lick.frame)
  const within = index - section.barsBefore
  const next = sections[at + 1]
  const own = barExcerpt(lick, (within - lick.frame.lead) * bar, bar)
  const last = within === section.bars - 1
  const shown = own ?? (last && next?.pickup ? pickupBefore(next.lick, bar) : null)
  const part = solo.parts[section.part]
  const name = part ? partName(part) : ''
  const ofPart = sections.filter((one) => one.part === section.part)
  const bars = ofPart.reduce((sum, one) => sum + one.bars, 0)
  const number = index - (ofPart[0]?.barsBefore ?? 0) + 1
  return {
    index,
    name: bars > 1 ? `${name}, ${number} of ${bars}` : name,
    part: name,
    beats: Math.max(1, Math.round(bar / beat)),
    lick: null,
    slots: [],
    ...shown,
  }
}

/** The pick-up of what comes next, in the bar before it; null where it has none there. */
function pickupBefore(next: Lick, bar: Ticks): BarExcerpt | null {
  const slots = pickupSlots(next).map(({ tick, ticks }) => ({
    from: tick + bar,
    to: tick + ticks + bar,
  }))
  const [first, last] = [slots[0], slots.at(-1)]
  if (!first || !last || first.from < 0 || first.from >= bar) return null
  return {
    lick: { ...next, line: next.pickup, pickup: EMPTY_LINE, ostinatos: [] },
    slots: [...slots.map(({ from }) => from), last.to],
  }
}

/** What is heard at a position of a solo that began at one of its ticks: beat, and slot of the bar that is shown. */
export function soloPhaseAt(
  position: Position | undefined,
  sections: readonly Section[],
  began: Ticks,
  slots: readonly Ticks[],
): Phase {
  if (!position || position.phase === 'over' || position.phase === 'ending') return STILL
  const tick = began + Math.max(0, position.tick)
  const section = sections[sectionAt(sections, position.phase === 'count-in' ? began : tick)]
  if (!section) return STILL
  const { beat, bar } = frameTicks(section.lick.frame)
  if (position.phase === 'count-in')
    return { name: 'count-in', bar: 1, beat: Math.floor(position.tick / beat), slot: -1 }
  const inBar = (tick - section.from) % bar
  const slot = inBar < (slots.at(-1) ?? 0) ? slots.findLastIndex((from) => from <= inBar) : -1
  const number = Math.floor((tick - section.from) / bar) + 1
  return {
    name: slot < 0 ? 'groove' : 'fill',
    bar: number,
    beat: Math.floor(inBar / beat),
    slot,
  }
}

/** What comes after a bar of a stretch, part by part, and how much is left: `next: Groove, then Landing. 3 bars left.` */
export function aheadWords(
  solo: Solo,
  sections: readonly Section[],
  bar: number,
  end: number,
): string {
  const here = sections.findLast(({ barsBefore }) => barsBefore <= Math.max(0, bar))
  const ahead = sections.filter(
    ({ part, barsBefore }) => part > (here?.part ?? -1) && barsBefore < end,
  )
  const parts = [...new Set(ahead.map(({ part }) => part))].slice(0, 2)
  const [next, then] = parts.flatMap((part) => {
    const found = solo.parts[part]
    return found ? [partName(found)] : []
  })
  const names = next ? `${next}${then ? `, then ${then}` : ''}` : 'the end'
  return `Next: ${names}. ${plural(Math.max(0, end - Math.max(0, bar)), 'bar')} left.`
}
