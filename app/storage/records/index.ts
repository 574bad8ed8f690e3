export { MAX_TEXT } from './fields'
export {
  LICK_RECORD_VERSION,
  type LickRecord,
  readLickRecord,
  VERSION_NAME_MOST,
  type VersionRecord,
  versionRecordSchema,
} from './lick'
export {
  type CellRecord,
  cellRecordSchema,
  type GrooveRecord,
  grooveRecordSchema,
  type KitRecord,
  kitRecordSchema,
} from './own'
export {
  MAX_RUNGS,
  MAX_TEMPLATES,
  type PlanContent,
  type PlanRecord,
  type PlanTemplate,
  planRecordSchema,
  type SharedPlan,
  sharedPlan,
} from './plan'
export { FLOW_ID, type PracticeSessionRecord, practiceSessionRecordSchema } from './session'
export {
  MAX_IN_SET,
  type SetRecord,
  type SoloRecord,
  setRecordSchema,
  soloRecordSchema,
} from './set'
export {
  clickedMarks,
  DEFAULT_SETTINGS,
  MAX_QUESTIONS,
  type Settings,
  settingsSchema,
} from './settings'
