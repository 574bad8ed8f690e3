import { findPiece, KIT_PRESETS, type Kit, type Piece } from '~/core/kit'
import type { Surface } from '~/core/sticking'

/** The furthest that a piece may stand from the throne, in centimetres. */
export const REACH = 300
export const SIZES = { height: [0, 250], diameter: [1, 120] } as const

/** A kit with one piece changed; numbers stay within what a kit file may hold. */
export function changePiece(kit: Kit, surface: Surface, changed: Partial<Piece>): Kit {
  return {
    ...kit,
    pieces: kit.pieces.map((piece) =>
      piece.surface === surface ? within({ ...piece, ...changed }) : piece,
    ),
  }
}

function within(piece: Piece): Piece {
  const held = (value: number, least: number, most: number) =>
    Math.round(Math.max(least, Math.min(most, value)) * 10) / 10
  return {
    ...piece,
    x: held(piece.x, -REACH, REACH),
    y: held(piece.y, -REACH, REACH),
    height: held(piece.height, ...SIZES.height),
    diameter: held(piece.diameter, ...SIZES.diameter),
  }
}

/** A piece moved by so many centimetres to the right and ahead. */
export function nudgePiece(
  kit: Kit,
  surface: Surface,
  [right, ahead]: readonly [number, number],
): Kit {
  const piece = kit.pieces.find((one) => one.surface === surface)
  return piece ? changePiece(kit, surface, { x: piece.x + right, y: piece.y + ahead }) : kit
}

/** A kit without a piece; the last one stays. */
export function removePiece(kit: Kit, surface: Surface): Kit {
  if (kit.pieces.length < 2) return kit
  return { ...kit, pieces: kit.pieces.filter((piece) => piece.surface !== surface) }
}

/** A kit with a piece that it lacked, as the largest preset has it, or like a tom before the throne. */
export function addPiece(kit: Kit, surface: Surface): Kit {
  if (kit.pieces.some((piece) => piece.surface === surface)) return kit
  const known = KIT_PRESETS.flatMap(({ pieces }) => pieces).find(
    (piece) => piece.surface === surface,
  )
  const piece: Piece = known ?? {
    surface,
    kind: 'drum',
    x: 0,
    y: 95,
    height: 85,
    diameter: 25,
  }
  return { ...kit, pieces: [...kit.pieces, piece] }
}

/** What plays a surface once its piece is gone. */
export function insteadOf(kit: Kit, surface: Surface): Surface | undefined {
  return findPiece(removePiece(kit, surface), surface)?.surface
}
