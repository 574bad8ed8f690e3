import { ok, type Result } from '~/core/foundation'
import { openDatabase, type StoredRow, toStoreIssue } from './database'
import { DEFAULT_SETTINGS, type Settings, type StoreIssue, settingsSchema } from './records'

const SETTINGS_ID = 'settings'
const MARKS_ID = 'marks'

/** The player's settings; the defaults where none are stored or they cannot be read. */
export async function loadSettings(): Promise<Settings> {
  const database = await openDatabase()
  if (!database.ok) return DEFAULT_SETTINGS
  const stored = await database.value.settings.get(SETTINGS_ID).catch(() => undefined)
  const read = settingsSchema.safeParse(stored ?? {})
  return read.success ? read.data : DEFAULT_SETTINGS
}

/** Stores the settings. */
export async function saveSettings(settings: Settings): Promise<Result<Settings, StoreIssue>> {
  const database = await openDatabase()
  if (!database.ok) return database
  try {
    await database.value.settings.put({ id: SETTINGS_ID, ...settings })
    return ok(settings)
  } catch (error) {
    return { ok: false, error: toStoreIssue(error) }
  }
}

/**
 * Whether the store is new: true once in its life. Asked and marked in one transaction, so that
 * two tabs opened together do not both fill it.
 */
export async function claimFirstVisit(): Promise<boolean> {
  const database = await openDatabase()
  if (!database.ok) return false
  const { settings, licks } = database.value
  try {
    return await database.value.transaction('rw', settings, licks, async () => {
      if (await settings.get(MARKS_ID)) return false
      await settings.put({ id: MARKS_ID, visited: true } satisfies StoredRow)
      return (await licks.count()) === 0
    })
  } catch {
    return false
  }
}
