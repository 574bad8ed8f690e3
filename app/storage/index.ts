export { rescueLicks } from './database'
export {
  addLicks,
  type LickTexts,
  listLicks,
  loadLick,
  purgeDeleted,
  saveLick,
  setDeleted,
  watchLick,
} from './licks'
export { DEFAULT_SETTINGS, type LickRecord, type Settings, type StoreIssue } from './records'
export { claimFirstVisit, loadSettings, saveSettings } from './settings'
