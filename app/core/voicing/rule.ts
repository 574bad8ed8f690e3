import type { Surface } from '../sticking'

/** Whose strokes a rule is about. */
export const PLAYERS_OF_RULE = ['hands', 'RH', 'LH'] as const
export type RuleHands = (typeof PLAYERS_OF_RULE)[number]

/** Which of those strokes. Groups and beats count from 1. */
export type Which =
  | { readonly kind: 'every' }
  | { readonly kind: 'accents' }
  | { readonly kind: 'taps' }
  | { readonly kind: 'ghosts' }
  /** Strokes with the same hand on a neighbouring onset, or without. */
  | { readonly kind: 'doubles' }
  | { readonly kind: 'singles' }
  /** Strokes with graces. */
  | { readonly kind: 'graced' }
  | { readonly kind: 'first-of-group' }
  | { readonly kind: 'last-of-group' }
  | { readonly kind: 'every-nth-group'; readonly nth: number; readonly from: number }
  | { readonly kind: 'groups'; readonly groups: readonly number[] }
  | { readonly kind: 'beats'; readonly beats: readonly number[] }
export type WhichKind = Which['kind']

/** What a path does at its end: begins again, turns, or turns and visits the last surface again. */
export const PATH_ENDS = ['over', 'turn', 'turn-again'] as const
export type PathEnd = (typeof PATH_ENDS)[number]

/** What a rule does with its strokes. */
export type Action =
  /** On a surface. */
  | { readonly kind: 'put'; readonly surface: Surface }
  /** On a cymbal, with the kick under it. */
  | { readonly kind: 'with-kick'; readonly surface: Surface }
  /** The other hand strikes another surface together with it. */
  | { readonly kind: 'with-hand'; readonly surface: Surface }
  /** Along surfaces, so many strokes on each, or a group each. */
  | {
      readonly kind: 'path'
      readonly surfaces: readonly Surface[]
      readonly per: number | 'group'
      readonly end: PathEnd
      /** One stroke more where the path turns, so that the other hand leads back. */
      readonly turningStroke: boolean
    }
  /** On surfaces drawn by chance, for each stroke or each group; listed twice is twice as likely. */
  | {
      readonly kind: 'draw'
      readonly surfaces: readonly Surface[]
      readonly per: 'stroke' | 'group'
      /** Whether one surface may come twice running. */
      readonly twice: boolean
      /** A whole number from 0: which draw it is. */
      readonly seed: number
    }
  /** Main stroke and graces apart. */
  | { readonly kind: 'split'; readonly main: Surface; readonly grace: Surface }
  /** Graces where their own hand struck last. */
  | { readonly kind: 'graces-with-hand' }
export type ActionKind = Action['kind']

/** A sentence of a voicing: whose and which strokes go where. */
export interface VoicingRule {
  readonly hands: RuleHands
  readonly which: Which
  readonly action: Action
  /** A rule that is off stays in the list. */
  readonly on: boolean
}

/** Slots that keep their surface whoever plays them. */
export interface Pin {
  readonly slot: number
  readonly surface: Surface
}

/** A note at a slot: low wrist, centre of the head, move while the kick sounds. */
export interface StrokeNote {
  readonly slot: number
  readonly text: string
}

/**
 * How a sticking is laid on the kit. Later rules win over earlier ones, pins over rules, and a voice
 * that is written at a stroke over all.
 */
export interface Voicing {
  readonly rules: readonly VoicingRule[]
  readonly pins: readonly Pin[]
  /** What the player minds at a stroke; they move nothing. */
  readonly notes?: readonly StrokeNote[]
  /** A note for the whole lick. */
  readonly about?: string
}

export const PLAIN_VOICING: Voicing = { rules: [], pins: [] }

/** Whether a voicing does nothing to any line. */
export function isPlain({ rules, pins }: Voicing): boolean {
  return pins.length === 0 && rules.every(({ on }) => !on)
}
