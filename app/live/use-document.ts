import { useEffect, useState } from 'react'
import type { KeptTable } from '~/storage'
import type { StoredDocument } from '~/workspace/documents/stored-document'

/** A stored document for as long as a page shows it: opened once, and left with the page. */
export function useDocument<D extends Pick<StoredDocument<KeptTable, unknown>, 'open'>>(
  made: () => D,
): D {
  const [document] = useState(made)
  useEffect(() => document.open(), [document])
  return document
}
