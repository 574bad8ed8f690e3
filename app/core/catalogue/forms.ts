import { mirrorHands, type Phrase, rotate } from '../changes'
import { formatSlot } from '../notation'

/** An inversion of a cell, and which others are the same. */
export interface Form {
  /** How many strokes later it begins. */
  readonly steps: number
  readonly phrase: Phrase
  /** An earlier inversion that is its mirror; null where there is none. */
  readonly mirrorOf: number | null
}

/**
 * A phrase's slots as one string: equal for equal stickings, whatever their groups.
 *
 * @example stickingKey(phrase('R LL K')) // 'RLLK'
 */
export function stickingKey({ slots }: Phrase): string {
  return slots.map(formatSlot).join('')
}

/**
 * Every inversion of a phrase that differs from those before, with its mirror named where an
 * earlier one is just that. Example: `RRLLRLLRRL` has 10, in 5 pairs; `RLRL` has 2, in one.
 */
export function inversionsOf(phrase: Phrase): Form[] {
  const forms: Form[] = []
  const seen = new Map<string, number>()
  for (let steps = 0; steps < phrase.slots.length; steps += 1) {
    const turned = rotate(phrase, steps)
    const key = stickingKey(turned)
    if (seen.has(key)) break
    const mirrorOf = seen.get(stickingKey(mirrorHands(turned))) ?? null
    seen.set(key, steps)
    forms.push({ steps, phrase: turned, mirrorOf })
  }
  return forms
}

/**
 * How many inversions differ by more than the hands.
 *
 * @example formsUpToHands(phrase('RLL')) // 3
 */
export function formsUpToHands(phrase: Phrase): number {
  return inversionsOf(phrase).filter(({ mirrorOf }) => mirrorOf === null).length
}
