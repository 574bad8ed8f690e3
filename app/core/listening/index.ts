export { type Claim, type Claims, claimsOf, studentQuantile } from './claims'
export {
  type ExpectedStroke,
  findDelay,
  type HeardStroke,
  type Matching,
  matchStrokes,
  medianOf,
} from './match'
export { EVEN, type Habits, type MeantStroke, playedWith, SIMULATED_PLAYERS } from './player'
export { gridOfTaps, lineOfTaps, type Tap, type TappedLine } from './taps'
export {
  expectedStrokes,
  type GapTold,
  type LimbTold,
  type PlayedStroke,
  type Told,
  toldOf,
} from './told'
