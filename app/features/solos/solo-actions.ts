import { nanoid } from 'nanoid'
import { formatSolo, parseSolo } from '~/codecs/solo'
import type { Solo } from '~/core/solo'
import { toMeter } from '~/core/time'
import { type Kept, notSavedWords, putInBin, type SoloRecord, saveRecord } from '~/storage'

/** What came of an action: where to go, or why nothing was done; empty where it was. */
export interface SoloOutcome {
  readonly id: string | null
  readonly trouble: string
}

/** A solo to begin with: four bars of groove. */
export const NEW_SOLO: Solo = {
  title: 'New solo',
  tags: [],
  meter: toMeter(4, 4),
  tempo: 90,
  goal: null,
  parts: [
    { kind: 'groove', id: 'start', name: '', groove: 'eighths', meter: toMeter(4, 4), bars: 4 },
  ],
  wish: [],
}

/** Saves a solo as a new one. */
export async function createSolo(solo: Solo): Promise<SoloOutcome> {
  const id = nanoid(12)
  const record: SoloRecord = {
    id,
    version: 1,
    createdAt: Date.now(),
    name: solo.title,
    solo: formatSolo(solo),
  }
  const saved = await saveRecord('solos', record, null)
  return saved.ok ? { id, trouble: '' } : { id: null, trouble: notSavedWords(saved.error) }
}

/** Saves a copy of a stored solo. */
export async function duplicateSolo({ solo: text }: Kept<SoloRecord>): Promise<SoloOutcome> {
  const read = parseSolo(text)
  if (!read.ok) return { id: null, trouble: read.error.message }
  return createSolo({ ...read.value, title: `${read.value.title} copy` })
}

/** Puts a solo in the bin. */
export async function deleteSolo(id: string): Promise<SoloOutcome> {
  const binned = await putInBin([{ table: 'solos', id }])
  return { id: null, trouble: binned.ok ? '' : notSavedWords(binned.error) }
}
