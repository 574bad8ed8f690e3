import { useEffect, useState } from 'react'

/**
 * An input whose blanks stay while they are typed, though what is kept is tidied: the typed text
 * shows as long as tidying it gives the value.
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
  const [typed, setTyped] = useState(value)
  useEffect(() => {
    setTyped((now) => (tidy(now) === value ? now : value))
  }, [value, tidy])
  return (
    <input
      {...looks}
      aria-label={label}
      value={typed}
      onChange={(event) => {
        setTyped(event.target.value)
        onChange(tidy(event.target.value))
      }}
    />
  )
}
