export { readEverything, readLicksWhole } from './export'
export {
  applyImport,
  type Choice,
  type ImportDone,
  type ImportPlan,
  type IncomingEntry,
  type IncomingTable,
  planImport,
  type Standing,
} from './import'
export { rowsOfFile } from './rows-of-file'
export { noteBackup } from './state'
