/** How soon a limb can strike again, in milliseconds: as a single, and as the rebound of a double. */
export interface LimbSpeed {
  readonly single: number
  readonly double: number
}

/** A player's limbs; an undecided hand has no speed of its own. */
export interface Player {
  readonly RH: LimbSpeed
  readonly LH: LimbSpeed
  readonly RF: LimbSpeed
  readonly LF: LimbSpeed
  /** How far from the throne a hand strikes, in centimetres, where the player has set it. */
  readonly reach?: number
  /** Whether the groove's hands change places: open-handed, or left-handed. */
  readonly swapsGroove?: boolean
}

/** 6.5 a second: one-hand tapping of trained drummers (Fujii, Kudo, Ohtsuki and Oda 2009). */
export const HAND_SINGLE_MS = 154
export const HAND_DOUBLE_MS = 80
export const FOOT_SINGLE_MS = 170
export const FOOT_DOUBLE_MS = 110
/** The weak hand is 8 % slower than the strong one, the second foot 12 % slower than the lead. */
const WEAK_HAND = 1.08
const SECOND_FOOT = 1.12

/** An intermediate, right-handed player. */
export const DEFAULT_PLAYER: Player = {
  RH: { single: HAND_SINGLE_MS, double: HAND_DOUBLE_MS },
  LH: { single: HAND_SINGLE_MS * WEAK_HAND, double: HAND_DOUBLE_MS * WEAK_HAND },
  RF: { single: FOOT_SINGLE_MS, double: FOOT_DOUBLE_MS },
  LF: { single: FOOT_SINGLE_MS * SECOND_FOOT, double: FOOT_DOUBLE_MS * SECOND_FOOT },
}

/** A player with right and left changed places. */
export function mirrorPlayer({ RH, LH, RF, LF, ...rest }: Player): Player {
  return { RH: LH, LH: RH, RF: LF, LF: RF, ...rest }
}
