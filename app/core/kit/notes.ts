import type { Voice } from '../sticking'
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
