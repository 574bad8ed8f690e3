import { ok, type Result } from '~/core/foundation'
import { announce } from '../changes'
import { withStore } from '../database'
import { notSavedWords, type StoreIssue } from '../issue'
import { patchSettings, readSettings } from '../settings'
import type { KeptTable, RecordOf } from '../tables'
import { type Change, write } from '../write'
import type { OnProgress } from './export'
import { type ImportPlan, newId, type Planned } from './import-plan'

/** What can be done with an entry that is here in another state. */
export type Choice = 'replace' | 'both' | 'skip'

/** What to do with what is here in another state: for all, and for some by themselves. */
export interface Choices {
  readonly different: Choice
  readonly single: ReadonlyMap<number, Choice>
}

/** What came of an import. */
export interface ImportDone {
  readonly added: number
  /** Out of the bin. */
  readonly restored: number
  readonly replaced: number
  readonly aside: number
  readonly skipped: number
  /** The first of the licks that came, to be opened. */
  readonly licks: readonly { readonly id: string; readonly name: string }[]
  /** Why some could not be written; each a line. */
  readonly faults: readonly string[]
  readonly cancelled: boolean
}

/** So many entries are written as one: all of them, or none. More, and it goes in steps. */
const WHOLE = 1000
const WRITTEN_AT_ONCE = 400
/** So many licks are told of by name once they came. */
const MAX_TOLD = 5
/** What fails for one entry fails for all: the store itself is full, or gone. */
const OF_THE_STORE: ReadonlySet<StoreIssue['code']> = new Set(['quota', 'unavailable'])

/**
 * Carries a plan out. Up to a thousand entries are written whole, so that a store that fails in the middle
 * is as it was; a large backup goes in steps that are each made whole or not at all, between which it can
 * be cancelled, and what was done stays done. An entry that is refused by itself stops no other. While the
 * browser writes one step, the next is made ready.
 */
export async function applyImport(
  { planned }: ImportPlan,
  choices: Choices,
  now: number,
  onProgress: OnProgress,
  cancelled: () => boolean,
): Promise<ImportDone> {
  const importing = new Importing(choices, now)
  const step = planned.length <= WHOLE ? WHOLE : WRITTEN_AT_ONCE
  let before: Promise<void> | undefined
  for (let from = 0; from < planned.length; from += step) {
    const written = importing.take(planned.slice(from, from + step), from)
    await before
    before = written
    // What is done, not what is on its way.
    onProgress(from, planned.length)
    await new Promise((resolve) => setTimeout(resolve))
    if (importing.full || cancelled()) break
  }
  await before
  if (!importing.full && !cancelled()) onProgress(planned.length, planned.length)
  return { ...importing.done, cancelled: cancelled() }
}

/** An import on its way: what has come of it so far. */
class Importing {
  private readonly count = { added: 0, restored: 0, replaced: 0, aside: 0, skipped: 0 }
  private readonly licks: { id: string; name: string }[] = []
  private readonly faults: string[] = []
  /** Whether the store takes nothing more. */
  full = false

  constructor(
    private readonly choices: Choices,
    private readonly now: number,
  ) {}

  get done(): Omit<ImportDone, 'cancelled'> {
    return { ...this.count, licks: this.licks, faults: this.faults }
  }

  /** Writes a step: all of it, or its entries one by one where it is refused as a whole. */
  async take(chunk: readonly Planned[], from: number): Promise<void> {
    const kept = chunk.map((one) => decided(one, this.choices))
    const done = await write(
      kept.flatMap(({ changes }) => changes),
      this.now,
    )
    if (!done.ok && OF_THE_STORE.has(done.error.code)) {
      if (!this.full) this.faults.push(notSavedWords(done.error))
      this.full = true
      return
    }
    if (done.ok) kept.forEach(this.counted)
    else for (const one of kept) await this.takeAlone(one)
    for (const [i, { entry, row }] of chunk.entries()) {
      const as = kept[i]?.as
      const beside =
        as === 'aside'
          ? await putAside(row, this.now, `${this.now}-${from + i}`)
          : entry.table === 'settings' && as === 'replaced'
            ? await patchSettings(readSettings(row))
            : ok(null)
      if (beside.ok || !as) continue
      this.count[as] -= 1
      this.faults.push(`${entry.name}: ${beside.error.detail}`)
    }
  }

  private async takeAlone(one: Decided): Promise<void> {
    const done = one.changes.length > 0 ? await write(one.changes, this.now) : ok([])
    if (done.ok) this.counted(one)
    else this.faults.push(`${one.name}: ${done.error.detail}`)
  }

  private readonly counted = ({ as, name, changes }: Decided): void => {
    this.count[as] += 1
    const [first] = changes
    if (first?.table === 'licks' && this.licks.length < MAX_TOLD)
      this.licks.push({ id: first.kind === 'save' ? first.record.id : first.id, name })
  }
}

type Kind = 'added' | 'restored' | 'replaced' | 'aside' | 'skipped'

interface Decided {
  readonly as: Kind
  readonly name: string
  readonly changes: readonly Change[]
}

function decided(
  { entry, record, deletedAt, updatedAt, here }: Planned,
  choices: Choices,
): Decided {
  const { table, standing, index, name } = entry
  const nothing = (as: Kind): Decided => ({ as, name, changes: [] })
  if (standing === 'unreadable') return nothing('aside')
  if (standing === 'same') return nothing('skipped')
  const own = choices.single.get(index)
  const choice = own ?? choices.different
  if (table === 'settings') return nothing(choice === 'replace' ? 'replaced' : 'skipped')
  if (table === 'aside' || !record) return nothing('skipped')
  const save = (of: RecordOf[KeptTable], base: number | null) =>
    ({ kind: 'save', table, record: of, base, updatedAt }) as unknown as Change
  const bin = (id: string): readonly Change[] => (deletedAt ? [{ kind: 'bin', table, id }] : [])
  if (standing === 'new')
    return { as: 'added', name, changes: [save(record, null), ...bin(record.id)] }
  // What is in the bin here and in use in the file is the same thing: it comes back, it is not doubled.
  if (here?.deleted && deletedAt === null && own !== 'skip' && own !== 'both') {
    const out: Change = { kind: 'restore', table, id: record.id }
    return { as: 'restored', name, changes: [out, save(record, here.revision + 1)] }
  }
  if (choice === 'skip') return nothing('skipped')
  if (choice === 'both') {
    if (table === 'plans') return nothing('skipped')
    const id = newId(table)
    return { as: 'added', name, changes: [save({ ...record, id }, null), ...bin(id)] }
  }
  if (!here) return nothing('skipped')
  const back: readonly Change[] = here.deleted ? [{ kind: 'restore', table, id: record.id }] : []
  const base = here.revision + back.length
  return { as: 'replaced', name, changes: [...back, save(record, base), ...bin(record.id)] }
}

/** Keeps what cannot be read as it is: it is in every backup, until a version comes that can read it. */
function putAside(raw: unknown, at: number, id: string): Promise<Result<null, StoreIssue>> {
  return withStore(async (database) => {
    await database.aside.put({ id, at, raw })
    announce([{ table: 'aside', ids: [id] }])
    return ok(null)
  })
}
