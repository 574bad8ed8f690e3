import { frameTicks, type Lick, lineEvents } from '../line'
import { soundsAt } from '../performance'
import { type Grid, TICKS_PER_QUARTER, type Ticks } from '../time'
import type { Drawn, PlayedStroke, ThreePlace } from './strokes'

/** Drawn by less than this, half of what straight sixteenths are drawn by at least, is no pull to speak of. */
const MIN_PULL = TICKS_PER_QUARTER / 24

/**
 * The second and third strokes of every three that may turn into a triplet: a beat of sixteenths in which
 * three slots are struck, the first on the beat. By their slots. A beat is a quarter here, whatever the metre
 * counts. What they are drawn away from is where they sound, swung or not; a beat whose swing is nearly a
 * triplet already has no three.
 *
 * @example of `RLK-` the L is drawn later by 840 ticks and the K by 1680; of `R-LK` both are drawn earlier
 */
export function threesOf(lick: Lick): ReadonlyMap<number, ThreePlace> {
  const { bar } = frameTicks(lick.frame)
  const beats = new Map<number, { tick: Ticks; slot: number; grid: Grid }[]>()
  for (const { tick, slot, grid } of lineEvents(lick)) {
    const within = ((tick % bar) + bar) % bar
    const beat = tick - (within % TICKS_PER_QUARTER)
    const known = beats.get(beat) ?? []
    if (known.at(-1)?.tick !== tick) known.push({ tick, slot, grid })
    beats.set(beat, known)
  }
  const places = new Map<number, ThreePlace>()
  for (const [beat, [first, second, third, more]] of beats) {
    if (!first || !second || !third || more || first.tick !== beat) continue
    const quarter = TICKS_PER_QUARTER / 4
    if ([second, third].some(({ tick }) => (tick - beat) % quarter !== 0)) continue
    const drawn = ([second, third] as const).map(({ tick, slot, grid }, i) => {
      const place = i === 0 ? (2 as const) : (3 as const)
      const pull = beat + ((place - 1) * TICKS_PER_QUARTER) / 3 - soundsAt(lick, tick, grid)
      return { slot, three: { from: first.slot, place, pull } }
    })
    if (drawn.some(({ three }) => Math.abs(three.pull) < MIN_PULL)) continue
    for (const { slot, three } of drawn) places.set(slot, three)
  }
  return places
}

/**
 * Where a stroke of a three is drawn at a tempo, told in milliseconds a tick.
 *
 * @example drawnAt({ from: 0, place: 2, pull: 840 }, 0.0625) // { from: 0, place: 2, pullMs: 52.5 }
 */
export function drawnAt({ from, place, pull }: ThreePlace, msPerTick: number): Drawn {
  return { from, place, pullMs: pull * msPerTick }
}

/** How far the threes of a round lie towards triplets: 0 as written, 1 as triplets. */
export interface LeanTold {
  /** How many strokes of threes that is of. */
  readonly strokes: number
  /** Of second and of third strokes, each a ratio of sums. */
  readonly second: number
  readonly third: number
  /** Of both together. */
  readonly share: number
  /** How far they were drawn on average, in milliseconds. */
  readonly drawnMs: number
}

/**
 * How far the threes of a round were drawn towards triplets, each stroke against the first of its three, so that
 * a delay of the whole counts for nothing; null where no three was played whole. Sums over sums, as ratios
 * of times add up.
 *
 * @example a three at 0 170 340 ms where 0 150 300 was meant and 0 200 400 is a triplet: 0.4
 */
export function leanOf(strokes: readonly PlayedStroke[]): LeanTold | null {
  const offsets = new Map<number, number[]>()
  for (const { slot, offsetMs } of strokes)
    offsets.set(slot, [...(offsets.get(slot) ?? []), offsetMs])
  const meanAt = (slot: number) => {
    const all = offsets.get(slot)
    return all && all.reduce((sum, off) => sum + off, 0) / all.length
  }
  const sums = { 2: { across: 0, along: 0 }, 3: { across: 0, along: 0 } }
  const seen = new Set<number>()
  let pulled = 0
  for (const { slot, drawn } of strokes) {
    if (!drawn || seen.has(slot)) continue
    const [first, here] = [meanAt(drawn.from), meanAt(slot)]
    if (first === undefined || here === undefined) continue
    seen.add(slot)
    sums[drawn.place].across += (here - first) * drawn.pullMs
    sums[drawn.place].along += drawn.pullMs ** 2
    pulled += Math.abs(drawn.pullMs)
  }
  const [second, third] = [sums[2], sums[3]]
  if (second.along === 0 || third.along === 0) return null
  const share = (second.across + third.across) / (second.along + third.along)
  return {
    strokes: seen.size,
    second: second.across / second.along,
    third: third.across / third.along,
    share,
    drawnMs: Math.abs(share) * (pulled / seen.size),
  }
}
