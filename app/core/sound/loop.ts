import type { Groove } from '../groove'
import { frameTicks, type Lick } from '../line'
import { eventsBetween, onKit, toPerformance } from '../performance'
import type { Surface } from '../sticking'
import { secondsPerTick } from '../time'
import type { SoundName } from './kit-sounds'
import { mixEvents, type TimedEvent } from './mix'

/** A lick to practise along with. */
export interface LoopOptions {
  /** In beats of the metre a minute. */
  readonly tempo: number
  /** How often it goes round, from 1. */
  readonly rounds: number
  /** Whether the click goes along; the count-in is heard in any case. */
  readonly click: boolean
  /** What is heard of the music: all of it, or all but the line, whose place is left free. */
  readonly parts: 'all' | 'without-line'
  readonly grooves?: readonly Groove[]
  readonly swapsGroove?: boolean
  /** Surfaces that sound like another one on this kit. */
  readonly sounds?: Readonly<Partial<Record<Surface, Surface>>>
}

/** How long the last stroke may ring after the last round, in seconds. */
const RING_SECONDS = 2

/**
 * A lick counted in and played round after round, as samples from -1 to 1 in one channel. Every stroke
 * lies at the sample nearest to the core's own time. `sound` gives a sound of the kit at the rate.
 * Example: two rounds of a bar of groove and a bar of fill at 60 are 20 s with the count-in, and 2 s more.
 */
export function renderLoop(
  lick: Lick,
  options: LoopOptions,
  rate: number,
  sound: (name: SoundName) => Float32Array,
): Float32Array<ArrayBuffer> {
  const { events, seconds, perTick } = loopEvents(lick, options)
  return mixEvents(events, {
    rate,
    seconds: seconds + RING_SECONDS,
    secondsPerTick: perTick,
    sound,
  })
}

/** What is heard when, in seconds from the first click of the count-in, and how long all rounds take. */
export function loopEvents(lick: Lick, options: LoopOptions) {
  const { tempo, rounds, click, parts, grooves = [], swapsGroove = false, sounds = {} } = options
  const performance = onKit(
    toPerformance(lick, { loop: true, countIn: true, grooves, swapsGroove }),
    sounds,
  )
  const perTick = secondsPerTick(tempo, frameTicks(lick.frame).beat)
  const end = performance.countInTicks + rounds * performance.roundTicks
  // The landing of the last round is heard too: it lies at its end.
  const events = eventsBetween(performance, 0, end + 1).flatMap((event): TimedEvent[] => {
    const unheard = event.kind === 'click' && !click && !event.countIn
    const free = parts === 'without-line' && event.kind === 'stroke' && event.part === 'line'
    return unheard || free ? [] : [{ event, seconds: event.tick * perTick }]
  })
  return { events, seconds: end * perTick, perTick }
}
