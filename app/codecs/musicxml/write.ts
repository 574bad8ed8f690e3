import { mapStrokes, withoutGraces } from '~/core/changes'
import { type ScoreBar, type StaffView, toScore } from '~/core/engraving'
import { isEqual } from '~/core/foundation'
import { type Kit, MIDI_NOTES, STAFF_KEY, type StaffKey, staffKeyOf } from '~/core/kit'
import { type Lick, type Line, NO_GROOVE } from '~/core/line'
import { SURFACE_NAMES, type Voice } from '~/core/sticking'
import { beatTicks, isCompound, TICKS_PER_QUARTER, toMeter } from '~/core/time'
import { formatLickText } from '../lick-text'
import { type Content, element, type Xml } from '../xml'
import { noteElements, voicesIn } from './notes'

export interface MusicXmlOptions extends Pick<StaffView, 'beaming' | 'grooves'> {
  /** Where its pieces stand on the staff, and their MIDI notes. */
  readonly kit?: Kit
  /** Whether bars of groove that are alike are written once, with repeat signs; else each by itself. */
  readonly repeats?: boolean
  /** The lick as text, to travel along; its canonical text where nothing is said. */
  readonly text?: string
  /** Only the strokes of line and layers, without groove, landing and graces, and without the lick itself. */
  readonly bare?: boolean
}

const HEAD = `<?xml version="1.0" encoding="UTF-8"?>
<!DOCTYPE score-partwise PUBLIC "-//Recordare//DTD MusicXML 4.0 Partwise//EN" "http://www.musicxml.org/dtds/partwise.dtd">
`
const PART = 'P1'
/** In which the lick itself travels. */
export const OWN_FIELD = 'dime-lick'

/**
 * A lick as MusicXML 4.0: whole bars from the first of groove to the one that it lands in, on a percussion
 * staff, every stroke an unpitched note at its exact time (10080 divisions a quarter), with noteheads,
 * instruments and their MIDI notes, beams as they are shown, tuplets, graces, accents, parentheses round
 * ghosts, and the sticking as fingerings. Swing, swells, the level between tap and soft, and the voicing
 * rules are not in it; loudness is in the notes' `dynamics`, in percent of a velocity of 90.
 * Source: MusicXML 4.0, W3C Music Notation Community Group.
 */
export function formatMusicXml(lick: Lick, options: MusicXmlOptions = { beaming: 'beat' }): string {
  const { kit, beaming, grooves = [], bare = false } = options
  const key = kit ? staffKeyOf(kit) : STAFF_KEY
  const bars = toScore(bare ? bareLick(lick) : lick, { beaming, groove: 'notes', grooves, key })
  const written = options.repeats ? onceEach(bars) : bars.map((bar) => ({ bar, times: 1 }))
  return scoreText({
    title: lick.title,
    own: bare ? null : [OWN_FIELD, options.text ?? formatLickText(lick)],
    bars,
    kit,
    measures: written.map(({ bar, times }, i) =>
      measure(bar, i, {
        key,
        signature: i === 0 ? lick : null,
        tempo: i === 0 ? lick : null,
        words: bar.from === 0 ? 'fill' : null,
        last: i === written.length - 1,
        times,
      }),
    ),
  })
}

/** A lick with what `events` lists of it alone; what it aims at stays where it was. */
function bareLick(lick: Lick): Lick {
  const plain = <L extends Line>(line: L): L => ({
    ...line,
    slots: mapStrokes(line.slots, withoutGraces),
  })
  const { landing } = lick.frame
  return {
    ...lick,
    line: plain(lick.line),
    pickup: plain(lick.pickup),
    ostinatos: lick.ostinatos.map((layer) => ({ ...layer, line: plain(layer.line) })),
    frame: {
      ...lick.frame,
      groove: NO_GROOVE,
      landing: landing.kind === 'last' ? landing : { kind: 'none', at: landing.at },
    },
  }
}

/** Bars as they are written: those of groove that are alike stand once, with how often they are played. */
function onceEach(bars: readonly ScoreBar[]): { bar: ScoreBar; times: number }[] {
  const written: { bar: ScoreBar; times: number }[] = []
  for (const bar of bars) {
    const last = written.at(-1)
    if (last && bar.to <= 0 && alike(last.bar, bar)) last.times += 1
    else written.push({ bar, times: 1 })
  }
  return written
}

/** Whether two bars have the same notes at the same places. */
function alike(a: ScoreBar, b: ScoreBar): boolean {
  const told = ({ from, to: _, ...voices }: ScoreBar) =>
    JSON.stringify(voices, (key, value) =>
      key === 'tick' ? value - from : key === 'id' || key === 'slot' ? undefined : value,
    )
  return told(a) === told(b)
}

interface ScoreText {
  readonly title: string
  /** What travels along, in a field of its own. */
  readonly own: readonly [field: string, text: string] | null
  readonly bars: readonly ScoreBar[]
  readonly kit: Kit | undefined
  readonly measures: readonly Xml[]
}

