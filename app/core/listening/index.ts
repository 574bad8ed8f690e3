export {
  type ExpectedStroke,
  findDelay,
  type HeardStroke,
  type Matching,
  matchStrokes,
} from './match'
export {
  expectedStrokes,
  type GapTold,
  type LimbTold,
  type PlayedStroke,
  type Told,
  toldOf,
} from './told'
