import { type HeadPlace, type Kit, MIDI_NOTES, STAFF_KEY } from '../kit'
import { SURFACE_NAMES, SURFACES, type Surface, type Voice } from '../sticking'

/**
 * The percussion notes of the General MIDI standard that a kit can stand for, beside our own.
 * Source: General MIDI System Level 1, percussion key map (notes 35 to 81).
 */
const OTHER_MIDI: Readonly<Record<number, Surface>> = {
  39: 'xs',
  54: 'cb',
  59: 'rd',
}

/** What a name has to say for a surface, all of one list; the narrower before the wider. */
const NAMES: readonly (readonly [words: readonly string[], surface: Surface])[] = [
  [['cross', 'stick'], 'xs'],
  [['side', 'stick'], 'xs'],
  [['rim'], 'rs'],
  [['pedal', 'hat'], 'hf'],
  [['foot', 'hat'], 'hf'],
  [['open', 'hat'], 'ho'],
  [['hat'], 'hh'],
  [['bell'], 'rb'],
  [['ride'], 'rd'],
  [['splash'], 'sp'],
  [['china'], 'ch'],
  [['chinese'], 'ch'],
  [['crash', '2'], 'c2'],
  [['crash'], 'c1'],
  [['cymbal'], 'c1'],
  [['second', 'bass'], 'b2'],
  [['second', 'kick'], 'b2'],
  [['kick', '2'], 'b2'],
  [['bass', '2'], 'b2'],
  [['kick'], 'bd'],
  [['bass'], 'bd'],
  [['second', 'floor'], 'f2'],
  [['low', 'floor'], 'f2'],
  [['floor', '2'], 'f2'],
  [['floor'], 'f1'],
  [['tom', 'low'], 't3'],
  [['tom', '3'], 't3'],
  [['tom', 'mid'], 't2'],
  [['tom', '2'], 't2'],
  [['tom'], 't1'],
  [['cow'], 'cb'],
  [['snare'], 'sn'],
]

/**
 * What an instrument of another program is taken for: by a name that is ours, by its MIDI note on the kit
 * or in the standard, by what its name says, or by where it stands on the staff; null where none tells.
 * Example: MIDI note 38 is the snare, unless it is called otherwise.
 */
export function findVoice(
  { name, midi, place }: { name: string; midi: number | null; place: HeadPlace | null },
  kit?: Kit,
): Voice | null {
  const called = SURFACES.find((surface) => SURFACE_NAMES[surface] === name.toLowerCase())
  if (called) return called
  if (midi !== null) {
    const own = kit?.pieces.find((piece) => piece.midi === midi)?.surface
    const ours = SURFACES.find((surface) => MIDI_NOTES[surface] === midi)
    const found = own ?? ours ?? OTHER_MIDI[midi]
    if (found) return found
  }
  const said = name.toLowerCase()
  const named = NAMES.find(([words]) => words.every((word) => said.includes(word)))
  if (named) return named[1]
  if (!place) return null
  const stands = (Object.entries(STAFF_KEY) as [Voice, HeadPlace][]).find(
    ([, { step, shape }]) => step === place.step && shape === place.shape,
  )
  return stands?.[0] ?? null
}
