export { type Bleed, bleedOf, clicksAmong, type LevelledSound } from './bleed'
export { type Claim, type Claims, claimsOf } from './claims'
export {
  CLEAN_LIMITS,
  type CleanLimits,
  type Cleanness,
  cleannessOf,
  MIN_RATED_ROUNDS,
  proposedRating,
} from './clean'
export { diagnose, type Finding, type HeardStep } from './diagnosis'
export { type FoundTempo, tempoOfTaps } from './free-taps'
export { leansFrom } from './leaning'
export { DB_PER_DECADE, decibelsOf, type HeardLevel, type LevelTold } from './levels'
export {
  type Lag,
  type Matching,
  matchStrokes,
} from './match'
export { findDelay, type Pairing, pairStrokes } from './pairing'
export {
  EVEN,
  type Habits,
  playedWith,
  SIMULATED_DELAY_MS,
  SIMULATED_PLAYERS,
  type SimulatedStroke,
} from './player'
export { normalQuantile, studentQuantile } from './statistics'
export type {
  Drawn,
  ExpectedStroke,
  HeardStroke,
  LineStroke,
  MeantStroke,
  PlayedStroke,
  ThreePlace,
} from './strokes'
export {
  type HeardSummary,
  type LimbSummary,
  scoreOf,
  summaryOf,
  toleranceOf,
} from './summary'
export { gridOfTaps, lineOfTaps, type Tap, type TappedLine } from './taps'
export { type LeanTold, threesOf } from './threes'
export {
  atTempo,
  expectedStrokes,
  type GapTold,
  type LimbTold,
  lineStrokes,
  type TimingReport,
  toldOf,
  toldOfRound,
} from './told'
