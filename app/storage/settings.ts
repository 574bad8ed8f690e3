import { ok, type Result } from '~/core/foundation'
import { openDatabase, toStoreIssue } from './database'
import { DEFAULT_SETTINGS, type Settings, type StoreIssue, settingsSchema } from './records'

const SETTINGS_ID = 'settings'

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
