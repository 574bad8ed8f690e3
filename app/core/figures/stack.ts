import type { Disc, DiscPiece } from '../sticking'
import type { Figure, Shape } from './shape'

/** How wide a disc of each level is beside an accent's. */
const WIDTHS = { ghost: 0.66, soft: 0.82, tap: 0.88, accent: 1, strong: 1 } as const
const LINE = 0.13

interface Box {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

/**
 * A group as a stack of discs in one ink, the first stroke at the bottom: hands round and feet square;
 * the right hand reeded, the left plain, a foot grooved; a ghost thin and hollow, an accent wide with a
 * bright rim; a rest a broken line; a grace a dot at the left. `bottom` and `pitch` in staff spaces.
 */
export function stackFigure(
  discs: readonly Disc[],
  { x, bottom, width, pitch }: { x: number; bottom: number; width: number; pitch: number },
): Figure {
  const height = pitch * 0.8
  const shapes = discs.flatMap((disc, i) =>
    discShapes(disc, { x, y: bottom - (i + 1) * pitch, width, height }),
  )
  return { part: 'stack', shapes }
}

function discShapes(disc: Disc, { x, y, width, height }: Box): Shape[] {
  if (disc.kind === 'rest') {
    const [middle, reach] = [y + height / 2, width * 0.3]
    return [
      {
        kind: 'line',
        from: [x - reach, middle],
        to: [x + reach, middle],
        width: LINE,
        dash: 0.25,
      },
    ]
  }
  const gap = disc.kind === 'squeeze' ? 0.16 : 0
  const count = disc.pieces.length
  const full = width * (count > 1 ? 1 : WIDTHS[disc.pieces[0]?.level ?? 'tap'])
  const each = (full - gap * (count - 1)) / count
  return disc.pieces.flatMap((piece, i) =>
    pieceShapes(piece, { x: x - full / 2 + i * (each + gap), y, width: each, height }),
  )
}

function pieceShapes(piece: DiscPiece, { x, y, width, height }: Box): Shape[] {
  if (!piece) return []
  const { letter, level, graces } = piece
  const foot = letter === 'K' || letter === 'H' || letter === 'J'
  const radius = foot ? 0 : height / 2
  const grace: Shape[] =
    graces > 0
      ? [
          {
            kind: 'box',
            at: [x - 0.55, y + height / 2 - 0.18],
            width: 0.36,
            height: 0.36,
            radius: 0.18,
            hollow: null,
          },
        ]
      : []
  if (level === 'ghost' || letter === 'X') {
    const thin: Shape = {
      kind: 'box',
      at: [x + LINE / 2, y + height * 0.14 + LINE / 2],
      width: Math.max(0.1, width - LINE),
      height: Math.max(0.1, height * 0.72 - LINE),
      radius: foot ? 0 : (height * 0.72 - LINE) / 2,
      hollow: LINE,
      ...(letter === 'X' && { dash: 0.3 }),
    }
    return [thin, ...grace, ...(letter === 'R' ? reeds({ x, y, width, height }, false) : [])]
  }
  const disc: Shape = { kind: 'box', at: [x, y], width, height, radius, hollow: null }
  const loud = level === 'accent' || level === 'strong'
  const rim: Shape[] = loud
    ? [
        {
          kind: 'line',
          from: [x + radius, y + height * 0.2],
          to: [x + width - radius, y + height * 0.2],
          width: height * 0.2,
          paper: true,
        },
      ]
    : []
  const groove: Shape[] = foot
    ? [
        {
          kind: 'line',
          from: [x + 0.3, y + height * 0.6],
          to: [x + width - 0.3, y + height * 0.6],
          width: height * 0.14,
          paper: true,
          ...(letter !== 'K' && { dash: 0.3 }),
        },
      ]
    : []
  const edge = letter === 'R' ? reeds({ x, y, width, height }, true) : []
  return [disc, ...edge, ...groove, ...rim, ...grace]
}

/** The lines across a right hand's disc, as on the rim of a coin. */
function reeds({ x, y, width, height }: Box, paper: boolean): Shape[] {
  const inside = width - height
  const count = Math.max(1, Math.floor(inside / 0.34))
  return Array.from({ length: count }, (_, i): Shape => {
    const at = x + height / 2 + ((i + 0.5) * inside) / count
    const inset = height * (paper ? 0.12 : 0.24)
    return {
      kind: 'line',
      from: [at, y + inset],
      to: [at, y + height - inset],
      width: 0.1,
      ...(paper && { paper: true }),
    }
  })
}
