import { type Groove, grooveEvents } from '../groove'
import type { Kit } from '../kit'
import {
  DEFAULT_FRAME,
  frameTicks,
  type Lick,
  lineEvents,
  lineTicks,
  NO_GROOVE,
  sumOf,
} from '../line'
import { isAccented, type Level, type Limb } from '../sticking'
import { secondsPerTick, type Ticks } from '../time'
import { handPaths, pathLengthOf } from './hand-paths'

/** What a lick is like, in figures that can be compared with other licks. */
export interface Character {
  readonly linear: boolean
  /** Slots that sound, of all slots of the line. */
  readonly soundingSlots: number
  readonly slots: number
  readonly strokes: number
  /** Strokes on a bass drum, by either foot. */
  readonly kicks: number
  /** Strokes whose hand is not decided: doubles and runs are told of the others alone. */
  readonly undecided: number
  /** Neighbouring onsets with the same limb, each pair once. */
  readonly doubles: number
  /** The longest run of one limb on neighbouring onsets; null where nothing sounds. */
  readonly longestRun: { readonly limb: Limb; readonly length: number } | null
  readonly accentsOnBeat: number
  readonly accentsOffBeat: number
  /** Strokes a second on average over the line at a tempo. */
  readonly strokesPerSecond: number
  /** Centimetres that each hand travels. */
  readonly travel: { readonly RH: number; readonly LH: number }
  /** Backbeats of the groove under the line, and those that the line keeps on the snare. */
  readonly backbeats: { readonly kept: number; readonly all: number }
}

/** The figures of a line on a kit at a tempo in beats of its metre. Layers do not count. */
export function characterOf(
  lick: Lick,
  kit: Kit,
  tempo: number,
  grooves: readonly Groove[] = [],
): Character {
  const events = lineEvents(lick)
  const { beat } = frameTicks(lick.frame)
  const accents = events.filter(({ dynamic }) => isAccented({ level: dynamic }))
  const onBeat = accents.filter(({ tick }) => tick % beat === 0).length
  const seconds = lineTicks(lick.line, lick.frame.grid) * secondsPerTick(tempo, beat)
  const paths = handPaths(lick, kit)
  return {
    linear: sumOf(lick).linear,
    soundingSlots: new Set(events.map(({ slot }) => slot)).size,
    slots: lick.line.slots.length,
    strokes: events.length,
    kicks: events.filter(({ surface }) => surface === 'bd' || surface === 'b2').length,
    undecided: events.filter(({ limb }) => limb === 'XH').length,
    ...runsOf(lick),
    accentsOnBeat: onBeat,
    accentsOffBeat: accents.length - onBeat,
    strokesPerSecond: seconds > 0 ? events.length / seconds : 0,
    travel: { RH: pathLengthOf('RH', paths.RH), LH: pathLengthOf('LH', paths.LH) },
    backbeats: backbeatsOf(lick, grooves),
  }
}

function runsOf(lick: Lick): Pick<Character, 'doubles' | 'longestRun'> {
  let doubles = 0
  let longestRun: Character['longestRun'] = null
  let before = new Map<Limb, number>()
  let now = new Map<Limb, number>()
  let tick: Ticks = Number.NaN
  for (const event of lineEvents(lick)) {
    if (event.tick !== tick) {
      tick = event.tick
      before = now
      now = new Map()
    }
    // Two undecided strokes in a row may be by either hand, or by both.
    if (event.limb === 'XH') continue
    const length = (before.get(event.limb) ?? 0) + 1
    now.set(event.limb, length)
    if (length > 1) doubles += 1
    if (length > (longestRun?.length ?? 0)) longestRun = { limb: event.limb, length }
  }
  return { doubles, longestRun }
}

/** Surfaces on which a backbeat is heard as one. */
const BACKBEAT_SURFACES: ReadonlySet<string> = new Set(['sn', 'rs', 'xs'])

/**
 * The backbeats under the line, where its groove has them: strokes on the snare, no ghosts, on a beat
 * that is not the first (on 3 in half time); without a groove, where eighths have them. Kept are those
 * on which the line strikes the snare, ghosts not counted.
 */
function backbeatsOf(lick: Lick, own: readonly Groove[]): Character['backbeats'] {
  const { frame } = lick
  const { bar, beat } = frameTicks(frame)
  const isOne = ({ surface, dynamic }: { readonly surface: string; readonly dynamic: Level }) =>
    BACKBEAT_SURFACES.has(surface) && dynamic !== 'ghost'
  const groove = frame.groove === NO_GROOVE ? DEFAULT_FRAME.groove : frame.groove
  const inBar = grooveEvents(groove, frame.meter, own)
    .filter((event) => event.tick > 0 && event.tick % beat === 0 && isOne(event))
    .map(({ tick }) => tick)
  const [start, end] = [frame.start, frame.start + lineTicks(lick.line, frame.grid)]
  const struck = new Set(lineEvents(lick).flatMap((event) => (isOne(event) ? [event.tick] : [])))
  let all = 0
  let kept = 0
  for (let barline = 0; barline < end; barline += bar) {
    for (const tick of inBar) {
      const at = barline + tick
      if (at < start || at >= end) continue
      all += 1
      if (struck.has(at)) kept += 1
    }
  }
  return { kept, all }
}
