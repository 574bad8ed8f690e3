import type { Letter, Level, SlotContent, Stroke } from '~/core/sticking'

/** A part of a disc: a stroke, or in a squeeze a rest. */
export type DiscPiece = {
  readonly letter: Letter
  readonly level: Level
  readonly graces: number
} | null

/** A slot as a disc of its stack: one stroke, several together, several in turn, or a rest. */
export interface Disc {
  readonly kind: 'single' | 'together' | 'squeeze' | 'rest'
  readonly pieces: readonly DiscPiece[]
}

/** A slot's content as a disc. */
export function toDisc(content: SlotContent): Disc {
  if (content.kind === 'rest') return { kind: 'rest', pieces: [] }
  const piece = ({ letter, level, graces }: Stroke) => ({ letter, level, graces })
  if (content.kind === 'struck') {
    const kind = content.strokes.length > 1 ? 'together' : 'single'
    return { kind, pieces: content.strokes.map(piece) }
  }
  return {
    kind: 'squeeze',
    pieces: content.parts.map((part) =>
      part.kind === 'rest' ? null : piece(part.strokes[0] as Stroke),
    ),
  }
}
