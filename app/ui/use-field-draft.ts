import { useEffect, useState } from 'react'
import { draftAfter, toDraft } from './field-draft'

/**
 * The draft of a field whose value is kept elsewhere and may come back late: every key stays.
 * `type` takes what stands in the field and the value that is handed on with it, null for none.
 */
export function useFieldDraft(value: string) {
  const [draft, setDraft] = useState(() => toDraft(value))
  useEffect(() => setDraft((now) => draftAfter(now, { kind: 'value', value })), [value])
  return {
    typed: draft.typed,
    type: (typed: string, sent: string | null) =>
      setDraft((now) => draftAfter(now, { kind: 'typed', typed, sent })),
    leave: () => setDraft((now) => draftAfter(now, { kind: 'left', value })),
  }
}
