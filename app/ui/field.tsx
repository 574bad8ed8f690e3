import { ChevronDown } from 'lucide-react'
import { type ReactNode, useEffect, useId, useState } from 'react'

const CONTROL =
  'w-full min-w-0 rounded-field border border-base-300 bg-base-100 px-2 py-1.5 text-sm hover:border-(--quiet) aria-invalid:border-error'

/** A label over a control. */
export function Field({
  label,
  className = '',
  children,
}: {
  label: string
  className?: string
  children: (id: string) => ReactNode
}) {
  const id = useId()
  return (
    <div className={`min-w-0 ${className}`}>
      <label htmlFor={id} className="mb-1 block text-(--quiet) text-xs">
        {label}
      </label>
      {children(id)}
    </div>
  )
}

export interface Option {
  readonly value: string
  readonly label: string
}

/** A choice from a list; a value that is not in it is shown all the same. */
export function SelectField({
  label,
  value,
  options,
  onChange,
  className,
  shown,
}: {
  label: string
  value: string
  options: readonly Option[]
  onChange: (value: string) => void
  className?: string
  /** What the closed field shows, where the options say more than it has room for. */
  shown?: string
}) {
  const known = options.some((option) => option.value === value)
  return (
    <Field label={label} {...(className !== undefined && { className })}>
      {(id) => (
        <span className="relative block">
          <select
            id={id}
            className={`${CONTROL} appearance-none pr-7 ${shown === undefined ? '' : 'text-transparent'}`}
            value={value}
            onChange={(event) => onChange(event.target.value)}
          >
            {!known && <option value={value}>{value}</option>}
            {options.map((option) => (
              <option
                key={option.value}
                value={option.value}
                className="bg-base-100 text-base-content"
              >
                {option.label}
              </option>
            ))}
          </select>
          <ChevronDown
            size={15}
            aria-hidden="true"
            className="pointer-events-none absolute inset-y-0 right-2 my-auto text-(--quiet)"
          />
          {shown !== undefined && (
            <span
              aria-hidden="true"
              className="pointer-events-none absolute inset-y-0 right-7 left-2.25 flex items-center truncate text-sm"
            >
              {shown}
            </span>
          )}
        </span>
      )}
    </Field>
  )
}

/**
 * A typed value that is taken as soon as it can be read. Until then it stays as typed, and the
 * field says what was expected.
 */
export function TypedField({
  label,
  value,
  accepts,
  expected,
  onChange,
  suggestions = [],
  inputMode = 'text',
  className,
}: {
  label: string
  value: string
  accepts: (value: string) => boolean
  expected: string
  onChange: (value: string) => void
  suggestions?: readonly string[]
  inputMode?: 'text' | 'decimal' | 'numeric'
  className?: string
}) {
  const [typed, setTyped] = useState(value)
  const listId = useId()
  useEffect(() => setTyped(value), [value])
  const wrong = !accepts(typed.trim())
  return (
    <Field label={label} {...(className !== undefined && { className })}>
      {(id) => (
        <>
          <input
            id={id}
            className={CONTROL}
            value={typed}
            inputMode={inputMode}
            list={suggestions.length > 0 ? listId : undefined}
            autoComplete="off"
            spellCheck={false}
            aria-invalid={wrong}
            aria-describedby={wrong ? `${id}-wrong` : undefined}
            onChange={(event) => {
              setTyped(event.target.value)
              const next = event.target.value.trim()
              if (accepts(next) && next !== value) onChange(next)
            }}
            onBlur={() => {
              if (!wrong) setTyped(value)
            }}
          />
          {suggestions.length > 0 && (
            <datalist id={listId}>
              {suggestions.map((suggestion) => (
                <option key={suggestion} value={suggestion} />
              ))}
            </datalist>
          )}
          {wrong && (
            <p id={`${id}-wrong`} role="alert" className="mt-1 text-error text-xs">
              Expected {expected}
            </p>
          )}
        </>
      )}
    </Field>
  )
}
