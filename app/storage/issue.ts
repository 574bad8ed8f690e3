/** Why something stored cannot be used, or something cannot be stored. */
export interface StoreIssue {
  readonly code:
    | 'unavailable'
    | 'newer-store'
    | 'quota'
    | 'newer-record'
    | 'broken-record'
    | 'missing'
    /** It was deleted since it was read: nobody writes into what is deleted. */
    | 'deleted'
    /** It was saved elsewhere since it was read. */
    | 'conflict'
    /** It is larger than what can be read again. */
    | 'too-large'
  readonly detail: string
}

const FAILED_WORDS: Readonly<Record<StoreIssue['code'], string>> = {
  unavailable: 'the browser’s storage does not respond',
  'newer-store': 'a newer Dime Stack has taken over the storage. Reload the page',
  quota: 'the browser’s storage is full',
  'newer-record': 'it was saved by a newer Dime Stack',
  'broken-record': 'what is stored can’t be read',
  missing: 'it is no longer there',
  deleted: 'it was deleted in another tab',
  conflict: 'it was changed in another tab',
  'too-large': 'it is too large',
}

/** Why nothing was saved, in words: `Not saved: the browser’s storage is full.` */
export function notSavedWords({ code }: StoreIssue): string {
  return `Not saved: ${FAILED_WORDS[code]}.`
}
