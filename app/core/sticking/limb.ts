/** Right hand, left hand, a hand not decided yet, right foot, left foot. */
export const LIMBS = ['RH', 'LH', 'XH', 'RF', 'LF'] as const
export type Limb = (typeof LIMBS)[number]

/** The letters of a sticking: what is written, before any player turns it round. */
export const LETTERS = ['R', 'L', 'X', 'K', 'H', 'J'] as const
export type Letter = (typeof LETTERS)[number]

/** What a letter means for a right-handed player: K is the lead foot, H and J the second one. */
export const LIMB_OF_LETTER: Readonly<Record<Letter, Limb>> = {
  R: 'RH',
  L: 'LH',
  X: 'XH',
  K: 'RF',
  H: 'LF',
  J: 'LF',
}

/**
 * Whether a letter is a hand's, decided or not.
 *
 * @example ['R', 'K'].map(isHand) // [true, false]
 */
export function isHand(letter: Letter): boolean {
  return letter === 'R' || letter === 'L' || letter === 'X'
}

export type Hand = 'RH' | 'LH'

/**
 * Whether a limb is the right or the left hand; one that is not decided is neither yet.
 *
 * @example ['RH', 'RF'].map(isOneHand) // [true, false]
 */
export function isOneHand(limb: Limb): limb is Hand {
  return limb === 'RH' || limb === 'LH'
}

/** The other hand: where the graces of a flam, a drag or a ruff are played. */
export function otherHand(limb: Limb): Limb {
  if (limb === 'RH') return 'LH'
  if (limb === 'LH') return 'RH'
  return 'XH'
}

/**
 * Orders limbs as events list them: RH LH XH RF LF.
 *
 * @example ['RF', 'LH', 'RH'].sort(compareLimbs) // ['RH', 'LH', 'RF']
 */
export function compareLimbs(a: Limb, b: Limb): number {
  return LIMBS.indexOf(a) - LIMBS.indexOf(b)
}
