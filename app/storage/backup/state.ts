import { ok, type Result } from '~/core/foundation'
import { announce } from '../changes'
import { withStore } from '../database'
import type { StoreIssue } from '../issue'

const BACKUP_MARK = 'backup'

/** Notes that a whole backup was made. */
export function noteBackup(at: number): Promise<Result<null, StoreIssue>> {
  return withStore(async (database) => {
    await database.settings.put({ id: BACKUP_MARK, at })
    announce([{ table: 'backup', ids: [BACKUP_MARK] }])
    return ok(null)
  })
}

/** What is to be said of the last backup: when that was, and whether there is anything to back up. */
export interface BackupState {
  readonly at: number | null
  /** When the store was filled first, as far as its licks tell; null where there is none. */
  readonly since: number | null
  readonly aside: number
}

/** When everything was backed up last. */
export function backupState(): Promise<Result<BackupState, StoreIssue>> {
  return withStore(async (database) => {
    const mark = await database.settings.get(BACKUP_MARK)
    const first = await database.licks.limit(200).toArray()
    const made = first.flatMap(({ createdAt }) => (typeof createdAt === 'number' ? createdAt : []))
    return ok({
      at: typeof mark?.at === 'number' ? mark.at : null,
      since: made.length > 0 ? Math.min(...made) : null,
      aside: await database.aside.count(),
    })
  })
}
