import { type ReactNode, useRef, useState } from 'react'

/**
 * A list from which something is added: by a click, or by Enter once the arrows have found it. Arrows alone look
 * through the list and add nothing.
 */
export function AddSelect({
  label,
  words,
  disabled = false,
  className = '',
  onAdd,
  children,
}: {
  label: string
  /** What stands there until something is looked for: `Add a lick …`. */
  words: string
  disabled?: boolean
  className?: string
  onAdd: (value: string) => void
  /** The options, each with its value. */
  children: ReactNode
}) {
  const [value, setValue] = useState('')
  const byKeys = useRef(false)
  const add = (chosen: string) => {
    setValue('')
    if (chosen !== '') onAdd(chosen)
  }
  return (
    <select
      aria-label={label}
      title={`${words.replace(/ …$/, '')}: Enter adds what the arrows have found`}
      className={`min-w-0 rounded-field border border-base-300 bg-base-100 px-2 py-1.5 text-sm ${className}`}
      value={value}
      disabled={disabled}
      onPointerDown={() => {
        byKeys.current = false
      }}
      onKeyDown={(event) => {
        byKeys.current = true
        if (event.key !== 'Enter' || value === '') return
        event.preventDefault()
        add(value)
      }}
      onBlur={() => {
        byKeys.current = false
        setValue('')
      }}
      onChange={({ target }) => {
        if (byKeys.current) setValue(target.value)
        else add(target.value)
      }}
    >
      <option value="">{words}</option>
      {children}
    </select>
  )
}
