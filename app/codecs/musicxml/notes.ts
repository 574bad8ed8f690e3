import type { Atom, ScoreBar, ScoreVoice } from '~/core/engraving'
import type { HeadPlace, HeadShape, StaffKey } from '~/core/kit'
import { GRACE_VELOCITY, VELOCITIES } from '~/core/line'
import { graceLimb, graceSurface, type Stroke, strokeSurface, type Voice } from '~/core/sticking'
import { element, type Xml } from '../xml'

const TYPES: Readonly<Record<number, string>> = {
  1: 'whole',
  2: 'half',
  4: 'quarter',
  8: 'eighth',
  16: '16th',
  32: '32nd',
  64: '64th',
  128: '128th',
}
const HEADS: Readonly<Record<HeadShape, string>> = {
  round: 'normal',
  cross: 'x',
  'circled-cross': 'circle-x',
  diamond: 'diamond',
  triangle: 'triangle',
  circled: 'circled',
  square: 'square',
  slash: 'slash',
}
const LETTERS = 'CDEFGAB'
/** The bottom line of the staff: E in the fourth octave, in steps from C in octave 0. */
const BOTTOM_LINE = 4 * 7 + 2
/** The velocity that is 100 % in a note's dynamics: a forte, by the format. */
const FORTE = 90

/** How the notes of a voice are written. */
interface Writing {
  readonly voice: number
  readonly stem: 'up' | 'down'
  readonly key: StaffKey
  readonly instrument: (voice: Voice) => string
}

/** Every voice that the bars strike, graces too, in a fixed order. */
export function voicesIn(bars: readonly ScoreBar[]): Voice[] {
  const struck = new Set<Voice>()
  for (const { line, layers, over } of bars)
    for (const { strokes } of [line, over, ...layers].flatMap(({ atoms }) => atoms))
      for (const stroke of strokes) {
        struck.add(strokeSurface(stroke))
        if (stroke.graces > 0) struck.add(graceSurface(stroke))
      }
  return [...struck].sort()
}

/** The notes and rests of a voice of a bar; empty where it has none. */
export function noteElements(voice: ScoreVoice, writing: Writing): Xml[] {
  return voice.atoms.flatMap((atom, i) => atomElements(atom, marksOf(voice, i), writing))
}

/** What a note takes part in: beams by their level, and brackets that begin or end at it. */
interface Marks {
  readonly beams: readonly Xml[]
  readonly tuplets: readonly Xml[]
}

function marksOf({ atoms, beams, tuplets }: ScoreVoice, at: number): Marks {
  const beam = beams.find((one) => one.includes(at))
  const levels = (i: number | undefined) =>
    Math.log2((i === undefined ? 4 : (atoms[i]?.value ?? 4)) / 4)
  const place = beam?.indexOf(at) ?? 0
  const [before, after] = [beam?.[place - 1], beam?.[place + 1]]
  const written = Array.from({ length: beam ? levels(at) : 0 }, (_, i) => {
    const [left, right] = [levels(before) > i, levels(after) > i]
    const kind = left && right ? 'continue' : left ? 'end' : right ? 'begin' : hook(before)
    return element('beam', { number: i + 1 }, kind)
  })
  const brackets = tuplets.flatMap(({ from, to, notes, inTimeOf }, i) => {
    // One in another has the next number, so that the two are told apart.
    const around = tuplets.slice(0, i).filter((one) => one.from <= from && one.to >= to)
    const number = around.length + 1
    const start = () =>
      element(
        'tuplet',
        { type: 'start', number, bracket: from < to ? 'yes' : 'no' },
        element('tuplet-actual', {}, element('tuplet-number', {}, notes)),
        element('tuplet-normal', {}, element('tuplet-number', {}, inTimeOf)),
      )
    return [
      ...(from === at ? [start()] : []),
      ...(to === at ? [element('tuplet', { type: 'stop', number })] : []),
    ]
  })
  return { beams: written, tuplets: brackets }
}

/** A beam of one note alone points to the note before it, where there is one. */
function hook(before: number | undefined): string {
  return before === undefined ? 'forward hook' : 'backward hook'
}

