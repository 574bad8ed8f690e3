import type { Groove } from '../groove'
import { ANY_KIT, type KitSound } from '../kit'
import { frameTicks, type Lick } from '../line'
import {
  eventsBetween,
  onKit,
  type Performance,
  type SoundEvent,
  type Turn,
  toPerformance,
  toSequence,
} from '../performance'
import { secondsPerTick } from '../time'
import type { SoundChoice } from './choice'
import { mixEvents, type Samples, type TimedEvent } from './mix'
import type { Stereo } from './room'

/** What is heard of the music: all, all but the line, whose place is left free, or the click alone. */
export type LoopParts = 'all' | 'without-line' | 'click'

/** A lick for some rounds at a tempo, counted in. */
export interface LoopStretch {
  readonly lick: Lick
  /** In beats of the metre a minute. */
  readonly tempo: number
  /** How often it goes round, from 1. */
  readonly rounds: number
}

/** How stretches are played. */
export interface LoopOptions {
  /** Whether the click goes along; the count-in is heard in any case. */
  readonly click: boolean
  readonly parts: LoopParts
  readonly grooves?: readonly Groove[]
  readonly swapsGroove?: boolean
  /** How the kit sounds. */
  readonly sounds?: KitSound
  /** How it is heard. */
  readonly choice?: SoundChoice
}

/** How long the last stroke may ring, after the last round or where a line goes on behind that, in seconds. */
const RING_SECONDS = 2

/**
 * Stretches to practise along with, one after the other, each counted in and played round after round, as
 * samples from -1 to 1 for both ears. Every stroke lies at the sample nearest to the core's own time.
 * `samples` are those of the kit and the click at the rate.
 * Example: two rounds of a bar of groove and a bar of fill at 60 are 20 s with the count-in, and 2 s more.
 */
export function renderLoops(
  stretches: readonly LoopStretch[],
  options: LoopOptions,
  rate: number,
  samples: Samples,
  onProgress?: (done: number, all: number) => void,
): Stereo {
  let seconds = 0
  const events = stretches.flatMap((stretch, i) => {
    const own = loopEvents(stretch, options)
    const last = i === stretches.length - 1
    const begun = seconds
    seconds += own.seconds
    // Where one stretch lands the next is counted in: there is one click, not two.
    const heard = own.events.filter(
      ({ event, seconds: at }) => last || event.kind !== 'click' || at < own.seconds,
    )
    return heard.map((event) => ({ ...event, seconds: begun + event.seconds }))
  })
  return mixEvents(events, {
    rate,
    seconds: lastOf(events, seconds) + RING_SECONDS,
    samples,
    ...heardBy(options),
    ...(onProgress && { onProgress }),
  })
}

/**
 * Sections one after the other as samples, counted in once; each tick is `perTick` seconds long from beginning
 * to end. Every stroke lies at the sample nearest to the core's own time.
 */
export function renderSequence(
  { turns, perTick }: SequenceSound,
  options: LoopOptions,
  rate: number,
  samples: Samples,
  onProgress?: (done: number, all: number) => void,
): Stereo {
  const { grooves = [], swapsGroove = false, sounds = ANY_KIT } = options
  const performance = onKit(
    toSequence(turns, { loop: false, countIn: true, grooves, swapsGroove }),
    sounds,
  )
  const end = performance.countInTicks + performance.roundTicks + performance.endingTicks
  const heard = timed(eventsBetween(performance, 0, end), options, perTick)
  const seconds = end * perTick + RING_SECONDS
  const mixing = { rate, seconds, samples, ...heardBy(options) }
  return mixEvents(heard, { ...mixing, ...(onProgress && { onProgress }) })
}

/** Where the kit stands, and how it is heard. */
const heardBy = ({ sounds = ANY_KIT, choice }: LoopOptions) => ({
  pans: sounds.pans,
  ...(choice && { choice }),
})

/** How long licks in a row last, in seconds, with the count-in and what rings at the end. */
export function sequenceSeconds({ turns, perTick }: SequenceSound): number {
  const performance = toSequence(turns, { loop: false, countIn: true })
  const { countInTicks, roundTicks, endingTicks } = performance
  return (countInTicks + roundTicks + endingTicks) * perTick + RING_SECONDS
}

/** Sections to be heard, and how long a tick is, in seconds. */
export interface SequenceSound {
  readonly turns: readonly Turn[]
  readonly perTick: number
}

/** How long stretches last, in seconds, with what rings at the end. */
export function loopSeconds(stretches: readonly LoopStretch[]): number {
  let [end, last] = [0, 0]
  for (const stretch of stretches) {
    const { events, seconds } = loopEvents(stretch, { click: true, parts: 'all' })
    last = end + lastOf(events, seconds)
    end += seconds
  }
  return last + RING_SECONDS
}

/** When the last of some events begins, in seconds, and no earlier than an end. */
function lastOf(events: readonly TimedEvent[], end: number): number {
  return events.reduce((latest, { seconds }) => Math.max(latest, seconds), end)
}

/**
 * What is heard when, in seconds from the first click of the count-in, and how long all rounds take. After the
 * last round only what that leaves behind is heard, its landing before all, and the first beat of the groove
 * where it lands on that: nothing of a round that does not come.
 *
 * @example with `landing: stop` the crash of the last round is choked an eighth later, as in all others
 */
export function loopEvents({ lick, tempo, rounds }: LoopStretch, options: LoopOptions) {
  const { grooves = [], swapsGroove = false, sounds = ANY_KIT } = options
  const played = (loop: boolean) =>
    onKit(toPerformance(lick, { loop, countIn: true, grooves, swapsGroove }), sounds)
  const performance = played(true)
  const perTick = secondsPerTick(tempo, frameTicks(lick.frame).beat)
  const end = performance.countInTicks + rounds * performance.roundTicks
  const left = leftBehind(performance, played(false).ending, rounds)
  const events = timed([...eventsBetween(performance, 0, end), ...left], options, perTick)
  return { events, seconds: end * perTick, perTick }
}

/** What sounds from the end of the last round on, of what an ending has, at play ticks. */
function leftBehind(
  performance: Performance,
  ending: readonly SoundEvent[],
  rounds: number,
): SoundEvent[] {
  const end = performance.countInTicks + rounds * performance.roundTicks
  const keyOf = (event: SoundEvent) =>
    event.kind === 'stroke' ? `${event.tick} ${event.limb} ${event.surface}` : ''
  // In the round that would follow it is told how long ago the stroke before was, which graces need.
  const known = new Map(performance.round(rounds).map((event) => [keyOf(event), event]))
  const clicks = eventsBetween(performance, end, end + 1).filter(({ kind }) => kind === 'click')
  const struck = ending.flatMap((event): SoundEvent[] => {
    if (event.kind !== 'stroke') return [{ ...event, tick: end + event.tick }]
    if (event.part === 'groove' && event.tick > 0) return []
    const same = known.get(keyOf(event))
    const since = same?.kind === 'stroke' ? same.since : event.since
    return [{ ...event, since, tick: end + event.tick }]
  })
  return [...clicks, ...struck]
}

/** Those of some events that are to be heard, at their seconds. */
function timed(
  events: readonly SoundEvent[],
  { click, parts }: LoopOptions,
  perTick: number,
): TimedEvent[] {
  return events.flatMap((event): TimedEvent[] => {
    const heard =
      event.kind === 'click'
        ? click || parts === 'click' || event.countIn
        : parts === 'all' ||
          (parts === 'without-line' && !(event.kind === 'stroke' && event.part === 'line'))
    return heard ? [{ event, seconds: event.tick * perTick, secondsPerTick: perTick }] : []
  })
}
