export {
  addedPart,
  type BarExcerpt,
  barExcerpt,
  LOOP_KINDS,
  type LoopKind,
  loopPart,
} from './added-parts'
export { buildUp, type PracticePart, partKey, usualOrder } from './build-up'
export { minutesSinceBreak, type Strain, strainsAt } from './care'
export {
  barsOfRung,
  type Climb,
  chooseRung,
  repeatsOn,
  type Standing,
  standAt,
} from './climb'
export { type DrawPhrase, type FlowCell, type FlowPhrase, type FlowRules, toDraw } from './flow'
export {
  effectiveForm,
  formName,
  inForm,
  PRACTICE_FORMS,
  type PracticeForm,
  type Round,
  roundOf,
  roundSeconds,
} from './form'
export {
  addGridRung,
  bySpeed,
  type GridRung,
  moveGridRung,
  onlyGrid,
  regridRung,
  removeGridRung,
  rungSpeed,
} from './grid-ladder'
export { type Bounds, DRAWN, type Drawn, toImprovised } from './improvise'
export { type InRow, inTurn, type VersionRow, versionsInRow } from './in-row'
export type { JoinRules } from './joins'
export { PART_KINDS, type PartKind, PRACTICE_ORDERS, type PracticeOrder } from './kinds'
export {
  addRung,
  DEFAULT_CAP,
  equalRatios,
  equalSteps,
  goalLadder,
  jumpsOf,
  LADDER_KINDS,
  type LadderKind,
  type LadderWish,
  ladderOf,
  ladderSpan,
  moveRung,
  nextRung,
  nextTempos,
  removeRung,
  slowerRung,
  threeRungs,
  wholeRatios,
  withRung,
} from './ladder'
export {
  fillsBar,
  type Mix,
  type MixPhrase,
  type MixSource,
  type Stretch,
  TAILS,
  type Tail,
  toMix,
  toStretch,
} from './mix'
export {
  nextCell,
  PLAN_SEQUENCES,
  type PlanCell,
  type PlanSequence,
  planSeconds,
  type RungCounts,
  type Stage,
  stageSeconds,
} from './plan'
export { findPulsed, PULSES, type Pulse, pulseOf } from './pulse'
export { type SeamRun, seamRuns } from './seam'
export { orderOf, type SetExercise, type SetOrder } from './sets'
export {
  findStep,
  isAdded,
  layPattern,
  moveStep,
  type PlannedStep,
  patternOf,
  planSteps,
  repeatStep,
  type StepChoice,
  type StepPattern,
  sameForm,
  toChoices,
} from './steps'
export { type FlowWishes, withWishes } from './wishes'
