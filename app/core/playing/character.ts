import type { Kit } from '../kit'
import { frameTicks, type Lick, lineEvents, lineTicks, sumOf } from '../line'
import { isAccented, type Limb } from '../sticking'
import { secondsPerTick, type Ticks } from '../time'
import { handPaths, pathLengthOf } from './hand-paths'

/** What a lick is like, in figures that can be compared with other licks. */
export interface Character {
  readonly linear: boolean
  /** Slots that sound, of all slots of the line. */
  readonly soundingSlots: number
  readonly slots: number
  readonly strokes: number
  readonly kicks: number
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
  /** Backbeats (2 and 4, or the beat that a metre has there) in the line, and those on the snare. */
  readonly backbeats: { readonly kept: number; readonly all: number }
}

/** The figures of a line on a kit at a tempo in beats of its metre. Layers do not count. */
export function characterOf(lick: Lick, kit: Kit, tempo: number): Character {
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
    kicks: events.filter(({ limb }) => limb === 'RF').length,
    ...runsOf(lick),
    accentsOnBeat: onBeat,
    accentsOffBeat: accents.length - onBeat,
    strokesPerSecond: seconds > 0 ? events.length / seconds : 0,
    travel: { RH: pathLengthOf(paths.RH), LH: pathLengthOf(paths.LH) },
    backbeats: backbeatsOf(lick),
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
    const length = (before.get(event.limb) ?? 0) + 1
    now.set(event.limb, length)
    if (length > 1) doubles += 1
    if (length > (longestRun?.length ?? 0)) longestRun = { limb: event.limb, length }
  }
  return { doubles, longestRun }
}

/**
 * The backbeats of a bar in beats: every second beat from 2 on; of three beats none is one, and of
 * an odd bar those that have a beat before and after them. Only those under the line are counted.
 */
function backbeatsOf(lick: Lick): Character['backbeats'] {
  const { bar, beat } = frameTicks(lick.frame)
  const events = lineEvents(lick)
  const [start, end] = [lick.frame.start, lick.frame.start + lineTicks(lick.line, lick.frame.grid)]
  const beats = Math.floor(bar / beat)
  const snare = new Set(
    events.flatMap(({ tick, surface }) => (surface === 'sn' || surface === 'rs' ? [tick] : [])),
  )
  let all = 0
  let kept = 0
  for (let tick = Math.ceil(start / beat) * beat; tick < end; tick += beat) {
    const number = Math.floor((tick % bar) / beat)
    if (beats % 2 === 1 || number % 2 === 0) continue
    all += 1
    if (snare.has(tick)) kept += 1
  }
  return { kept, all }
}
