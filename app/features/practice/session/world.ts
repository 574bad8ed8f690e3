import {
  type GrooveRecord,
  type Kept,
  type KitRecord,
  type LickRecord,
  listSessionsBetween,
  liveGrooves,
  liveKits,
  liveSessions,
  liveSettings,
  liveVersions,
  loadKept,
  onStoreChange,
  type PracticeSessionRecord,
  type Settings,
  type VersionRecord,
} from '~/storage'
import { Slices } from '~/workspace/slices'

/** What is stored of a lick that is practised, and of who practises it, as it is now. */
export interface World {
  readonly record: Kept<LickRecord>
  /** Whether the lick was deleted elsewhere. */
  readonly deleted: boolean
  readonly settings: Settings
  /** The sessions of this lick. */
  readonly sessions: readonly Kept<PracticeSessionRecord>[]
  /** Those of the last hours, of whatever was practised. */
  readonly recent: readonly Kept<PracticeSessionRecord>[]
  readonly versions: readonly Kept<VersionRecord>[]
  readonly kits: readonly Kept<KitRecord>[]
  readonly grooves: readonly Kept<GrooveRecord>[]
}

/** How far back sessions count as one stretch of practice. */
const STRETCH_MS = 12 * 60 * 60_000

/** The store as practice sees it, in this tab and as the others change it. */
export class StoredWorld extends Slices<World> {
  private readonly since = Date.now() - STRETCH_MS

  constructor(private readonly opened: Kept<LickRecord>) {
    super({
      record: opened,
      deleted: false,
      settings: liveSettings.snapshot().settings,
      sessions: liveSessions(opened.id).snapshot().rows,
      recent: [],
      versions: liveVersions(opened.id).snapshot().rows,
      kits: liveKits.snapshot().rows,
      grooves: liveGrooves.snapshot().rows,
    })
  }

  /** Follows the store until it is stopped by what is returned. */
  open(): () => void {
    const { id } = this.opened
    const [sessions, versions] = [liveSessions(id), liveVersions(id)]
    const read = () =>
      this.together(() => {
        this.take('settings', liveSettings.snapshot().settings)
        this.take('sessions', sessions.snapshot().rows)
        this.take('versions', versions.snapshot().rows)
        this.take('kits', liveKits.snapshot().rows)
        this.take('grooves', liveGrooves.snapshot().rows)
      })
    const stops = [liveSettings, sessions, versions, liveKits, liveGrooves].map((live) =>
      live.subscribe(read),
    )
    stops.push(
      onStoreChange(({ table, ids }) => {
        if (table === 'licks' && ids.includes(id)) void this.readLick()
        if (table === 'sittings') void this.readRecent()
      }),
    )
    read()
    void this.readLick()
    void this.readRecent()
    return () => {
      for (const stop of stops) stop()
    }
  }

  private take<P extends keyof World>(part: P, value: World[P]): void {
    if (this.current[part] !== value) this.patch({ [part]: value } as Pick<World, P>)
  }

  private async readLick(): Promise<void> {
    const stored = await loadKept('licks', this.opened.id)
    if (!stored.ok) return
    this.take('deleted', stored.value === undefined)
    // The same revision is the same lick.
    if (stored.value && stored.value.revision !== this.current.record.revision)
      this.take('record', stored.value)
  }

  private async readRecent(): Promise<void> {
    const read = await listSessionsBetween(this.since, Number.MAX_SAFE_INTEGER)
    if (read.ok) this.take('recent', read.value)
  }
}
