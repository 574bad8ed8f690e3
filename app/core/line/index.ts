export { type Aim, aimOf, fittingStart } from './aim'
export { type Clash, limbClashes } from './clashes'
export {
  firstFrom,
  isNoGroove,
  lastStrokes,
  lickSlots,
  lineEvents,
  pickupEvents,
  pickupGrid,
  pickupSlots,
  type StrokeEvent,
  slotAt,
  strokeEvents,
  strokeEventsBetween,
} from './events'
export { crashHand, isChoked, landingContent, landingStrokes, silenceAfter } from './landing'
export {
  CHOKE_AFTER,
  DEFAULT_FRAME,
  DEFAULT_TEMPO,
  EMPTY_LICK,
  type Frame,
  frameTicks,
  type Hairpin,
  LANDING_WORDS,
  type Landing,
  type LandingKind,
  type LandingWord,
  type Lick,
  MAX_LEAD,
  MAX_NAMED_PARTS,
  type NamedPart,
  NO_GROOVE,
  OSTINATO_SCOPES,
  type Ostinato,
  type OstinatoScope,
  PART_NAME_MOST,
  TEMPO_RANGE,
  withoutSwing,
} from './lick'
export {
  countStrokes,
  EMPTY_LINE,
  type GridChange,
  type Line,
  lineTicks,
  MAX_BARS,
  MAX_SLOTS,
  MAX_STROKES,
  normalGridChanges,
} from './line'
export {
  type OstinatoSlot,
  type OstinatoSpan,
  ostinatoSlotsBetween,
  ostinatoSpan,
} from './ostinato-slots'
export { type TrueSpeed, trueSpeed } from './speed'
export {
  type Approach,
  approachOf,
  type FreeHand,
  fitOf,
  type LineFit,
  lineCounts,
  type Span,
  type Sum,
  sumOf,
} from './sum'
export { eventVelocity, GRACE_VELOCITY, strokeVelocity, swellVelocity, VELOCITIES } from './swell'
export { type TimedSlot, timedSlots } from './timed-slots'
