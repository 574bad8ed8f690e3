import type { KitSound } from '../kit'
import { frameTicks, type Lick } from '../line'
import type { Ticks } from '../time'
import { clicksOf, type DropOut } from './clicks'
import type { SoundClick, SoundEvent } from './events'
import { endingEvents, type PlayOptions, type RoundParts, roundEvents, roundParts } from './round'

/**
 * What sounds: a count-in, then rounds without end or one, then an ending. Ticks of the count-in, a
 * round and the ending each count from their own beginning. All rounds have the same whole bars.
 */
export interface Performance {
  readonly loop: boolean
  readonly countIn: readonly SoundClick[]
  /** What sounds in a round, in order of time; the same list for the same round. */
  readonly round: (index: number) => readonly SoundEvent[]
  readonly ending: readonly SoundEvent[]
  readonly countInTicks: Ticks
  readonly roundTicks: Ticks
  readonly endingTicks: Ticks
  readonly barTicks: Ticks
  /** Where each bar of a round begins, where they are not all `barTicks` long. */
  readonly barlines?: readonly Ticks[]
  /** Bars in which the click is silent. */
  readonly dropOut: DropOut | null
  /** Where each surface is heard, -1 (the drummer's left) to 1; in the middle without it. */
  readonly pans?: KitSound['pans']
  /** Where in a round the barline of the fill's bar lies. */
  readonly barlineTick: Ticks
}

/**
 * Builds what sounds, and when, in ticks; tempo comes in only as it is played. In the first round
 * nothing has gone before; every later one begins with the landing of the round before it.
 */
export function toPerformance(lick: Lick, options: PlayOptions): Performance {
  const parts = roundParts(lick, options)
  const [first, again] = [roundEvents(parts, null), roundEvents(parts, parts)]
  return {
    ...frameOf(lick, parts, options),
    round: (index) => (index === 0 ? first : again),
    ending: endingEvents(lick, parts, options),
  }
}

/** Rounds that are still wanted: the one that sounds, and those near it. */
const KEPT_ROUNDS = 8

/**
 * One lick after the other without a break, a round each, in a loop without end. All of them have
 * the metre, the lead and the bars of the first; throws RangeError where one is longer or shorter.
 */
export function toMedley(
  lickOf: (round: number) => Lick,
  options: Omit<PlayOptions, 'loop'>,
): Performance {
  const looped = { ...options, loop: true }
  const partsAt = keeping((round) => roundParts(lickOf(round), looped))
  const { ticks } = partsAt(0)
  const eventsAt = keeping((round) => {
    const parts = partsAt(round)
    if (parts.ticks !== ticks) {
      throw new RangeError(`round ${round} of ${parts.ticks} ticks: the first has ${ticks}`)
    }
    return roundEvents(parts, round === 0 ? null : partsAt(round - 1))
  })
  return { ...frameOf(lickOf(0), partsAt(0), looped), round: eventsAt, ending: [] }
}

/** The last few values of a function of whole numbers, so that each is made once. */
function keeping<T>(make: (index: number) => T): (index: number) => T {
  const kept = new Map<number, T>()
  return (index) => {
    const known = kept.get(index)
    if (known !== undefined) return known
    const made = make(index)
    kept.set(index, made)
    if (kept.size > KEPT_ROUNDS) kept.delete(Math.min(...kept.keys()))
    return made
  }
}

/** What a round is held against to know how long everything is. */
type FrameParts = Pick<RoundParts, 'ticks' | 'barlineTick' | 'pickup' | 'tail'>

/** How long everything is, and what is counted before. */
export function frameOf(lick: Lick, parts: FrameParts, options: PlayOptions) {
  const { bar, beat } = frameTicks(lick.frame)
  const once = options.countIn === true
  // A pick-up that begins before the round has whole bars to itself, counted in or not.
  const earliest = parts.pickup.reduce((first, { tick }) => Math.min(first, tick), 0)
  const before = Math.max(once ? bar : 0, Math.ceil(-earliest / bar) * bar)
  const last = parts.tail.reduce((latest, { tick }) => Math.max(latest, tick), 0)
  return {
    loop: options.loop,
    countIn: once ? clicksOf(lick.frame, before, 'beats', true) : [],
    countInTicks: before,
    roundTicks: parts.ticks,
    endingTicks: lick.frame.landing.kind === 'groove' ? bar : Math.max(2 * beat, last + beat),
    barTicks: bar,
    dropOut: options.click?.dropOut ?? null,
    barlineTick: parts.barlineTick,
  }
}
