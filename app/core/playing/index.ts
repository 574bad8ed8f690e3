export { type Character, characterOf } from './character'
export { clearSurfaces, type HandCollision, handCollisions, undecidedSlots } from './collisions'
export { type FootLanding, footLanding } from './feet'
export { type HandPaths, handPaths, type PathStop, pathLengthOf } from './hand-paths'
export type { Reading } from './hits'
export { type LandingHand, landingHands } from './landing-hands'
export {
  DEFAULT_SETTING,
  type Move,
  movesOf,
  type Setting,
  type SpeedLimit,
  speedLimit,
  travelTime,
} from './limit'
export { type MissingPedal, missingPedal } from './pedals'
export { type Raise, type RaiseKind, raisesOf } from './raises'
export {
  DEFAULT_REACH,
  type FarStroke,
  type FootRun,
  farStrokes,
  footRuns,
} from './reach'
export { type FootUnderHand, feetUnderHands } from './sides'
