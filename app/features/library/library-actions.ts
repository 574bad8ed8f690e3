import type { Result } from '~/core/foundation'
import {
  type LickTexts,
  loadLick,
  loadLicks,
  NEW_LICK,
  notSavedWords,
  putInBin,
  restore,
  type StoreIssue,
  createLick as saveLick,
  saveRecords,
} from '~/storage'

/** What another page tells the library on the way there: what it has just deleted. */
export interface LibraryState {
  readonly deleted: readonly DeletedLick[]
}

/** A lick that was put in the bin a moment ago. */
export interface DeletedLick {
  readonly id: string
  readonly title: string
}

/** What came of an action: where to go, or what to say. */
export type LibraryOutcome =
  | { readonly kind: 'open'; readonly id: string }
  | { readonly kind: 'done'; readonly message: string }
  | { readonly kind: 'failed'; readonly message: string }

/** Starts a lick. */
export function newLick(): Promise<LibraryOutcome> {
  return createLick(NEW_LICK)
}

/** Saves texts as a lick of its own. */
export async function createLick(texts: LickTexts): Promise<LibraryOutcome> {
  const made = await saveLick(texts)
  return made.ok ? { kind: 'open', id: made.value } : failed(made.error)
}

/** Saves a copy of a stored lick. */
export async function duplicateLick(id: string): Promise<LibraryOutcome> {
  const lick = await loadLick(id)
  if (!lick.ok) return failed(lick.error)
  const { copyOf } = await import('~/workspace/lick-edits')
  return createLick(copyOf(lick.value))
}

/** Changes of many are made so many at a time, so that the page stays alive. */
const AT_ONCE = 25

async function inChunks(
  ids: readonly string[],
  { onProgress, signal }: LongWork,
  work: (chunk: readonly string[]) => Promise<LibraryOutcome>,
): Promise<LibraryOutcome> {
  let outcome: LibraryOutcome = { kind: 'done', message: '' }
  for (let from = 0; from < ids.length && outcome.kind !== 'failed'; from += AT_ONCE) {
    if (signal?.aborted) return { kind: 'failed', message: `Cancelled after ${from} licks.` }
    outcome = await work(ids.slice(from, from + AT_ONCE))
    onProgress?.({ done: Math.min(ids.length, from + AT_ONCE), all: ids.length })
    // Between two pieces the page is drawn.
    await new Promise((resolve) => setTimeout(resolve))
  }
  return outcome
}

/** How a long piece of work is watched and cancelled; what was done by then stays done. */
export interface LongWork {
  readonly onProgress?: (progress: { done: number; all: number }) => void
  readonly signal?: AbortSignal
}

/** Puts licks in the bin. */
export function deleteLicks(ids: readonly string[], long: LongWork = {}): Promise<LibraryOutcome> {
  return inChunks(ids, long, async (chunk) => done(await putInBin(refsOf(chunk))))
}

/** Takes licks out of the bin again. */
export function restoreLicks(ids: readonly string[]): Promise<LibraryOutcome> {
  return inChunks(ids, {}, async (chunk) => done(await restore(refsOf(chunk))))
}

function done(result: Result<unknown, StoreIssue>): LibraryOutcome {
  return result.ok ? { kind: 'done', message: '' } : failed(result.error)
}

function refsOf(ids: readonly string[]) {
  return ids.map((id) => ({ table: 'licks' as const, id }))
}

/** Adds a tag to licks that do not have it; stops, and says so, where one was changed meanwhile. */
export async function tagLicks(
  ids: readonly string[],
  tag: string,
  long: LongWork = {},
): Promise<LibraryOutcome> {
  const wanted = tag.replaceAll(',', ' ').trim()
  if (wanted === '') return { kind: 'failed', message: 'Type a tag first.' }
  const { withTag } = await import('~/workspace/lick-edits')
  let tagged = 0
  const outcome = await inChunks(ids, long, async (chunk) => {
    const licks = await loadLicks(chunk)
    if (!licks.ok) return failed(licks.error)
    const changes = licks.value.flatMap((lick) => {
      const record = withTag(lick, wanted)
      return record ? [{ table: 'licks' as const, record, base: lick.revision }] : []
    })
    const saved = await saveRecords(changes)
    tagged += changes.length
    return done(saved)
  })
  if (outcome.kind === 'failed') return outcome
  return {
    kind: 'done',
    message: `Tagged ${tagged} ${tagged === 1 ? 'lick' : 'licks'} “${wanted}”.`,
  }
}

/** Adds the demo's licks. */
export async function addDemo(): Promise<LibraryOutcome> {
  const { addDemoLicks } = await import('~/demo/content')
  const added = await addDemoLicks()
  return added.ok ? { kind: 'done', message: `${added.value} licks added` } : failed(added.error)
}

function failed(issue: StoreIssue): LibraryOutcome {
  return { kind: 'failed', message: notSavedWords(issue) }
}
