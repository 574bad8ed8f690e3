export { rescueLicks } from './database'
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
export { DEFAULT_SETTINGS, type LickRecord, type Settings, type StoreIssue } from './records'
export { loadSettings, saveSettings } from './settings'
