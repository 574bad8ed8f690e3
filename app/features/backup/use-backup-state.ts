import { type Concerns, useRead } from '~/live/use-read'
import { type BackupState, backupState } from '~/storage/backup/state'

const ofBackups: Concerns = (table) => table === 'aside' || table === 'backup'

/** What is to be said of the last backup, as it is; null until it has been read. */
export function useBackupState(): BackupState | null {
  return useRead<BackupState | null>(backupState, ofBackups, null)
}
