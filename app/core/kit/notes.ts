import { SURFACES, type Surface, type Voice } from '../sticking'
import { MIDI_NOTES } from './data'
import { findPiece, type Kit, placeOf } from './kit'

/**
 * The MIDI note of a voice: its piece's own, or that of the piece that stands in for it. Another way to
 * strike a piece, as a rim shot, has its usual note, and so has every voice without a kit; what is not
 * decided is on the snare.
 *
 * @example noteOf('t1', kit) is 50 where no piece says otherwise
 */
export function noteOf(voice: Voice, kit?: Kit): number {
  if (voice === '??') return MIDI_NOTES.sn
  const piece = kit && findPiece(kit, voice)
  const struckOtherwise = piece?.surface === placeOf(voice) && piece.surface !== voice
  if (!piece || struckOtherwise) return MIDI_NOTES[voice]
  return piece.midi ?? MIDI_NOTES[piece.surface]
}

/**
 * The surface that a MIDI note is on a kit: the inverse of `noteOf`, pieces of the kit first. Undefined where
 * nothing on it has that note.
 *
 * @example surfaceOfNote(50, kit) is t1 where no piece says otherwise
 */
export function surfaceOfNote(note: number, kit: Kit): Surface | undefined {
  const piece = kit.pieces.find(({ surface, midi }) => (midi ?? MIDI_NOTES[surface]) === note)
  // Other ways to strike what is there, as a rim shot.
  return piece?.surface ?? SURFACES.find((surface) => noteOf(surface, kit) === note)
}
