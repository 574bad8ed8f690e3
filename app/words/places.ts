import { aimOf, frameTicks, type Lick, slotAt } from '~/core/line'
import { placeName, type Ticks } from '~/core/time'

/**
 * `3e`, with the bar where it is not the fill's: `1 of bar 2`, `4& of the bar before`. Where a place
 * has no syllable that everybody knows, `beat 4, 6th`.
 */
export function placeIn(lick: Lick, tick: Ticks): string {
  const { bar } = frameTicks(lick.frame)
  const index = Math.floor(tick / bar)
  return `${placeInBar(lick, tick)}${barWords(index)}`
}

function barWords(index: number): string {
  if (index === 0) return ''
  if (index > 0) return ` of bar ${index + 1}`
  return index === -1 ? ' of the bar before' : ` of the bar ${-index} before`
}

/** `3e`, `beat 4, 6th`: a place in its bar, whichever bar that is. */
export function placeInBar(lick: Lick, tick: Ticks): string {
  const { frame } = lick
  const { bar } = frameTicks(frame)
  const named = placeName(tick - Math.floor(tick / bar) * bar, frame.meter)
  const said = named.replace(/(trip|let)$/, ' $1')
  if (isPlain(lick, tick)) return said
  const numbered = numberInBeat(lick, tick)
  return numbered ? `beat ${numbered.beat}, ${ordinal(numbered.slot)}` : said
}

/** "let" is another slot in sixteenth triplets than in eighth triplets: only there it is plain. */
function isPlain(lick: Lick, tick: Ticks): boolean {
  const { bar, beat } = frameTicks(lick.frame)
  const named = placeName(tick - Math.floor(tick / bar) * bar, lick.frame.meter)
  if (named.includes('+')) return false
  if (!/(trip|let)$/.test(named)) return true
  const slot = slotAt(lick, tick)
  return slot === undefined || slot.ticks * 3 === beat
}

/** Which slot of which beat a tick is, both from 1; undefined where it lies on none. */
function numberInBeat(lick: Lick, tick: Ticks): { beat: number; slot: number } | undefined {
  const { bar, beat } = frameTicks(lick.frame)
  const slot = slotAt(lick, tick)
  const inBeat = tick % beat
  if (!slot || inBeat % slot.ticks !== 0) return undefined
  return {
    beat: (Math.floor(tick / beat) % (bar / beat)) + 1,
    slot: inBeat / slot.ticks + 1,
  }
}

/**
 * From one place to another: `3e to 3&`, `3 (5th to 6th)` within a beat whose slots have no names of
 * their own, `4a to the landing`.
 */
export function placesIn(lick: Lick, from: Ticks, to: Ticks): string {
  const lands = to === aimOf(lick).target
  const [first, last] = [numberInBeat(lick, from), numberInBeat(lick, to)]
  const named = isPlain(lick, from) && isPlain(lick, to)
  if (!named && !lands && first && last && first.beat === last.beat && from <= to) {
    return `${first.beat} (${ordinal(first.slot)} to ${ordinal(last.slot)})`
  }
  return `${placeIn(lick, from)} to ${lands ? 'the landing' : placeIn(lick, to)}`
}

/** A place as it is said: `the & of 2`. */
export function spokenPlace(place: string): string {
  return place.replace(/^(\d+)&$/, 'the & of $1').replace(/^(\d+)(e|a|trip|let)$/, 'the $2 of $1')
}

/** `1st`, `2nd`, `3rd`, `4th`, `11th`. */
export function ordinal(n: number): string {
  const ending = n % 100 >= 11 && n % 100 <= 13 ? 'th' : (['th', 'st', 'nd', 'rd'][n % 10] ?? 'th')
  return `${n}${ending}`
}
