import * as z from 'zod/mini'
import { fail, ok, type Result } from '~/core/foundation'
import { announce, onStoreChange } from './changes'
import { withStore } from './database'
import type { StoreIssue } from './issue'
import { DEFAULT_SETTINGS, type Settings, settingsSchema } from './records'
import { journal } from './saving/page'
import { hasSaved, type SavedBy, type Saves, savesSchema, withSave } from './tables'

const SETTINGS_ID = 'settings'

export type SettingsState = {
  readonly settings: Settings
  /** Why the newest change is not in the store; null where it is, or is on its way. */
  readonly trouble: StoreIssue | null
}

/** Settings as they are stored: a field that cannot be read is the default, the others stay. */
export function readSettings(stored: unknown): Settings {
  const whole = settingsSchema.safeParse(stored ?? {})
  if (whole.success) return whole.data
  return { ...DEFAULT_SETTINGS, ...readableFields(stored) }
}

/** The fields of settings that are there and can be read. */
function readableFields(stored: unknown): Partial<Settings> {
  const fields = z.looseObject({}).safeParse(stored)
  if (!fields.success) return {}
  const readable = Object.entries(settingsSchema.shape).flatMap(([name, field]) => {
    if (!Object.hasOwn(fields.data, name)) return []
    const read = field.safeParse(fields.data[name])
    return read.success ? [[name, read.data]] : []
  })
  return Object.fromEntries(readable)
}

/** Changes settings in the store: fields that are not named stay as they are there. */
export function patchSettings(
  patch: Partial<Settings>,
  savedBy?: SavedBy,
): Promise<Result<Settings, StoreIssue>> {
  return withStore(async (database) => {
    const written = await database.transaction('rw', database.settings, async () => {
      const stored = await database.settings.get(SETTINGS_ID)
      const next = settingsSchema.safeParse({ ...readSettings(stored), ...patch })
      if (!next.success) return undefined
      const before = savesOf(stored)
      const saves = savedBy ? withSave(before, savedBy) : before
      await database.settings.put({ id: SETTINGS_ID, ...next.data, ...(saves && { saves }) })
      return next.data
    })
    if (!written) return fail({ code: 'broken-record', detail: 'settings that cannot be read' })
    announce([{ table: 'settings', ids: [SETTINGS_ID] }])
    return ok(written)
  })
}

/** How far each page had come that saved settings. */
function savesOf(stored: unknown): Saves | undefined {
  const read = z.object({ saves: savesSchema }).safeParse(stored)
  return read.success ? read.data.saves : undefined
}

const RETRY_MS = 3000

/**
 * The player's settings, live: what is changed shows at once, is journalled in the same step and then
 * saved; what another tab changes shows too. A change that cannot be saved stays, is told, and is tried
 * again.
 */
export class LiveSettings {
  private state: SettingsState = { settings: DEFAULT_SETTINGS, trouble: null }
  private patch: Partial<Settings> = {}
  /** The number of the newest change. */
  private count = 0
  private opening: Promise<SettingsState> | undefined
  private saving: Promise<void> | undefined
  private readonly listeners = new Set<() => void>()

  readonly snapshot = (): SettingsState => this.state

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    void this.open()
    return () => this.listeners.delete(listener)
  }

  /** Resolves when the settings have been read; the defaults where they cannot be. */
  open(): Promise<SettingsState> {
    this.opening ??= this.start()
    return this.opening
  }

  private async start(): Promise<SettingsState> {
    onStoreChange(({ table }) => {
      if (table === 'settings' && !this.saving) void this.read()
    })
    const left = journal.others().filter(({ entry }) => entry.table === 'settings')
    const stored = left.length > 0 ? await this.load() : undefined
    // After a kill an older note may come back than the store has a state of.
    const lost = left.filter(
      ({ entry: { page, count } }) => count === null || !hasSaved(savesOf(stored), { page, count }),
    )
    const taken = lost.map(({ entry }) => readableFields(entry.record))
    // What this page has changed meanwhile is newer than all of it.
    this.patch = Object.assign({}, ...taken, this.patch)
    // Noted here before it is forgotten there: in between nothing may be lost.
    if (lost.length === 0 || this.noteDown()) for (const { drop } of left) drop()
    if (Object.keys(this.patch).length > 0) await this.save()
    await this.read()
    return this.state
  }

  private async read(): Promise<void> {
    const stored = await withStore(async (database) => ok(await database.settings.get(SETTINGS_ID)))
    if (stored.ok) this.tell({ ...readSettings(stored.value), ...this.patch }, this.state.trouble)
  }

  /** The row as it is stored; undefined where there is none, or it cannot be read. */
  private async load(): Promise<unknown> {
    const stored = await withStore(async (database) => ok(await database.settings.get(SETTINGS_ID)))
    return stored.ok ? stored.value : undefined
  }

  /** Notes what is not stored yet, as the newest change of this page. */
  private noteDown(): boolean {
    this.count = journal.next()
    return journal.note('settings', SETTINGS_ID, null, this.patch, this.count)
  }

  /** Changes some fields. */
  change(patch: Partial<Settings>): void {
    this.patch = { ...this.patch, ...patch }
    this.noteDown()
    this.tell({ ...this.state.settings, ...patch }, this.state.trouble)
    this.saving ??= this.save().finally(() => {
      this.saving = undefined
    })
  }

  /** Resolves when what was changed is in the store, or is known not to get there. */
  async settled(): Promise<void> {
    await this.open()
    await this.saving
  }

  private async save(): Promise<void> {
    while (Object.keys(this.patch).length > 0) {
      const patch = this.patch
      const savedBy = { page: journal.writer.page, count: this.count }
      const saved = await patchSettings(patch, savedBy)
      if (!saved.ok) {
        this.tell(this.state.settings, saved.error)
        setTimeout(() => this.change({}), RETRY_MS)
        return
      }
      if (this.patch === patch) {
        this.patch = {}
        journal.drop('settings', SETTINGS_ID)
        this.tell(saved.value, null)
      }
    }
  }

  private tell(settings: Settings, trouble: StoreIssue | null): void {
    this.state = { settings, trouble }
    for (const listener of [...this.listeners]) listener()
  }
}

/** The settings of this browser. */
export const liveSettings = new LiveSettings()
