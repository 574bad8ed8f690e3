import { type Kept, notSavedWords, restore } from '~/storage'
import type { KeptTable, RecordOf } from '~/storage/tables'
import type { StoredDocument, WhyAside } from './stored-document'

type Document<K extends KeptTable> = Pick<
  StoredDocument<K, unknown>,
  'saver' | 'refuse' | 'hear' | 'giveUp' | 'isBack'
> & { readonly keeping: Pick<StoredDocument<K, unknown>['keeping'], 'setAside'> }

/**
 * Of two versions of a document ours stays, and theirs is put aside; where it was deleted, it comes back from
 * the bin with ours on it. Where that fails nothing is decided, and the document tells why.
 */
export async function keepMine<K extends KeptTable>(
  document: Document<K>,
  theirs: Kept<RecordOf[K]> | null,
  restoreAll = restore,
): Promise<void> {
  if (!theirs) return bringBack(document, restoreAll)
  if (await putAside(document, theirs, 'from another tab')) document.saver.keepMine(theirs)
}

/** Of two versions theirs stays, and ours is put aside; or the document stays deleted. */
export async function takeTheirs<K extends KeptTable>(
  document: Document<K>,
  theirs: Kept<RecordOf[K]> | null,
): Promise<void> {
  if (!theirs) {
    document.saver.giveUp()
    document.refuse('')
    document.hear('deleted')
    return
  }
  const ours = document.saver.waiting
  if (ours !== undefined && !(await putAside(document, ours, 'before the change'))) return
  document.giveUp(theirs)
}

/** Takes a document out of the bin, with what is here saved on what was there. */
async function bringBack<K extends KeptTable>(
  document: Document<K>,
  restoreAll: typeof restore,
): Promise<void> {
  const { table, id } = document.saver
  const restored = await restoreAll([{ table, id }])
  document.refuse(restored.ok ? '' : notSavedWords(restored.error))
  if (!restored.ok) return
  await document.saver.forceSave()
  const theirs = await document.saver.checkStored()
  if (theirs) document.hear(theirs)
  else document.isBack()
}

async function putAside<K extends KeptTable>(
  { keeping, refuse }: Document<K>,
  record: RecordOf[K],
  why: WhyAside,
): Promise<boolean> {
  const kept = await keeping.setAside(record, why)
  refuse(kept.ok ? '' : notSavedWords(kept.error))
  return kept.ok
}
