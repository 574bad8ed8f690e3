import { nanoid } from 'nanoid'
import type { LinkedSet } from '~/codecs/link'
import {
  addLicksAsSet,
  MOST_IN_SET,
  notSavedWords,
  putInBin,
  type SetRecord,
  saveRecord,
  sharedPlan,
} from '~/storage'
import { addLicksTo } from '~/workspace/set-edits'

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
  if (texts.length > MOST_IN_SET)
    return { id: null, trouble: `A set has at most ${MOST_IN_SET} exercises.` }
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
