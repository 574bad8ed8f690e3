import type { Letter } from './limb'
import type { Level, SlotContent, Stroke } from './stroke'

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

/** A slot's content as a disc. Example: `(RL)` is a disc of two pieces, together. */
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

const GRACE_LETTERS = ['', 'f', 'd', 't'] as const

/**
 * A disc in letters, ghosts small: what a row of a list has room for.
 *
 * @example `RLK`, `>R` as `R`, `(RK)`, `{RL}`, `fL`, `-`
 */
export function discLetters({ kind, pieces }: Disc): string {
  const letters = pieces.map((piece) => {
    if (!piece) return '-'
    const letter = piece.level === 'ghost' ? piece.letter.toLowerCase() : piece.letter
    return `${GRACE_LETTERS[piece.graces] ?? ''}${letter}`
  })
  const text = letters.join('')
  return { rest: '-', single: text, together: `(${text})`, squeeze: `{${text}}` }[kind]
}

const OTHER_HAND: Partial<Record<Letter, Letter>> = { R: 'L', L: 'R' }

/** A disc with the hands changed places. Law: twice is the same. */
export function turnDisc({ kind, pieces }: Disc): Disc {
  return {
    kind,
    pieces: pieces.map((piece) =>
      piece ? { ...piece, letter: OTHER_HAND[piece.letter] ?? piece.letter } : null,
    ),
  }
}
