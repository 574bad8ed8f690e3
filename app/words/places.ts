import { aimOf, frameTicks, type Lick, pickupSlots, slotAt } from '~/core/line'
import {
  type CountingSystem,
  countedPlace,
  type Grid,
  placeName,
  sameGrid,
  type Ticks,
} from '~/core/time'
import { plural } from './figures'

/**
 * `3e`, with the bar where it is not the fill's: `1 of bar 2`, `4& of the bar before`. Where a place
 * has no syllable that is its own, `beat 4, 6th`. It is named as it is counted, by `counting`.
 */
export function placeIn(lick: Lick, tick: Ticks, counting?: CountingSystem): string {
  const { bar } = frameTicks(lick.frame)
  const index = Math.floor(tick / bar)
  return `${placeInBar(lick, tick, counting)}${barWords(index)}`
}

function barWords(index: number): string {
  if (index === 0) return ''
  if (index > 0) return ` of bar ${index + 1}`
  return index === -1 ? ' of the bar before' : ` of the bar ${-index} before`
}

/** `3e`, `beat 4, 6th`: a place in its bar, whichever bar that is. */
export function placeInBar(lick: Lick, tick: Ticks, counting?: CountingSystem): string {
  return placeOn(lick, tick, slotAt(lick, tick)?.grid ?? lick.frame.grid, counting)
}

/** Where a line begins, as it is counted: `2&`. */
export function startPlace(lick: Pick<Lick, 'frame'>, counting?: CountingSystem): string {
  return placeOn(lick, lick.frame.start, lick.frame.grid, counting)
}

/**
 * Where a pick-up begins, as it is counted on its own grid: `on the & of 4, before bar 1`; empty without one.
 *
 * @example pickupPlace(lickOf('pickup: RL\nline: R')) // 'on the & of 4, before bar 1'
 */
export function pickupPlace(lick: Lick, counting?: CountingSystem): string {
  const [first] = pickupSlots(lick)
  if (!first) return ''
  const place = `on ${spokenPlace(placeOn(lick, first.tick, first.grid, counting))}`
  const bars = -Math.floor(first.tick / frameTicks(lick.frame).bar)
  if (bars <= 0) return place
  return bars === 1 ? `${place}, before bar 1` : `${place}, ${plural(bars, 'bar')} before bar 1`
}

/** A place in the bar on a grid: as it is counted there, else as an exact part of its beat. */
export function placeOn(
  { frame }: Pick<Lick, 'frame'>,
  tick: Ticks,
  grid: Grid,
  counting?: CountingSystem,
): string {
  const { bar } = frameTicks(frame)
  const counted = countedPlace(tick, grid, frame.meter, counting)
  if (!counted) return partOfBeat(placeName(tick - Math.floor(tick / bar) * bar, frame.meter))
  const { beat, slot, syllable } = counted
  if (slot === 1) return String(beat)
  if (syllable === null) return `beat ${beat}, ${ordinal(slot)}`
  return syllable.length === 1 ? `${beat}${syllable}` : `${beat} ${syllable}`
}

/** A place that no count names, as one reads it: `4let` is `4 let`, `3+1/6` is `3 and 1/6 of a beat`. */
function partOfBeat(place: string): string {
  return place
    .replace(/^(\d+)(trip|let)$/, '$1 $2')
    .replace(/^(\d+)\+(\d+\/\d+)$/, '$1 and $2 of a beat')
}

/**
 * From one place to another: `3e to 3&`, `3 (5th to 6th)` within a beat whose slots have no names of
 * their own, `4a to the landing`.
 */
export function placesIn(lick: Lick, from: Ticks, to: Ticks, counting?: CountingSystem): string {
  const lands = to === aimOf(lick).target
  const countedIn = (tick: Ticks) =>
    countedPlace(tick, slotAt(lick, tick)?.grid ?? lick.frame.grid, lick.frame.meter, counting)
  const [first, last] = [countedIn(from), countedIn(to)]
  const isNamed = (one: typeof first) =>
    one !== undefined && (one.slot === 1 || one.syllable !== null)
  const named = isNamed(first) && isNamed(last)
  const { bar } = frameTicks(lick.frame)
  const together = Math.floor(from / bar) === Math.floor(to / bar) && first?.beat === last?.beat
  const [here, there] = [from, to].map((tick) => slotAt(lick, tick)?.grid ?? lick.frame.grid)
  const alike = here !== undefined && there !== undefined && sameGrid(here, there)
  if (!named && !lands && first && last && together && alike && from <= to) {
    return `${first.beat} (${ordinal(first.slot)} to ${ordinal(last.slot)})`
  }
  return `${placeIn(lick, from, counting)} to ${lands ? 'the landing' : placeIn(lick, to, counting)}`
}

/** A place as it is said: `the & of 2`. */
export function spokenPlace(place: string): string {
  return place.replace(/^(\d+) ?([^\d\s+,]+)$/, 'the $2 of $1')
}

/** `1st`, `2nd`, `3rd`, `4th`, `11th`. */
export function ordinal(n: number): string {
  const ending = n % 100 >= 11 && n % 100 <= 13 ? 'th' : (['th', 'st', 'nd', 'rd'][n % 10] ?? 'th')
  return `${n}${ending}`
}
