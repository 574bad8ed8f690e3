import { useEffect, useState } from 'react'
import { Link } from 'react-router'
import { backupState } from '~/storage/backup/state'
import { reminderWords } from './import-view'

/** Reminds of a backup when the last one is old; nothing otherwise. */
export function BackupReminder() {
  const [words, setWords] = useState('')
  useEffect(() => {
    let gone = false
    void backupState().then((state) => {
      if (state.ok && !gone) setWords(reminderWords(state.value, Date.now()))
    })
    return () => {
      gone = true
    }
  }, [])
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
