import { isHand, type Letter, LIMB_OF_LETTER, type Limb, otherHand } from './limb'
import { HOME_SURFACE, type Voice } from './surface'

/** The five levels, from barely sounding to as loud as it goes. */
export const LEVELS = ['ghost', 'soft', 'tap', 'accent', 'strong'] as const
export type Level = (typeof LEVELS)[number]

/** How many grace notes stand before a stroke: none, flam, drag, ruff. */
export type Graces = 0 | 1 | 2 | 3

/** One hit by one limb. A missing voice is the limb's home surface. */
export interface Stroke {
  readonly letter: Letter
  readonly level: Level
  readonly graces: Graces
  readonly voice?: Voice
  readonly graceVoice?: Voice
}

/** A slot of rest. */
export interface Rest {
  readonly kind: 'rest'
}
/** One stroke, or two to four together (a unison), as written from left to right. */
export interface Struck {
  readonly kind: 'struck'
  readonly strokes: readonly Stroke[]
}
/** Two to eight rests, strokes or unisons that share one slot evenly. */
export interface Squeeze {
  readonly kind: 'squeeze'
  readonly parts: readonly (Rest | Struck)[]
}
export type SlotContent = Rest | Struck | Squeeze

export const REST: Rest = { kind: 'rest' }
export const MAX_TOGETHER = 4
export const MIN_SQUEEZE = 2
export const MAX_SQUEEZE = 8

/** A plain stroke. Example: `toStroke('R', { level: 'accent' })`. */
export function toStroke(letter: Letter, rest: Partial<Omit<Stroke, 'letter'>> = {}): Stroke {
  return { letter, level: 'tap', graces: 0, ...rest }
}

/**
 * The limb that plays a stroke, for a right-handed player.
 *
 * @example phrase('RKH').slots.map(({ strokes }) => strokeLimb(strokes[0])) // ['RH', 'RF', 'LF']
 */
export function strokeLimb(stroke: Stroke): Limb {
  return LIMB_OF_LETTER[stroke.letter]
}

/**
 * The surface a stroke sounds on.
 *
 * @example phrase('RL:t1K').slots.map(({ strokes }) => strokeSurface(strokes[0])) // ['sn', 't1', 'bd']
 */
export function strokeSurface(stroke: Stroke): Voice {
  return stroke.voice ?? HOME_SURFACE[stroke.letter]
}

/**
 * The surface that a stroke's graces sound on: the main stroke's, unless it has its own.
 *
 * @example graceSurface(phrase('fR').slots[0].strokes[0]) // 'sn'
 */
export function graceSurface(stroke: Stroke): Voice {
  return stroke.graceVoice ?? strokeSurface(stroke)
}

/**
 * The limb of a stroke's graces: the other hand.
 *
 * @example graceLimb(phrase('fR').slots[0].strokes[0]) // 'LH'
 */
export function graceLimb(stroke: Stroke): Limb {
  return otherHand(strokeLimb(stroke))
}

/** Why strokes cannot sound together, and which one of them is to blame. */
export interface TogetherFault {
  readonly index: number
  readonly reason: 'limb-twice' | 'no-hand-left' | 'grace-hand-busy' | 'too-many'
}

/**
 * Whether one player can strike all of these at once: each limb once, an undecided hand with a
 * hand left for it, and no grace by a hand that strikes. The first fault, or undefined.
 */
export function findTogetherFault(strokes: readonly Stroke[]): TogetherFault | undefined {
  if (strokes.length > MAX_TOGETHER) return { index: MAX_TOGETHER, reason: 'too-many' }
  const seen = new Set<Limb>()
  let hands = 0
  for (const [index, stroke] of strokes.entries()) {
    const limb = strokeLimb(stroke)
    if (seen.has(limb)) return { index, reason: 'limb-twice' }
    seen.add(limb)
    if (isHand(stroke.letter)) hands += 1
    if (hands > 2) return { index, reason: 'no-hand-left' }
  }
  const graced = strokes.findIndex((stroke) => stroke.graces > 0)
  if (graced >= 0 && hands > 1) return { index: graced, reason: 'grace-hand-busy' }
  return undefined
}

/** A stroke of a slot with its place in it, as a fraction top/bottom of the slot. */
export interface PlacedStroke {
  readonly stroke: Stroke
  readonly top: number
  readonly bottom: number
}

/**
 * The strokes of a slot in order of time, those together as they are written.
 *
 * @example strokesInSlot(phrase('{RL}').slots[0]).length // 2
 */
export function strokesInSlot(content: SlotContent): PlacedStroke[] {
  if (content.kind === 'rest') return []
  if (content.kind === 'struck') {
    return content.strokes.map((stroke) => ({ stroke, top: 0, bottom: 1 }))
  }
  const bottom = content.parts.length
  return content.parts.flatMap((part, top) =>
    part.kind === 'rest' ? [] : part.strokes.map((stroke) => ({ stroke, top, bottom })),
  )
}

/**
 * Whether a stroke is accented, strongly or not.
 *
 * @example phrase('>RL').slots.map(({ strokes }) => isAccented(strokes[0])) // [true, false]
 */
export function isAccented({ level }: Pick<Stroke, 'level'>): boolean {
  return level === 'accent' || level === 'strong'
}

/**
 * Whether any stroke of a slot is accented.
 *
 * @example lickOf('line: >RL-').line.slots.map(hasAccent) // [true, false, false]
 */
export function hasAccent(content: SlotContent): boolean {
  return strokesInSlot(content).some(({ stroke }) => isAccented(stroke))
}
