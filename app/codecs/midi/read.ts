import { type MidiData, type MidiEvent, parseMidi as parseBytes } from 'midi-file'
import {
  type DrumPart,
  findVoice,
  levelOf,
  type PartInstrument,
  type PartNote,
} from '~/core/drum-parts'
import { fail, ok, type Result } from '~/core/foundation'
import { toOwnGrooves } from '~/core/groove'
import type { Kit } from '~/core/kit'
import { TEMPO_RANGE, VELOCITIES } from '~/core/line'
import { beatTicks, MAX_METER_COUNT, type Meter, TICKS_PER_QUARTER, toMeter } from '~/core/time'
import { findOwnGrooves, parseLickText } from '../lick-text'
import { formatMidi } from './write'

/** The drum channel, from 0. */
const CHANNEL = 9
const MAX_BYTES = 20 * 1024 * 1024
const MAX_NOTES = 100_000
/** A metronome is no part of the music: its track is called so. */
const CLICK_TRACK = /click|metronome/i
const DEFAULT_MICROSECONDS = 500_000

/** A track's event with its time, in the file's ticks from the beginning. */
interface Timed {
  readonly at: number
  readonly event: MidiEvent
}

/**
 * The drum part of a standard MIDI file: the notes of channel 10, or of the only channel that has any.
 * The first tempo and the first metre hold for all of it. Refuses what is no MIDI file, has no notes, or
 * counts in frames of film. Source: Standard MIDI Files 1.0 (RP-001).
 */
export function parseMidi(bytes: Uint8Array, kit?: Kit): Result<DrumPart, string> {
  if (bytes.length > MAX_BYTES) return fail('The MIDI file is larger than 20 MB.')
  let data: MidiData
  try {
    data = parseBytes(bytes)
  } catch {
    return fail('The MIDI file is damaged or cut off.')
  }
  if (data.tracks.length === 0) return fail('The MIDI file is damaged or cut off.')
  const division = data.header.ticksPerBeat
  if (!division)
    return fail('The MIDI file counts in frames of film, not in beats: save it in ticks a quarter.')
  const tracks = data.tracks.map(timed)
  const leftOut: string[] = []
  const meta = tracks.flat().sort((a, b) => a.at - b.at)
  const meter = meterOf(meta, division, leftOut)
  const tempo = tempoOf(meta, meter, leftOut)
  const struck = notesOf(tracks, leftOut)
  if (struck.length === 0) return fail('There are no notes in the MIDI file.')
  if (struck.length > MAX_NOTES) return fail('The MIDI file has more than 100,000 notes.')
  const scale = TICKS_PER_QUARTER / division
  const notes = struck.map(
    ({ at, note, velocity }): PartNote => ({
      tick: at * scale,
      instrument: keyOf(note),
      level: levelOf(velocity, VELOCITIES),
      letter: null,
      grace: false,
    }),
  )
  const used = [...new Set(struck.map(({ note }) => note))].sort((a, b) => a - b)
  const instruments = used.map((note): PartInstrument => {
    const found = findVoice({ name: '', midi: note, place: null }, kit)
    // Two bass drums are two only beside each other; one alone is the bass drum, whichever note it has.
    const voice = note === 35 && !used.includes(36) ? 'bd' : found
    return { key: keyOf(note), name: `MIDI note ${note}`, midi: note, place: null, voice }
  })
  return ok({
    title: titleOf(tracks),
    tempo,
    meter,
    notes,
    instruments,
    exact: false,
    resolution: scale,
    leftOut,
    ...ownLick(tracks, notes),
  })
}

/** The lick that travels in the file, where writing it gives the same notes at the same times. */
function ownLick(tracks: readonly Timed[][], notes: readonly PartNote[]): { own?: string } {
  const [own] = tracks.flatMap((track) =>
    track.flatMap(({ event }) => (event.type === 'text' ? [decoded(event.text)] : [])),
  )
  const read = own?.startsWith('dime-lick:') ? parseLickText(own) : undefined
  if (own === undefined || !read?.ok) return {}
  const grooves = toOwnGrooves(findOwnGrooves(read.value.lick.unknown))
  for (const swapsGroove of [false, true]) {
    const again = parseBytes(formatMidi(read.value.lick, { grooves, swapsGroove, text: '' }))
    const ticks = notesOf(again.tracks.map(timed), []).map(({ at }) => at)
    if (ticks.join() === notes.map(({ tick }) => Math.round(tick)).join()) return { own }
  }
  return {}
}

