export { readEverything, readLicksWhole } from './export'
export { applyImport, type Choice, type ImportDone } from './import'
export {
  type ImportPlan,
  type IncomingEntry,
  type IncomingTable,
  planImport,
  type Standing,
} from './import-plan'
export { rowsOfFile } from './rows-of-file'
export { noteBackup } from './state'
