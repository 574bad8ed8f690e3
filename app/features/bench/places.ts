import { frameTicks, type Lick, slotAt } from '~/core/line'
import { placeName, type Ticks } from '~/core/time'

/** `3e`, with the bar where it is not the first. */
export function placeIn(lick: Lick, tick: Ticks): string {
  const { frame } = lick
  const { bar } = frameTicks(frame)
  const index = Math.floor(tick / bar)
  const named = placeName(tick - index * bar, frame.meter)
  const said = named.replace(/(trip|let)$/, ' $1')
  // "let" is another slot in sixteenth triplets than in eighth triplets: only there it is plain.
  const plain = !named.includes('+') && (said === named || isEighthTriplet(lick, tick))
  const place = plain ? said : (slotOfBeat(lick, tick) ?? said)
  return index === 0 ? place : `${place} of bar ${index + 1}`
}

function isEighthTriplet(lick: Lick, tick: Ticks): boolean {
  const slot = slotAt(lick, tick)
  return slot === undefined || slot.ticks * 3 === frameTicks(lick.frame).beat
}

/** `slot 6 of beat 4`, where a place has no syllable of its own that everybody knows. */
function slotOfBeat(lick: Lick, tick: Ticks): string | undefined {
  const { bar, beat } = frameTicks(lick.frame)
  const slot = slotAt(lick, tick)
  const inBeat = tick % beat
  if (!slot || inBeat % slot.ticks !== 0) return undefined
  const number = (Math.floor(tick / beat) % (bar / beat)) + 1
  return `slot ${inBeat / slot.ticks + 1} of beat ${number}`
}

/** A place as it is said: `the & of 2`. */
export function spokenPlace(place: string): string {
  return place.replace(/(\d+)&$/, 'the & of $1').replace(/^(\d+)(e|a|trip|let)$/, 'the $2 of $1')
}
