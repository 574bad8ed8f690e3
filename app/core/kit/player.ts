/** How soon a limb can strike again on one surface, in milliseconds. */
export interface LimbSpeed {
  readonly single: number
  /** The rebound of a double: the 2nd, 5th, 8th of a run. */
  readonly double: number
  /** The 3rd, 6th, 9th of a run. */
  readonly triple: number
}

/** A hand also presses a buzz into the head, and travels. */
export interface HandSpeed extends LimbSpeed {
  /** Between the strokes of a buzz: three or more of one hand in one slot. */
  readonly buzz: number
  /** Its moves take so many times as long as Fitts's law says; 1 where they were never measured. */
  readonly travel: number
}

/**
 * Where the hands of a player are, seen from above, in centimetres; estimates of ours. A hand that
 * strikes is on the line from its shoulder to the surface's centre, `grip` before the centre.
 */
export interface Arms {
  /** From the throne's middle to either shoulder. */
  readonly shoulder: number
  /** From the hand to the tip of the stick. */
  readonly grip: number
}

/** A player's limbs; an undecided hand has no speed of its own. */
export interface Player {
  readonly RH: HandSpeed
  readonly LH: HandSpeed
  readonly RF: LimbSpeed
  readonly LF: LimbSpeed
  readonly arms: Arms
  /** How far from its shoulder a hand strikes, in centimetres, where the player has set it. */
  readonly reach?: number
  /** Whether the groove's hands change places: open-handed, or left-handed. */
  readonly swapsGroove?: boolean
}

/** 6.5 a second: one-hand tapping of trained drummers (Fujii, Kudo, Ohtsuki and Oda 2009). */
export const HAND_SINGLE_MS = 154
const HAND_DOUBLE_MS = 80
/** The triples and the buzz are estimates of ours. */
const HAND_TRIPLE_MS = 105
const HAND_BUZZ_MS = 45
const FOOT_SINGLE_MS = 170
const FOOT_DOUBLE_MS = 110
const FOOT_TRIPLE_MS = 140
/** The weak hand is 8 % slower than the strong one, the second foot 12 % slower than the lead. */
const WEAK_HAND = 1.08
const SECOND_FOOT = 1.12

export const DEFAULT_ARMS: Arms = { shoulder: 20, grip: 35 }

const hand = (slower: number): HandSpeed => ({
  single: HAND_SINGLE_MS * slower,
  double: HAND_DOUBLE_MS * slower,
  triple: HAND_TRIPLE_MS * slower,
  buzz: HAND_BUZZ_MS * slower,
  travel: 1,
})

const foot = (slower: number): LimbSpeed => ({
  single: FOOT_SINGLE_MS * slower,
  double: FOOT_DOUBLE_MS * slower,
  triple: FOOT_TRIPLE_MS * slower,
})

/** An intermediate, right-handed player. */
export const DEFAULT_PLAYER: Player = {
  RH: hand(1),
  LH: hand(WEAK_HAND),
  RF: foot(1),
  LF: foot(SECOND_FOOT),
  arms: DEFAULT_ARMS,
}

/** A player with right and left changed places. Law: twice is the same. */
export function mirrorPlayer({ RH, LH, RF, LF, ...rest }: Player): Player {
  return { RH: LH, LH: RH, RF: LF, LF: RF, ...rest }
}
