import type { Line } from '../line'
import {
  findTogetherFault,
  isHand,
  REST,
  type SlotContent,
  type Stroke,
  type Struck,
  strokeLimb,
} from '../sticking'

/** Neighbouring slots with their groups, without rate or place: what a change works on. */
export interface Phrase {
  readonly slots: readonly SlotContent[]
  /** Sizes of the groups; they sum to the slots. */
  readonly groups: readonly number[]
}

/** Neighbouring slots of a line, from the first up to but not with `to`. */
export interface SlotRange {
  readonly from: number
  readonly to: number
}

/**
 * Slots as a phrase; one group unless told.
 *
 * @example toPhrase(phrase('RLL').slots).groups // [3]
 */
export function toPhrase(slots: readonly SlotContent[], groups?: readonly number[]): Phrase {
  return { slots, groups: groups ?? (slots.length > 0 ? [slots.length] : []) }
}

/**
 * The part of a line in a range; groups that reach out of it are clipped.
 *
 * @example text(phraseOf(lickOf('line: RLL K').line, { from: 1, to: 4 })) // 'LL K'
 */
export function phraseOf(line: Line, { from, to }: SlotRange): Phrase {
  let start = 0
  const groups: number[] = []
  for (const size of line.groups) {
    const inside = Math.min(start + size, to) - Math.max(start, from)
    if (inside > 0) groups.push(inside)
    start += size
  }
  return { slots: line.slots.slice(from, to), groups }
}

/**
 * Phrases one after the other.
 *
 * @example joinPhrases([phrase('RLL'), phrase('RK')]).groups // [3, 2]
 */
export function joinPhrases(phrases: readonly Phrase[]): Phrase {
  return {
    slots: phrases.flatMap(({ slots }) => slots),
    groups: phrases.flatMap(({ groups }) => groups),
  }
}

/** Where a stroke stands: its slot, and how many strokes came before it in the phrase. */
export interface StrokePlace {
  readonly slot: number
  readonly stroke: number
}

/**
 * Every stroke replaced by what a function makes of it: another stroke, or nothing. Slots keep
 * their number, squeezes their parts; where one limb would strike twice together, once is kept.
 *
 * @example text(toPhrase(mapStrokes(phrase('RLL').slots, (one) => withLetter(one, 'K')))) // 'KKK'
 */
export function mapStrokes(
  slots: readonly SlotContent[],
  change: (stroke: Stroke, place: StrokePlace) => Stroke | null,
): SlotContent[] {
  let count = 0
  const struck = (content: Struck, slot: number): SlotContent & { kind: 'rest' | 'struck' } => {
    const strokes = content.strokes.flatMap((stroke) => {
      const changed = change(stroke, { slot, stroke: count })
      count += 1
      return changed ? [changed] : []
    })
    return together(strokes)
  }
  return slots.map((content, slot) => {
    if (content.kind === 'rest') return content
    if (content.kind === 'struck') return struck(content, slot)
    const parts = content.parts.map((part) => (part.kind === 'rest' ? part : struck(part, slot)))
    const silenced =
      content.parts.some(({ kind }) => kind === 'struck') &&
      parts.every(({ kind }) => kind === 'rest')
    return silenced ? REST : { kind: 'squeeze', parts }
  })
}

/**
 * Strokes together as one player can strike them: each limb once, no grace by a hand in use.
 *
 * @example text(toPhrase([together([...phrase('R').slots[0].strokes, ...phrase('K').slots[0].strokes])])) // '(RK)'
 */
export function together(strokes: readonly Stroke[]): typeof REST | Struck {
  let kept: Stroke[] = []
  for (const stroke of strokes) {
    const known = kept.some((other) => strokeLimb(other) === strokeLimb(stroke))
    if (!known) kept.push(stroke)
  }
  const fault = findTogetherFault(kept)
  if (fault?.reason === 'no-hand-left') kept = kept.filter(({ letter }) => letter !== 'X')
  if (fault?.reason === 'grace-hand-busy') kept = kept.map(withoutGraces)
  return kept.length === 0 ? REST : { kind: 'struck', strokes: kept }
}

/**
 * A stroke without its graces and their voice.
 *
 * @example text(toPhrase(mapStrokes(phrase('fRdL').slots, withoutGraces))) // 'RL'
 */
export function withoutGraces(stroke: Stroke): Stroke {
  if (stroke.graces === 0) return stroke
  const { graceVoice: _voice, ...plain } = stroke
  return { ...plain, graces: 0 }
}

/** A stroke by another limb. Between hands it stays as it is; between hand and foot its voice and
 * its graces go, since they were the other's.
 *
 * @example text(toPhrase(mapStrokes(phrase('>RL').slots, (one) => withLetter(one, 'K')))) // '>KK'
 */
export function withLetter(stroke: Stroke, letter: Stroke['letter']): Stroke {
  if (letter === stroke.letter) return stroke
  if (isHand(letter) === isHand(stroke.letter) && isHand(letter)) return { ...stroke, letter }
  const { voice: _voice, ...plain } = withoutGraces(stroke)
  return { ...plain, letter }
}
