export { type Character, characterOf } from './character'
export {
  clearSurfaces,
  collisionOf,
  collisionsOfStrokes,
  type HandCollision,
  handCollisions,
  undecidedSlots,
} from './collisions'
export { type CleanPlay, type Evidence, evidenceOf, withEvidence } from './evidence'
export { type FootLanding, footLanding, movesIntoLanding } from './feet'
export { type HandPaths, handPaths, type PathStop, pathLengthOf } from './hand-paths'
export type { Reading } from './hits'
export { crashesOf, type LandingHand, landingHands, landOnKit } from './landing-hands'
export {
  DEFAULT_SETTING,
  isSamePlace,
  KIND_IN_RUN,
  type LimbAsks,
  limbAsks,
  type Move,
  type MoveKind,
  movesOf,
  movesOfStrokes,
  movesTooFast,
  type PlayContext,
  type SpeedLimit,
  speedLimit,
  travelTime,
} from './limit'
export { type Load, loadOf } from './load'
export { type MissingPedal, missingPedal } from './pedals'
export { type Raise, type RaiseKind, raisesOf } from './raises'
export {
  DEFAULT_REACH,
  type FarStroke,
  type FootRun,
  farStrokes,
  footRuns,
} from './reach'
export { type FootUnderHand, feetUnderHands, type OstinatoMeeting, ostinatoMeetings } from './sides'
