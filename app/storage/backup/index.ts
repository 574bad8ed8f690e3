export { readEverything, readLicksWhole } from './export'
export {
  applyImport,
  type Choice,
  type ImportDone,
  type ImportPlan,
  type IncomingEntry,
  type IncomingTable,
  planImport,
  rowsOfFile,
  type Standing,
} from './import'
export { noteBackup } from './state'
