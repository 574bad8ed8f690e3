import { STAFF_KEY, type StaffKey } from '../kit'
import { frameTicks } from '../line'
import type { SoundStroke } from '../performance'
import type { Ticks } from '../time'
import type { Section } from './sections'

/** What a bar of a solo is like. */
export interface BarShape {
  /** Its barline, in ticks from the beginning of the solo. */
  readonly from: Ticks
  readonly section: number
  readonly strokes: number
  /** Strokes on a bass drum, by either foot. */
  readonly kicks: number
  /** The mean velocity of its strokes, 1 to 127; null in silence. */
  readonly loudness: number | null
  /**
   * The mean height of what its hands strike, in steps of the staff from its bottom line: the bass drum
   * is 1, the hi-hat 9. Null where no hand strikes.
   */
  readonly register: number | null
  /** The sum of its velocities, as a share of the greatest sum of all bars: 0 to 1. */
  readonly weight: number
}

/** What of a bar can be drawn as a column. */
export type Column = 'weight' | 'strokes' | 'loudness' | 'kicks' | 'register'

/**
 * A figure of every bar as a share of the greatest, 0 to 1: columns to be drawn side by side. Loudness and
 * register are shares of the way from the least to the greatest, a bar without one is 0.
 */
export function columnsOf(shape: readonly BarShape[], column: Column): number[] {
  const values = shape.map((bar) => bar[column])
  const known = values.filter((value) => value !== null)
  const most = Math.max(...known, 0)
  const least = column === 'loudness' || column === 'register' ? Math.min(...known) : 0
  // Where all are alike each is full; the least is still to be seen.
  const span = most - least
  return values.map((value) => {
    if (value === null || most <= 0) return 0
    if (span <= 0) return 1
    return least > 0 ? 0.15 + (0.85 * (value - least)) / span : value / most
  })
}

/**
 * A solo bar by bar, groove and landings counted with the bar in which they sound; a landing after the
 * last bar belongs to none. Graces do not count.
 */
export function shapeOf(
  sections: readonly Section[],
  strokes: readonly SoundStroke[],
  key: StaffKey = STAFF_KEY,
): BarShape[] {
  const bars = sections.flatMap((section, index) => {
    const { bar } = frameTicks(section.lick.frame)
    return Array.from({ length: section.bars }, (_, i) => ({
      from: section.from + i * bar,
      section: index,
    }))
  })
  const last = sections.at(-1)
  const end = last ? last.from + last.ticks : 0
  let next = 0
  const shapes = bars.map(({ from, section }, i) => {
    const until = bars[i + 1]?.from ?? end
    const inside: SoundStroke[] = []
    for (; next < strokes.length && (strokes[next] as SoundStroke).tick < until; next += 1)
      inside.push(strokes[next] as SoundStroke)
    const sum = inside.reduce((total, { velocity }) => total + velocity, 0)
    const steps = inside.flatMap(({ limb, surface }) =>
      limb === 'RF' || limb === 'LF' || surface === '??' ? [] : [key[surface].step],
    )
    return {
      from,
      section,
      strokes: inside.length,
      kicks: inside.filter(({ surface }) => surface === 'bd' || surface === 'b2').length,
      loudness: inside.length > 0 ? sum / inside.length : null,
      register:
        steps.length > 0 ? steps.reduce((total, step) => total + step, 0) / steps.length : null,
      sum,
    }
  })
  const most = Math.max(1, ...shapes.map(({ sum }) => sum))
  return shapes.map(({ sum, ...shape }) => ({ ...shape, weight: sum / most }))
}
