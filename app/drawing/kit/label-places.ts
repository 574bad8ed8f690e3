import type { Piece } from '~/core/kit'

/** How much longer a pedal's plate is than wide. */
export const PLATE = 1.7
/** Half the height of a label, in centimetres. */
const HALF = 3

/**
 * How far in front of a piece's middle its label stands, in centimetres, towards the throne: 0 for what hands
 * play. The label of a pedal's plate stands where the drums over it leave most of it to be seen.
 * @example a plate 10 wide under a tom that is 30 wide and 10 further ahead: 7
 */
export function labelShift(piece: Piece, pieces: readonly Piece[]): number {
  if (piece.kind !== 'pedal') return 0
  const over = pieces.filter((other) => other !== piece && other.height > piece.height)
  /** How far the nearest edge over it is from a place; negative under one. */
  const room = (shift: number) =>
    over.reduce((least, other) => {
      const apart = Math.hypot(other.x - piece.x, other.y - (piece.y - shift))
      return Math.min(least, apart - other.diameter / 2)
    }, HALF)
  const most = Math.max(0, Math.round((piece.diameter / 2) * PLATE - HALF + 1))
  const shifts = Array.from({ length: 2 * most + 1 }, (_, i) => i - most)
  return shifts.reduce((best, shift) => {
    const gain = room(shift) - room(best)
    return gain > 0 || (gain === 0 && Math.abs(shift) < Math.abs(best)) ? shift : best
  }, 0)
}
