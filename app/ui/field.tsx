import { ChevronDown } from 'lucide-react'
import { type ReactNode, useId, useMemo } from 'react'
import { useFieldDraft } from './use-field-draft'

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

/** Words over a control that has a name of its own. */
export function Labelled({ words, children }: { words: string; children: ReactNode }) {
  return (
    <div>
      <span className="mb-1 block text-(--quiet) text-xs">{words}</span>
      {children}
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
  fault = null,
}: {
  label: string
  value: string
  options: readonly Option[]
  onChange: (value: string) => void
  className?: string
  /** What the closed field shows, where the options say more than it has room for. */
  shown?: string
  fault?: FieldFault | null
}) {
  const known = options.some((option) => option.value === value)
  return (
    <Field label={label} {...(className !== undefined && { className })}>
      {(id) => (
        <>
          <span className="relative block">
            <select
              id={id}
              className={`${CONTROL} appearance-none pr-7 ${shown === undefined ? '' : 'text-transparent'}`}
              value={value}
              aria-invalid={fault !== null}
              aria-describedby={fault ? `${id}-fault` : undefined}
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
          <FaultWords id={`${id}-fault`} fault={fault} />
        </>
      )}
    </Field>
  )
}

/** Why a value cannot be taken, and what would help, one click away. */
export interface FieldFault {
  readonly message: string
  readonly remedy?: { readonly label: string; readonly act: () => void }
}

/**
 * A typed value that is taken as soon as it can be read. Until then it stays as typed, and the field
 * says what is wrong. `check` is asked of drafts only: a value that is taken is right.
 */
export function TypedField({
  label,
  value,
  check,
  onChange,
  suggestions = [],
  placeholder,
  inputMode = 'text',
  className,
}: {
  label: string
  value: string
  check: (value: string) => FieldFault | null
  onChange: (value: string) => void
  suggestions?: readonly string[]
  placeholder?: string
  inputMode?: 'text' | 'decimal' | 'numeric'
  className?: string
}) {
  const draft = useFieldDraft(value)
  const listId = useId()
  const typed = draft.typed.trim()
  const fault = useMemo(() => (typed === value ? null : check(typed)), [typed, value, check])
  return (
    <Field label={label} {...(className !== undefined && { className })}>
      {(id) => (
        <>
          <input
            id={id}
            className={CONTROL}
            value={draft.typed}
            placeholder={placeholder}
            inputMode={inputMode}
            list={suggestions.length > 0 ? listId : undefined}
            autoComplete="off"
            spellCheck={false}
            aria-invalid={fault !== null}
            aria-describedby={fault ? `${id}-fault` : undefined}
            onChange={(event) => {
              const next = event.target.value.trim()
              const sends = next !== value && check(next) === null
              draft.type(event.target.value, sends ? next : null)
              if (sends) onChange(next)
            }}
            onBlur={() => {
              if (!fault) draft.leave()
            }}
          />
          {suggestions.length > 0 && (
            <datalist id={listId}>
              {suggestions.map((suggestion) => (
                <option key={suggestion} value={suggestion} />
              ))}
            </datalist>
          )}
          <FaultWords id={`${id}-fault`} fault={fault} />
        </>
      )}
    </Field>
  )
}

/** A fault under its field, with its remedy. */
function FaultWords({ id, fault }: { id: string; fault: FieldFault | null }) {
  if (!fault) return null
  return (
    <div id={id} role="alert" className="mt-1 text-error text-xs">
      {fault.message}
      {fault.remedy && (
        <button type="button" className="link ml-1" onClick={fault.remedy.act}>
          {fault.remedy.label}
        </button>
      )}
    </div>
  )
}
