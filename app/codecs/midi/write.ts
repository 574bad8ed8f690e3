import type { Groove } from '~/core/groove'
import { type Kit, noteOf } from '~/core/kit'
import { aimOf, eventVelocity, frameTicks, isNoGroove, type Lick, strokeEvents } from '~/core/line'
import {
  type Performance,
  type SoundClick,
  type SoundEvent,
  soundsAt,
  strikesOf,
  toPerformance,
} from '~/core/performance'
import { beatTicks, type Meter, secondsPerTick, TICKS_PER_QUARTER, type Ticks } from '~/core/time'
import { formatLickText } from '../lick-text'
import { be, meta, type TrackEvent, textMeta, toMidiFile } from './bytes'

export interface MidiOptions {
  /** Only the strokes of line and layers, without groove, landing, click and graces. */
  readonly bare?: boolean
  /** Whose notes are written; without one, the usual note of each surface. */
  readonly kit?: Kit
  /** The player's own grooves, and whether the groove's hands change places. */
  readonly grooves?: readonly Groove[]
  readonly swapsGroove?: boolean
  /** The lick as text, to travel along; its canonical text where nothing is said. */
  readonly text?: string
}

/** A note of the kit: what is struck when, and how loud (1 to 127). Ticks from the fill's barline. */
interface Note {
  readonly tick: Ticks
  readonly note: number
  readonly velocity: number
}

/** The drum channel, the tenth. */
const CHANNEL = 9
/** A drum has no length: what is written is a thirty-second, or less where the same drum comes again. */
const LENGTH: Ticks = TICKS_PER_QUARTER / 8
const CLICK_NOTES = { bar: 76, group: 76, beat: 77, between: 77 } as const
const CLICK_VELOCITIES = { bar: 112, group: 96, beat: 84, between: 52 } as const
const [TEXT, TRACK_NAME, MARKER, TEMPO, METER] = [0x01, 0x03, 0x06, 0x51, 0x58]
const [NOTE_OFF, NOTE_ON, PRESSURE] = [0x80, 0x90, 0xa0]

/**
 * A lick as a standard MIDI file of type 1: tempo and metre, the kit on channel 10, and the click. 10080
 * ticks a quarter, so every stroke lies at its own tick, swung where the lick swings; a grace lies by its
 * lead in milliseconds before it. Tick 0 is the first of the lead-in, or of whole bars before that where
 * something sounds earlier. A choke is key pressure on the cymbal's note, as cymbals with a choke send it.
 * Source: Standard MIDI Files 1.0 (RP-001).
 */
export function formatMidi(lick: Lick, options: MidiOptions = {}): Uint8Array<ArrayBuffer> {
  const found = options.bare ? bareNotes(lick, options) : heard(lick, options)
  const { notes } = found
  const { bar } = frameTicks(lick.frame)
  const lead = -lick.frame.lead * bar
  const earliest = notes.reduce((first, { tick }) => Math.min(first, tick), lead)
  const zero = Math.floor(earliest / bar) * bar
  const at = (tick: Ticks) => tick - zero
  const [kit, click] = soundTracks(found, at)
  const tracks = [frameTrack(lick, at, options), kit, ...(options.bare ? [] : [click])]
  return toMidiFile(tracks, TICKS_PER_QUARTER)
}

/** The track of the kit, and that of the click. */
export function soundTracks(
  { notes, chokes, clicks }: Heard,
  at: (tick: Ticks) => Ticks,
): [kit: TrackEvent[], click: TrackEvent[]] {
  const click = clicks.map(({ tick, weight }) => ({
    tick,
    note: CLICK_NOTES[weight],
    velocity: CLICK_VELOCITIES[weight],
  }))
  return [
    [
      named('Kit'),
      ...noteEvents(notes, at),
      ...chokes.flatMap(({ tick, note }) => [
        { tick: at(tick), order: 1, bytes: [PRESSURE + CHANNEL, note, 127] },
        { tick: at(tick), order: 1, bytes: [PRESSURE + CHANNEL, note, 0] },
      ]),
    ],
    [named('Click'), ...noteEvents(click, at)],
  ]
}

/** Title, tempo, metre, and where groove, fill and landing begin. */
function frameTrack(
  lick: Lick,
  at: (tick: Ticks) => Ticks,
  { bare = false, text = formatLickText(lick) }: MidiOptions,
): TrackEvent[] {
  const { frame, title } = lick
  const { beat, bar } = frameTicks(frame)
  const { target, start } = aimOf(lick)
  const markers: [Ticks, string][] = [[start, 'fill']]
  if (frame.lead > 0) markers.unshift([-frame.lead * bar, 'groove'])
  if (frame.landing.kind !== 'none') markers.push([target, 'landing'])
  return [
    named(title || 'Untitled'),
    ...(bare ? [] : [{ tick: 0, order: 0, bytes: textMeta(TEXT, text) }]),
    tempoEvent(secondsPerTick(frame.tempo, beat)),
    meterEvent(frame.meter, 0),
    ...markers.map(([tick, name]) => markerEvent(name, at(tick))),
  ]
}

