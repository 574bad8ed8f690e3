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
  ...looks
}: {
  label: string
  value: string
  tidy: (typed: string) => string
  onChange: (value: string) => void
  className?: string
  placeholder?: string
}) {
  const draft = useFieldDraft(value)
  return (
    <input
      {...looks}
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
