import { useFieldDraft } from './use-field-draft'

/**
 * An input whose blanks stay while they are typed, though what is saved is tidied: what is typed
 * shows until the field is left.
 */
export function DraftInput({
  label,
  value,
  tidy,
  onChange,
  standIn,
  ...looks
}: {
  label: string
  value: string
  tidy: (typed: string) => string
  onChange: (value: string) => void
  /** A value that only stands there until there is one: it is marked when the field is entered, and typed over. */
  standIn?: string
  className?: string
  placeholder?: string
}) {
  const draft = useFieldDraft(value)
  const mark = (field: HTMLInputElement) => value === standIn && field.select()
  return (
    <input
      {...looks}
      onFocus={(event) => mark(event.currentTarget)}
      onClick={(event) => mark(event.currentTarget)}
      aria-label={label}
      dir="auto"
      value={draft.typed}
      onChange={(event) => {
        const tidied = tidy(event.target.value)
        draft.type(event.target.value, tidied === value ? null : tidied)
        onChange(tidied)
      }}
      onBlur={draft.leave}
    />
  )
}