function keyOf(note: number): string {
  return `midi ${note}`
}

function timed(track: readonly MidiEvent[]): Timed[] {
  let at = 0
  return track.map((event) => {
    at += Number.isFinite(event.deltaTime) ? event.deltaTime : 0
    return { at, event }
  })
}

function meterOf(all: readonly Timed[], division: number, leftOut: string[]): Meter {
  const found = all.flatMap(({ at, event }) =>
    event.type === 'timeSignature' ? [{ at, event }] : [],
  )
  const usable = found.flatMap(({ at, event: { numerator, denominator } }) => {
    const unit = ([2, 4, 8, 16] as const).find((one) => one === denominator)
    return unit && numerator >= 1 && numerator <= MAX_METER_COUNT
      ? [{ at, meter: toMeter(numerator, unit) }]
      : []
  })
  const [first, ...others] = usable
  if (found.length > usable.length) leftOut.push('A metre that a lick cannot have.')
  const change = others.find(
    ({ meter }) => meter.count !== first?.meter.count || meter.unit !== first.meter.unit,
  )
  if (change)
    leftOut.push(
      `Changes of metre: the first one, ${first?.meter.count}/${first?.meter.unit}, holds for all of it (it changes after ${Math.round(change.at / division)} quarters).`,
    )
  return first?.meter ?? toMeter(4, 4)
}

function tempoOf(all: readonly Timed[], meter: Meter, leftOut: string[]): number {
  const found = all.flatMap(({ event }) =>
    event.type === 'setTempo' ? [event.microsecondsPerBeat] : [],
  )
  const [first = DEFAULT_MICROSECONDS, ...others] = found
  if (others.some((one) => one !== first))
    leftOut.push('Changes of tempo: the first one holds for all of it.')
  const quarter = Math.max(1, first)
  const tempo = shortestTempo(quarter, beatTicks(meter) / TICKS_PER_QUARTER)
  return Math.max(TEMPO_RANGE.least, Math.min(TEMPO_RANGE.most, tempo))
}

/**
 * The tempo with the fewest decimals of which a file has these microseconds a quarter: files count in whole ones.
 * Example: 615385 are 97.5 quarters a minute, and not 97.49994.
 */
function shortestTempo(microseconds: number, quartersABeat: number): number {
  const exact = 60e6 / (microseconds * quartersABeat)
  for (const scale of [1, 10, 100, 1000, 1e4, 1e5]) {
    const tempo = Math.round(exact * scale) / scale
    if (Math.round(60e6 / (tempo * quartersABeat)) === microseconds) return tempo
  }
  return Math.round(exact * 1e6) / 1e6
}

/** The strokes of the drum channel; where it has none, of the channel that has the most. */
function notesOf(
  tracks: readonly Timed[][],
  leftOut: string[],
): { at: number; note: number; velocity: number }[] {
  const named = (track: readonly Timed[]) =>
    track.some(({ event }) => event.type === 'trackName' && CLICK_TRACK.test(event.text))
  const struck = tracks
    .filter((track) => !named(track))
    .flatMap((track) =>
      track.flatMap(({ at, event }) =>
        event.type === 'noteOn' && event.velocity > 0
          ? [{ at, note: event.noteNumber, velocity: event.velocity, channel: event.channel }]
          : [],
      ),
    )
  const counts = new Map<number, number>()
  for (const { channel } of struck) counts.set(channel, (counts.get(channel) ?? 0) + 1)
  const most = [...counts].sort((a, b) => b[1] - a[1])[0]?.[0]
  const channel = counts.has(CHANNEL) ? CHANNEL : most
  const others = struck.filter((one) => one.channel !== channel).length
  if (others > 0) leftOut.push(`Other channels than the drums: ${others} notes.`)
  return struck.filter((one) => one.channel === channel).sort((a, b) => a.at - b.at)
}

/** The name of the file's first track that has one, where it is not that of an instrument. */
function titleOf(tracks: readonly Timed[][]): string {
  const [name = ''] = tracks.flatMap((track) =>
    track.flatMap(({ event }) => (event.type === 'trackName' ? [decoded(event.text)] : [])),
  )
  return name.slice(0, 200)
}

/** The library gives a character a byte: most programs write UTF-8. */
function decoded(text: string): string {
  const bytes = Uint8Array.from(text, (character) => character.charCodeAt(0) & 0xff)
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    return text
  }
}
