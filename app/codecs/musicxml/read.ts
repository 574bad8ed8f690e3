import {
  type DrumPart,
  findVoice,
  levelOf,
  type PartInstrument,
  type PartNote,
} from '~/core/drum-parts'
import { fail, ok, type Result } from '~/core/foundation'
import { toOwnGrooves } from '~/core/groove'
import { HEAD_SHAPES, type HeadPlace, type HeadShape, type Kit } from '~/core/kit'
import { TEMPO_RANGE, VELOCITIES } from '~/core/line'
import type { Letter, Level } from '~/core/sticking'
import { beatTicks, findMeter, type Meter, TICKS_PER_QUARTER, toMeter } from '~/core/time'
import { findOwnGrooves, parseLickText } from '../lick-text'
import { attribute, child, children, number, parseXml, text, type XmlNode } from '../xml'
import { playedOut } from './repeats'
import { formatMusicXml, OWN_FIELD } from './write'

const MAX_BYTES = 20 * 1024 * 1024
const MAX_NOTES = 100_000
/** The velocity that is 100 % in a note's dynamics: a forte, by the format. */
const FORTE = 90
const BOTTOM_LINE = 4 * 7 + 2
const HEADS: Readonly<Record<string, HeadShape>> = {
  normal: 'round',
  x: 'cross',
  cross: 'cross',
  'circle-x': 'circled-cross',
  diamond: 'diamond',
  triangle: 'triangle',
  'inverted triangle': 'triangle',
  circled: 'circled',
  square: 'square',
  slash: 'slash',
}

/**
 * The drum part of a MusicXML document: of several parts the one with unpitched notes, else the first.
 * Stickings are read where they stand as fingerings or as single letters under a note; ghosts are heads
 * in parentheses, accents as they are marked. Repeats are not played out, and the first metre and tempo
 * hold for all: what is left out is told. Source: MusicXML 4.0, W3C Music Notation Community Group.
 */
export function parseMusicXml(source: string, kit?: Kit): Result<DrumPart, string> {
  if (source.length > MAX_BYTES) return fail('The MusicXML file is larger than 20 MB.')
  const root = parseXml(source)
  if (!root) return fail('The MusicXML file is damaged or cut off: its XML cannot be read.')
  const score = root.find(({ name }) => name === 'score-partwise')
  if (!score) {
    const timewise = root.some(({ name }) => name === 'score-timewise')
    return fail(
      timewise
        ? 'The score is stored measure by measure (timewise): save it part by part.'
        : 'The XML file is no MusicXML score.',
    )
  }
  const parts = children(score, 'part')
  const part = parts.find((one) => has(one, 'unpitched')) ?? parts[0]
  if (!part) return fail('The score has no parts.')
  const leftOut: string[] = []
  if (parts.length > 1) leftOut.push(`Other parts of the score: ${parts.length - 1}.`)
  const reader = new PartReader(instrumentsOf(score, attribute(part, 'id') ?? ''), leftOut)
  const played = playedOut(children(part, 'measure'))
  leftOut.push(...played.leftOut)
  for (const measure of played.measures) reader.measure(measure)
  if (reader.notes.length === 0) return fail('There are no drum notes in the score.')
  if (reader.notes.length > MAX_NOTES) return fail('The score has more than 100,000 notes.')
  const found = reader.part(titleOf(score), kit)
  return ok({ ...found, ...ownLick(score, found.notes) })
}

/** The lick that travels in the file, where writing it gives the same notes with the same stickings. */
function ownLick(score: XmlNode, notes: readonly PartNote[]): { own?: string } {
  const head = child(score, 'identification')
  const fields = head && child(head, 'miscellaneous')
  const field =
    fields &&
    children(fields, 'miscellaneous-field').find((one) => attribute(one, 'name') === OWN_FIELD)
  const own = field?.text
  const read = own === undefined ? undefined : parseLickText(own)
  if (own === undefined || !read?.ok) return {}
  const { lick } = read.value
  const grooves = toOwnGrooves(findOwnGrooves(lick.unknown))
  const again = parseXml(formatMusicXml(lick, { beaming: 'beat', grooves, text: '' }))
  const part = again?.find(({ name }) => name === 'score-partwise')
  const reader = new PartReader(new Map(), [])
  for (const one of part ? children(part, 'part') : [])
    for (const measure of children(one, 'measure')) reader.measure(measure)
  const told = (all: readonly PartNote[]) =>
    all.map(({ tick, level, letter, grace }) => [tick, level, letter, grace].join(' ')).join()
  return told(reader.notes) === told(notes) ? { own } : {}
}