function atomElements(atom: Atom, marks: Marks, writing: Writing): Xml[] {
  const length = element('duration', {}, atom.ticks)
  if (atom.kind !== 'strokes') {
    const rest = element(
      'note',
      // Only the rests of the line itself are shown, and those that a value tells the length of.
      atom.kind === 'slash' || writing.voice > 1 || atom.isOpen ? { 'print-object': 'no' } : {},
      element('rest'),
      length,
      element('voice', {}, writing.voice),
      written(atom),
      marks.tuplets.length > 0 && element('notations', {}, marks.tuplets),
    )
    return [rest]
  }
  const graces = atom.strokes.flatMap((stroke) => graceElements(stroke, writing))
  const notes = atom.strokes.map((stroke, i) =>
    element(
      'note',
      { dynamics: percent(VELOCITIES[stroke.level]) },
      i > 0 && element('chord'),
      pitch(writing.key[strokeSurface(stroke)]),
      length,
      element('instrument', { id: writing.instrument(strokeSurface(stroke)) }),
      element('voice', {}, writing.voice),
      written(atom),
      element('stem', {}, writing.stem),
      head(writing.key[strokeSurface(stroke)], stroke.level === 'ghost'),
      i === 0 && marks.beams,
      element(
        'notations',
        {},
        i === 0 && marks.tuplets,
        element('technical', {}, element('fingering', { placement: 'below' }, stroke.letter)),
        articulation(stroke),
      ),
    ),
  )
  return [...graces, ...notes]
}

/** The written value under its dots and brackets. */
function written({ kind, value, dots, brackets, isOpen }: Atom) {
  if (isOpen && kind !== 'strokes') return []
  const [actual, normal] = brackets.reduce(
    ([notes, time], one) => [notes * one.notes, time * one.inTimeOf],
    [1, 1],
  )
  return [
    element('type', {}, TYPES[value] ?? '128th'),
    dots > 0 && element('dot'),
    brackets.length > 0 &&
      element(
        'time-modification',
        {},
        element('actual-notes', {}, actual),
        element('normal-notes', {}, normal),
      ),
  ]
}

function graceElements(stroke: Stroke, { key, instrument, voice }: Writing): Xml[] {
  if (stroke.graces === 0) return []
  const surface = graceSurface(stroke)
  const letter = graceLimb(stroke) === 'RH' ? 'R' : graceLimb(stroke) === 'LH' ? 'L' : 'X'
  return Array.from({ length: stroke.graces }, (_, i) =>
    element(
      'note',
      { dynamics: percent(GRACE_VELOCITY) },
      element('grace', { slash: stroke.graces === 1 ? 'yes' : undefined }),
      pitch(key[surface]),
      element('instrument', { id: instrument(surface) }),
      element('voice', {}, voice),
      element('type', {}, stroke.graces > 1 ? '16th' : 'eighth'),
      element('stem', {}, 'up'),
      head(key[surface], false),
      stroke.graces > 1 &&
        [1, 2].map((level) =>
          element(
            'beam',
            { number: level },
            i === 0 ? 'begin' : i === stroke.graces - 1 ? 'end' : 'continue',
          ),
        ),
      element(
        'notations',
        {},
        element('technical', {}, element('fingering', { placement: 'below' }, letter)),
      ),
    ),
  )
}

function pitch({ step }: HeadPlace): Xml {
  const diatonic = BOTTOM_LINE + step
  return element(
    'unpitched',
    {},
    element('display-step', {}, LETTERS[diatonic % 7]),
    element('display-octave', {}, Math.floor(diatonic / 7)),
  )
}

function head({ shape }: HeadPlace, ghost: boolean): Xml | false {
  if (shape === 'round' && !ghost) return false
  return element('notehead', { parentheses: ghost ? 'yes' : undefined }, HEADS[shape])
}

function articulation({ level }: Stroke): Xml | false {
  if (level === 'accent') return element('articulations', {}, element('accent'))
  return (
    level === 'strong' && element('articulations', {}, element('strong-accent', { type: 'up' }))
  )
}

function percent(velocity: number): number {
  return Math.round((velocity / FORTE) * 10000) / 100
}