/** A whole file of one part. */
export function scoreText({ title, own, bars, kit, measures }: ScoreText): string {
  const voices = voicesIn(bars)
  const score = element(
    'score-partwise',
    { version: '4.0' },
    element('work', {}, element('work-title', {}, title || 'Untitled')),
    element(
      'identification',
      {},
      element('encoding', {}, element('software', {}, 'Dime Stack')),
      own !== null &&
        element('miscellaneous', {}, element('miscellaneous-field', { name: own[0] }, own[1])),
    ),
    element(
      'part-list',
      {},
      element(
        'score-part',
        { id: PART },
        element('part-name', {}, 'Drums'),
        voices.map((voice) =>
          element('score-instrument', { id: instrumentId(voice) }, [
            element('instrument-name', {}, voiceName(voice)),
          ]),
        ),
        voices.map((voice) =>
          element(
            'midi-instrument',
            { id: instrumentId(voice) },
            element('midi-channel', {}, 10),
            // The format counts MIDI notes from 1.
            element('midi-unpitched', {}, midiNote(voice, kit) + 1),
          ),
        ),
      ),
    ),
    element('part', { id: PART }, measures),
  )
  return `${HEAD}${score.xml}\n`
}

/** What stands in a measure beside its notes. */
interface MeasureMarks {
  readonly key: StaffKey
  /** Whose metre and whose tempo are told here; null for neither. */
  readonly signature: Lick | null
  readonly tempo: Lick | null
  readonly words: string | null
  readonly last: boolean
  /** How often it is played, where that is more than once. */
  readonly times?: number
  /** Voices that come from what stands before or after it: a landing, a pick-up. */
  readonly more?: readonly ScoreBar['line'][]
}

/** A bar as a measure, numbered from 0. */
export function measure(bar: ScoreBar, index: number, marks: MeasureMarks): Xml {
  const { key, signature, tempo, words, last, times = 1, more = [] } = marks
  const length = bar.to - bar.from
  const back = element('backup', {}, element('duration', {}, length))
  return element(
    'measure',
    { number: index + 1 },
    signature !== null && attributes(signature),
    times > 1 &&
      element('barline', { location: 'left' }, element('repeat', { direction: 'forward' })),
    tempo !== null && tempoMark(tempo),
    words !== null && rehearsal(words),
    noteElements(bar.line, { voice: 1, stem: 'up', key, instrument: instrumentId }),
    [bar.over, ...bar.layers, ...more].map(
      (voice, i) =>
        voice.atoms.length > 0 && [
          back,
          noteElements(voice, {
            voice: i + 2,
            stem: i === 0 ? 'up' : 'down',
            key,
            instrument: instrumentId,
          }),
        ],
    ),
    times > 1 &&
      element(
        'barline',
        { location: 'right' },
        element('repeat', { direction: 'backward', times }),
      ),
    last && element('barline', { location: 'right' }, element('bar-style', {}, 'light-heavy')),
  )
}

function attributes({ frame }: Lick): Xml {
  const { meter } = frame
  const usual = toMeter(meter.count, meter.unit)
  const beats = isEqual(usual.groups, meter.groups) ? String(meter.count) : meter.groups.join('+')
  return element(
    'attributes',
    {},
    element('divisions', {}, TICKS_PER_QUARTER),
    element('key', {}, element('fifths', {}, 0)),
    element('time', {}, element('beats', {}, beats), element('beat-type', {}, meter.unit)),
    element('clef', {}, element('sign', {}, 'percussion'), element('line', {}, 2)),
    element('staff-details', {}, element('staff-lines', {}, 5)),
  )
}

const UNITS: Readonly<Record<number, string>> = { 2: 'half', 4: 'quarter', 8: 'eighth', 16: '16th' }

function tempoMark({ frame }: Lick): Xml {
  const { meter, tempo } = frame
  const compound = isCompound(meter)
  // A beat of three eighths is a dotted quarter.
  const unit = UNITS[compound ? meter.unit / 2 : meter.unit] ?? 'quarter'
  const quarters = (tempo * beatTicks(meter)) / TICKS_PER_QUARTER
  return element(
    'direction',
    { placement: 'above' },
    element(
      'direction-type',
      {},
      element(
        'metronome',
        {},
        element('beat-unit', {}, unit),
        compound && element('beat-unit-dot'),
        element('per-minute', {}, tempo),
      ),
    ),
    element('sound', { tempo: Math.round(quarters * 1000) / 1000 }),
  )
}

function rehearsal(name: string): Content {
  return element(
    'direction',
    { placement: 'above' },
    element('direction-type', {}, element('words', {}, name)),
  )
}

function instrumentId(voice: Voice): string {
  return `${PART}-${voice === '??' ? 'undecided' : voice}`
}

function voiceName(voice: Voice): string {
  return voice === '??' ? 'not decided' : SURFACE_NAMES[voice]
}

function midiNote(voice: Voice, kit: Kit | undefined): number {
  if (voice === '??') return MIDI_NOTES.sn
  return kit?.pieces.find(({ surface }) => surface === voice)?.midi ?? MIDI_NOTES[voice]
}
