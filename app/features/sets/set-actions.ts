import { nanoid } from 'nanoid'
import { valuesOf } from '~/codecs/lick-text'
import type { LinkedSet } from '~/codecs/link'
import {
  addLicksAsSet,
  type Kept,
  type LickRecord,
  loadLicks,
  MAX_IN_SET,
  notSavedWords,
  putInBin,
  type SetRecord,
  saveRecord,
  saveRecords,
  sharedPlan,
} from '~/storage'
import { plural } from '~/words/figures'
import { addLicksTo } from '~/workspace/documents/set-edits'
import { withBarOf } from '~/workspace/lick-edits'

/** What came of an action: the set to go to, or why nothing was done; empty where it was. */
export interface SetOutcome {
  readonly id: string | null
  readonly trouble: string
}

/** A set of no licks. */
export function emptySet(name: string): SetRecord {
  return {
    id: nanoid(12),
    version: 1,
    createdAt: Date.now(),
    name: name.trim().slice(0, 80) || 'New set',
    note: '',
    minutes: 5,
    plan: null,
    exercises: [],
  }
}

/** Saves some licks of the library as a new set, in their order. */
export async function createSet(name: string, lickIds: readonly string[]): Promise<SetOutcome> {
  const set = addLicksTo(emptySet(name), lickIds)
  const saved = await saveRecord('sets', set, null)
  return saved.ok ? { id: set.id, trouble: '' } : { id: null, trouble: notSavedWords(saved.error) }
}

/**
 * Saves lick texts as licks of the library and, in their order, as a new set: all of it, or nothing where
 * something of it cannot be saved.
 */
export function createSetOf(name: string, texts: readonly string[]): Promise<SetOutcome> {
  const licks = texts.map((text) => ({ text, voicing: '' }))
  return saveLinkedSet({ name, minutes: emptySet(name).minutes, plan: null, licks })
}

/** Saves a set that came with its licks. */
export async function saveLinkedSet({
  name,
  minutes,
  plan,
  licks: texts,
}: LinkedSet): Promise<SetOutcome> {
  if (texts.length > MAX_IN_SET)
    return { id: null, trouble: `A set has at most ${MAX_IN_SET} exercises.` }
  const licks = texts.map((lick) => ({ id: nanoid(12), draft: null, ...lick }))
  const set = addLicksTo(
    { ...emptySet(name), minutes, plan: readPlan(plan) },
    licks.map(({ id }) => id),
  )
  const added = await addLicksAsSet(licks, set, Date.now())
  return added.ok
    ? { id: added.value, trouble: '' }
    : { id: null, trouble: notSavedWords(added.error) }
}

/** A plan that came from outside; null where it is none that this app knows. */
function readPlan(plan: unknown): SetRecord['plan'] {
  const read = sharedPlan.safeParse(plan)
  return read.success ? read.data : null
}

/** What came of changing many licks: what to say, and how to take it back; null where there is nothing to. */
export interface Placed {
  readonly words: string
  readonly undo: (() => Promise<string>) | null
}

/**
 * Gives licks the bar settings of one of them: metre, grid, start, groove, landing, swing. All of them, or none where
 * the store refuses. Taken back, licks that were changed since stay as they are.
 */
export async function placeLike(ids: readonly string[], model: string): Promise<Placed> {
  const read = await loadLicks(ids)
  if (!read.ok) return { words: notSavedWords(read.error), undo: null }
  const like = read.value.find(({ id }) => id === model)
  if (!like) return { words: '', undo: null }
  const changes = read.value.flatMap((before) => {
    const record = withBarOf(before, like.text)
    return record ? [{ before, record }] : []
  })
  const saved = await saveRecords(
    changes.map(({ before, record }) => ({ table: 'licks', record, base: before.revision })),
  )
  if (!saved.ok) return { words: notSavedWords(saved.error), undo: null }
  const title = valuesOf(like.text, 'title')[0] ?? 'Untitled'
  return {
    words: `${plural(changes.length, 'lick')} put in the bar of “${title}”.`,
    undo: changes.length > 0 ? () => takeBack(changes) : null,
  }
}

async function takeBack(
  changes: readonly { before: Kept<LickRecord>; record: LickRecord }[],
): Promise<string> {
  const read = await loadLicks(changes.map(({ record }) => record.id))
  if (!read.ok) return notSavedWords(read.error)
  const now = new Map(read.value.map((lick) => [lick.id, lick]))
  const back = changes.flatMap(({ before, record }) => {
    const lick = now.get(record.id)
    const { text, draft } = before
    return lick?.text === record.text
      ? [{ table: 'licks' as const, record: { ...lick, text, draft }, base: lick.revision }]
      : []
  })
  const saved = await saveRecords(back)
  return saved.ok ? `${plural(back.length, 'lick')} as before.` : notSavedWords(saved.error)
}

/** Puts a set in the bin; its licks stay in the library. */
export async function deleteSet({ id }: SetRecord): Promise<SetOutcome> {
  return outcomeOf(await putInBin([{ table: 'sets', id }]))
}

/** Puts the licks of a set in the bin. */
export async function deleteLicksOf({ exercises }: SetRecord): Promise<SetOutcome> {
  return outcomeOf(await putInBin(exercises.map(({ lickId }) => ({ table: 'licks', id: lickId }))))
}

function outcomeOf(binned: Awaited<ReturnType<typeof putInBin>>): SetOutcome {
  return { id: null, trouble: binned.ok ? '' : notSavedWords(binned.error) }
}