function has(node: XmlNode, name: string): boolean {
  return node.children.some((one) => one.name === name || has(one, name))
}

function titleOf(score: XmlNode): string {
  const work = child(score, 'work')
  return (text(work && child(work, 'work-title')) || text(child(score, 'movement-title'))).slice(
    0,
    200,
  )
}

interface Named {
  readonly name: string
  readonly midi: number | null
}

/** The instruments of a part, by their ids, with the MIDI note of each. */
function instrumentsOf(score: XmlNode, id: string): Map<string, Named> {
  const list = child(score, 'part-list')
  const own = list && children(list, 'score-part').find((one) => attribute(one, 'id') === id)
  const named = new Map<string, Named>()
  if (!own) return named
  const midi = new Map(
    children(own, 'midi-instrument').map((one) => {
      // The format counts MIDI notes from 1.
      const note = number(child(one, 'midi-unpitched'))
      return [attribute(one, 'id') ?? '', note === null ? null : note - 1] as const
    }),
  )
  for (const one of children(own, 'score-instrument')) {
    const key = attribute(one, 'id') ?? ''
    named.set(key, { name: text(child(one, 'instrument-name')), midi: midi.get(key) ?? null })
  }
  return named
}

/** Reads a part measure by measure; time is in our ticks from its beginning. */
class PartReader {
  readonly notes: PartNote[] = []
  private readonly instruments = new Map<string, PartInstrument>()
  private readonly told = new Set<string>()
  private divisions = 1
  /** The fewest divisions of a quarter that are used anywhere. */
  private finest = Number.POSITIVE_INFINITY
  private meter: Meter | undefined
  private tempo: number | undefined
  private begin = 0
  private at = 0
  /** Where the note before began: notes of a chord begin there too. */
  private before = 0

  constructor(
    private readonly named: ReadonlyMap<string, Named>,
    private readonly leftOut: string[],
  ) {}

  measure(measure: XmlNode): void {
    let end = this.begin
    this.at = this.begin
    for (const one of measure.children) {
      switch (one.name) {
        case 'attributes':
          this.attributes(one)
          break
        case 'note':
          this.note(one)
          break
        case 'backup':
          this.at -= this.duration(one)
          break
        case 'forward':
          this.at += this.duration(one)
          break
        case 'direction':
        case 'sound':
          this.sound(one)
          break
      }
      end = Math.max(end, this.at)
    }
    this.begin = end
  }

  part(title: string, kit: Kit | undefined): DrumPart {
    const meter = this.meter ?? toMeter(4, 4)
    const perBeat = beatTicks(meter) / TICKS_PER_QUARTER
    const tempo = Math.round((this.tempo ?? 80 * perBeat) / perBeat)
    return {
      title,
      tempo: Math.max(TEMPO_RANGE.least, Math.min(TEMPO_RANGE.most, tempo)),
      meter,
      notes: this.notes,
      instruments: [...this.instruments.values()].map((one) => ({
        ...one,
        voice: findVoice(one, kit),
      })),
      exact: true,
      resolution: TICKS_PER_QUARTER / this.finest,
      leftOut: this.leftOut,
    }
  }

  private tell(what: string): void {
    if (this.told.has(what)) return
    this.told.add(what)
    this.leftOut.push(what)
  }

  private attributes(node: XmlNode): void {
    const divisions = number(child(node, 'divisions'))
    if (divisions !== null && divisions > 0) {
      this.divisions = divisions
      this.finest = Math.min(this.finest, divisions)
    }
    const time = child(node, 'time')
    if (!time) return
    const beats = text(child(time, 'beats'))
    const groups = beats.split('+').map(Number)
    const count = groups.reduce((sum, one) => sum + one, 0)
    const unit = text(child(time, 'beat-type'))
    const meter = findMeter(groups.length > 1 ? `${count}/${unit} ${beats}` : `${beats}/${unit}`)
    if (!meter) this.tell(`A metre that a lick cannot have: ${beats}/${unit}.`)
    else if (!this.meter) this.meter = meter
    else if (this.meter.count !== meter.count || this.meter.unit !== meter.unit)
      this.tell(
        `Changes of metre: the first one, ${this.meter.count}/${this.meter.unit}, holds for all of it.`,
      )
  }

