import { Link } from 'react-router'
import { reminderWords } from './import-view'
import { useBackupState } from './use-backup-state'

/** Reminds of a backup when the last one is old; nothing otherwise. */
export function BackupReminder() {
  const state = useBackupState()
  const words = state ? reminderWords(state, Date.now()) : ''
  if (words === '') return null
  return (
    <p className="mt-4 text-(--quiet) text-sm">
      {words}{' '}
      <Link to="/backup" className="link">
        Save a backup
      </Link>
    </p>
  )
}
