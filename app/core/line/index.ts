export { type Aim, aimOf } from './aim'
export { type Clash, limbClashes } from './clashes'
export {
  firstFrom,
  lastStrokes,
  lickSlots,
  lineEvents,
  type StrokeEvent,
  slotAt,
  strokeEvents,
  strokeEventsBetween,
} from './events'
export {
  CHOKE_AFTER,
  DEFAULT_FRAME,
  DEFAULT_TEMPO,
  EMPTY_LICK,
  type Frame,
  frameTicks,
  LANDING_KINDS,
  type Landing,
  type LandingKind,
  type Lick,
  MAX_LEAD,
  NO_GROOVE,
  type Ostinato,
  type Swell,
  TEMPO_RANGE,
} from './lick'
export {
  countStrokes,
  type GridChange,
  type Line,
  lineTicks,
  MAX_BARS,
  MAX_SLOTS,
  normalGridChanges,
  type TimedSlot,
  timedSlots,
} from './line'
export { type TrueSpeed, trueSpeed } from './speed'
export {
  type Approach,
  crashHand,
  type FreeHand,
  fitOf,
  type LineFit,
  lineCounts,
  type Span,
  type Sum,
  sumOf,
} from './sum'
export { GRACE_VELOCITY, strokeVelocity, swellVelocity, VELOCITIES } from './swell'