/** The tempo from the beginning on; `tick` is how long one is, in seconds. */
export function tempoEvent(tick: number): TrackEvent {
  const microseconds = Math.round(tick * TICKS_PER_QUARTER * 1e6)
  return { tick: 0, order: 0, bytes: meta(TEMPO, be(microseconds, 3)) }
}

/** A metre from a tick on. */
export function meterEvent(meter: Meter, tick: Ticks): TrackEvent {
  // In MIDI clocks: 24 to a quarter. The metronome sounds on the beat of the metre.
  const clocks = Math.round((beatTicks(meter) / TICKS_PER_QUARTER) * 24)
  return { tick, order: 0, bytes: meta(METER, [meter.count, Math.log2(meter.unit), clocks, 8]) }
}

export function markerEvent(name: string, tick: Ticks): TrackEvent {
  return { tick, order: 1, bytes: textMeta(MARKER, name) }
}

/** What a track, or the whole file, is called. */
export function named(name: string): TrackEvent {
  return { tick: 0, order: 0, bytes: textMeta(TRACK_NAME, name) }
}

/** Notes on and off; a note ends before the same one begins again. */
function noteEvents(notes: readonly Note[], at: (tick: Ticks) => Ticks): TrackEvent[] {
  // From the last on, the tick at which each note begins next, and the one after those at the same tick.
  const next = new Map<number, { readonly tick: Ticks; readonly after: Ticks }>()
  const backwards = [...notes].sort((a, b) => b.tick - a.tick)
  return backwards.flatMap(({ tick, note, velocity }) => {
    const known = next.get(note) ?? { tick: Infinity, after: Infinity }
    const after = known.tick === tick ? known.after : known.tick
    next.set(note, { tick, after })
    return [
      { tick: at(tick), order: 3, bytes: [NOTE_ON + CHANNEL, note, velocity] },
      { tick: at(Math.min(tick + LENGTH, after)), order: 2, bytes: [NOTE_OFF + CHANNEL, note, 64] },
    ]
  })
}

export interface Heard {
  readonly notes: readonly Note[]
  readonly chokes: readonly Omit<Note, 'velocity'>[]
  readonly clicks: readonly SoundClick[]
}

/** Everything that sounds from the lead-in until the landing has rung. */
function heard(lick: Lick, { kit, grooves = [], swapsGroove = false }: MidiOptions): Heard {
  const performance = toPerformance(lick, { loop: false, countIn: false, grooves, swapsGroove })
  return heardIn(performance, secondsPerTick(lick.frame.tempo, frameTicks(lick.frame).beat), kit)
}

/** What sounds once in a performance, in ticks from its barline; `tick` is how long one is, in seconds. */
export function heardIn(performance: Performance, tick: number, kit: Kit | undefined): Heard {
  const { barlineTick, roundTicks } = performance
  const shift = (by: Ticks) => (event: SoundEvent) => ({ ...event, tick: event.tick + by })
  const events = [
    ...performance.round(0).map(shift(-barlineTick)),
    ...performance.ending.map(shift(roundTicks - barlineTick)),
  ]
  const strokes = events.filter((event) => event.kind === 'stroke')
  const notes = strokes.flatMap((stroke) =>
    strikesOf(stroke, tick).map(({ surface, velocity, leadMs }) => ({
      tick: stroke.tick - Math.round(leadMs / 1000 / tick),
      note: noteOf(surface, kit),
      velocity,
    })),
  )
  return {
    notes,
    chokes: events.flatMap((event) =>
      event.kind === 'choke' ? [{ tick: event.tick, note: noteOf(event.surface, kit) }] : [],
    ),
    clicks: events.filter((event) => event.kind === 'click'),
  }
}

/** The strokes of line and layers alone. */
function bareNotes(lick: Lick, { kit }: MidiOptions): Heard {
  const strokes = strokeEvents(lick).filter(isNoGroove(lick))
  const notes = strokes.map((stroke) => ({
    tick: soundsAt(lick, stroke.tick, stroke.grid),
    note: noteOf(stroke.surface, kit),
    velocity: eventVelocity(lick, stroke),
  }))
  return { notes, chokes: [], clicks: [] }
}
