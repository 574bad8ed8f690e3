/** What stands in a field, and which of it was handed on and has not come back as its value yet. */
export interface FieldDraft {
  readonly typed: string
  readonly sent: readonly string[]
}

export type FieldEvent =
  /** A key: what stands in the field now, and the value that was handed on, if any was. */
  | { readonly kind: 'typed'; readonly typed: string; readonly sent: string | null }
  /** The value as the page has it, however late. */
  | { readonly kind: 'value'; readonly value: string }
  /** The field is left: what it shows is the value again, unless that is still on its way. */
  | { readonly kind: 'left'; readonly value: string }

/** A field that shows a value. */
export function toDraft(value: string): FieldDraft {
  return { typed: value, sent: [] }
}

/**
 * A field after an event. A value that comes back from the field itself never replaces what was typed
 * since; a value from elsewhere does. Example: `c`, `ca` are handed on, `c` comes back: `ca` stays.
 */
export function draftAfter(draft: FieldDraft, event: FieldEvent): FieldDraft {
  switch (event.kind) {
    case 'typed':
      return {
        typed: event.typed,
        sent: event.sent === null ? draft.sent : [...draft.sent, event.sent],
      }
    case 'value': {
      const at = draft.sent.indexOf(event.value)
      if (at >= 0) return { ...draft, sent: draft.sent.slice(at + 1) }
      return draft.typed === event.value && draft.sent.length === 0 ? draft : toDraft(event.value)
    }
    case 'left':
      return draft.sent.length > 0 ? draft : toDraft(event.value)
  }
}
