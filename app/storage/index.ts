export { purge, putInBin, type Ref, restore, saveRecord, saveRecords } from './change'
export { onStoreChange } from './changes'
export { onStoreTaken, rescueLicks } from './database'
export type { StoredLog } from './derived/logs'
export type { LickSummary } from './derived/summary'
export { turnSummary } from './derived/turn-summary'
export { notSavedWords, type StoreIssue } from './issue'
export {
  addLicks,
  createLick,
  type LickTexts,
  loadLick,
  loadLicks,
  loadVersions,
  NEW_LICK,
  NEW_TITLE,
  type NewLick,
  toLickRecord,
  wasVisited,
} from './licks'
export type { LiveState, LiveTable } from './live/live-table'
export {
  liveCells,
  liveGrooves,
  liveKits,
  liveLogs,
  liveSessions,
  liveSets,
  liveSolos,
  liveSummaries,
  liveVersions,
} from './live/tables'
export { storeReady } from './ready'
export {
  type CellRecord,
  cellRecordSchema,
  clickedMarks,
  DEFAULT_SETTINGS,
  FLOW_ID,
  type GrooveRecord,
  grooveRecordSchema,
  type KitRecord,
  kitRecordSchema,
  type LickRecord,
  MAX_IN_SET,
  MAX_QUESTIONS,
  MAX_RUNGS,
  MAX_TEMPLATES,
  type PlanContent,
  type PlanRecord,
  type PlanTemplate,
  type PracticeSessionRecord,
  planRecordSchema,
  practiceSessionRecordSchema,
  type SetRecord,
  type Settings,
  type SharedPlan,
  type SoloRecord,
  setRecordSchema,
  sharedPlan,
  soloRecordSchema,
  type VersionRecord,
  versionRecordSchema,
} from './records'
export type { RecordSaver, SaverPorts, SaveState } from './saving/record-saver'
export {
  closeSaver,
  followRecord,
  loadKept,
  onUnsaved,
  openSaver,
  type Unsaved,
  unsavedNow,
} from './saving/savers'
export {
  listNewestSessions,
  listSessionsBetween,
  loadPlan,
  loadSessions,
  type SessionPage,
} from './sessions'
export { addLicksAsSet } from './sets'
export { liveSettings, type SettingsState } from './settings'
export { listSnapshots, type Snapshot } from './snapshots'
export { loadSparePlan, removeSparePlan, saveSparePlan } from './spare-plan'
export { contentOf, type Kept, type KeptTable, type RecordOf, sparePlanId } from './tables'