  private sound(node: XmlNode): void {
    const sound = node.name === 'sound' ? node : child(node, 'sound')
    const tempo = Number(sound && attribute(sound, 'tempo'))
    if (!Number.isFinite(tempo) || tempo <= 0) return
    if (this.tempo === undefined) this.tempo = tempo
    else if (tempo !== this.tempo) this.tell('Changes of tempo: the first one holds for all of it.')
  }

  private duration(node: XmlNode): number {
    const value = number(child(node, 'duration')) ?? 0
    return (Math.max(0, value) * TICKS_PER_QUARTER) / this.divisions
  }

  private note(node: XmlNode): void {
    const grace = child(node, 'grace') !== undefined
    const chord = child(node, 'chord') !== undefined
    const begin = chord ? this.before : this.at
    if (!chord && !grace) {
      this.before = this.at
      this.at += this.duration(node)
    } else if (grace) this.before = this.at
    if (child(node, 'rest') || child(node, 'cue')) return
    if (children(node, 'tie').some((tie) => attribute(tie, 'type') === 'stop')) return
    const notations = children(node, 'notations')
    if (notations.some((one) => has(one, 'tremolo')))
      this.tell('Rolls written as tremolos are single strokes here.')
    this.notes.push({
      tick: begin,
      instrument: this.instrument(node),
      level: levelOfNote(node, notations),
      letter: letterOf(node, notations),
      grace,
    })
  }

  /** What a note is played on: its instrument, or where and how it stands on the staff. */
  private instrument(node: XmlNode): string {
    const at = child(node, 'unpitched') ?? child(node, 'pitch')
    const place = at ? placeOf(at, child(node, 'notehead')) : null
    const tag = child(node, 'instrument')
    const named = tag && this.named.get(attribute(tag, 'id') ?? '')
    const key = named
      ? `${named.name.toLowerCase()} ${named.midi ?? ''}`
      : place
        ? `place ${place.step} ${place.shape}`
        : 'unknown'
    if (!this.instruments.has(key)) {
      const name = named?.name || (place ? placeName(place) : 'An instrument without a name')
      this.instruments.set(key, { key, name, midi: named?.midi ?? null, place, voice: null })
    }
    return key
  }
}

function placeOf(at: XmlNode, notehead: XmlNode | undefined): HeadPlace | null {
  const step = text(child(at, 'display-step') ?? child(at, 'step'))
  const octave = number(child(at, 'display-octave') ?? child(at, 'octave'))
  const index = 'CDEFGAB'.indexOf(step)
  if (step.length !== 1 || index < 0 || octave === null) return null
  const shape = HEADS[text(notehead) || 'normal'] ?? 'round'
  return { step: octave * 7 + index - BOTTOM_LINE, shape }
}

/** `Round head, third space`: where an instrument without a name stands. */
function placeName({ step, shape }: HeadPlace): string {
  const where = step % 2 === 0 ? `line ${step / 2 + 1}` : `space ${(step + 1) / 2}`
  const head = HEAD_SHAPES.includes(shape) ? shape.replace('-', ' ') : 'round'
  return `A ${head} head on ${where} from the bottom`
}

function levelOfNote(node: XmlNode, notations: readonly XmlNode[]): Level {
  const marks = notations.flatMap((one) => children(one, 'articulations'))
  if (marks.some((one) => child(one, 'strong-accent'))) return 'strong'
  if (marks.some((one) => child(one, 'accent'))) return 'accent'
  const head = child(node, 'notehead')
  if (head && attribute(head, 'parentheses') === 'yes') return 'ghost'
  const loudness = Number(attribute(node, 'dynamics') ?? Number.NaN)
  if (!Number.isFinite(loudness)) return 'tap'
  // What is not marked as an accent is none, however loud.
  const level = levelOf((loudness * FORTE) / 100, VELOCITIES)
  return level === 'soft' || level === 'ghost' ? level : 'tap'
}

/** A sticking at a note: a fingering, or a syllable, of one letter. */
function letterOf(node: XmlNode, notations: readonly XmlNode[]): Letter | null {
  const technical = notations.flatMap((one) => children(one, 'technical'))
  const written = [
    ...technical.flatMap((one) => children(one, 'fingering')).map((one) => text(one)),
    ...children(node, 'lyric').map((one) => text(child(one, 'text'))),
  ]
  const found = written.find((one) => /^[RLKHJrlkhj]$/.test(one.trim()))
  return found ? (found.trim().toUpperCase() as Letter) : null
}
