import { nanoid } from 'nanoid'
import { contentOf, type Kept, openSaver, type SetRecord } from '~/storage'
import { aside } from './aside'
import { type Keeping, StoredDocument } from './stored-document'

/** How sets are kept. */
export const SET_KEEPING: Keeping<'sets', SetRecord> = {
  toRecord: (set) => set,
  fromRecord: contentOf,
  setAside: aside('sets', (set, why) => ({
    ...set,
    id: nanoid(12),
    name: `${set.name}, ${why}`.slice(0, 80),
    createdAt: Date.now(),
  })),
}

export type SetDocument = StoredDocument<'sets', SetRecord>

/** A stored set as it is worked on. */
export function setDocument(opened: Kept<SetRecord>): SetDocument {
  const saver = openSaver('sets', opened.id, opened.revision, opened)
  return new StoredDocument(saver, contentOf(opened), null, SET_KEEPING)
}
