export {
  type Backup,
  type BackupTables,
  type FileIssue,
  formatBackup,
  parseBackup,
} from './backup'
