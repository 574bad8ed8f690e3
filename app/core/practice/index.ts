export {
  buildUp,
  PART_KINDS,
  type PartKind,
  PRACTICE_SCHOOLS,
  type PracticePart,
  type PracticeSchool,
} from './build-up'
export { drawPhrase, type FlowCell, type FlowPhrase, type FlowRules } from './flow'
export {
  formName,
  inForm,
  PRACTICE_FORMS,
  type PracticeForm,
  type Round,
  repeatsAfter,
  roundOf,
  roundSeconds,
} from './form'
export {
  equalRatios,
  equalSteps,
  LADDER_SCHOOLS,
  type LadderSchool,
  ladderOf,
  nextRung,
  nextTempos,
  type Rating,
  threeRungs,
  wholeRatios,
} from './ladder'
export { dueAfter, type LickLog, lickLogs, minutesByDay, type Sitting } from './log'
export { planSeconds, type Stage, stageSeconds } from './plan'
