export { rescueLicks } from './database'
export {
  forget,
  keepCell,
  keepGroove,
  keepKit,
  keepSitting,
  keepVersion,
  listCells,
  listGrooves,
  listKits,
  listSittings,
  listVersions,
} from './kept'
export {
  addLicks,
  fillOnFirstVisit,
  type LickTexts,
  listLicks,
  loadLick,
  purgeDeleted,
  saveLick,
  setDeleted,
  watchLick,
} from './licks'
export {
  type CellRecord,
  cellRecordSchema,
  DEFAULT_SETTINGS,
  type GrooveRecord,
  grooveRecordSchema,
  type KitRecord,
  kitRecordSchema,
  type LickRecord,
  type Settings,
  type SittingRecord,
  type StoreIssue,
  sittingRecordSchema,
  type VersionRecord,
  versionRecordSchema,
} from './records'
export { loadSettings, saveSettings } from './settings'
