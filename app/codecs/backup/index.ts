export {
  type Backup,
  type BackupTables,
  type FileIssue,
  formatBackup,
} from './backup'
export { type OurFile, recogniseFile } from './recognise'
