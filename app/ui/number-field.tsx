import { type KeyboardEvent, useEffect, useId, useRef, useState } from 'react'
import { keepInView } from './keep-in-view'
import { type NumberRange, readNumber, showNumber, stepNumber } from './number-draft'

interface NumberFieldProps extends NumberRange {
  readonly label: string
  readonly value: number
  readonly onChange: (value: number) => void
  /** How far an arrow goes; with Shift ten times as far. */
  readonly step?: number
  readonly className?: string
  readonly title?: string
  readonly onFocus?: () => void
  readonly disabled?: boolean
  /** Whether what is wrong is told above the field: at the foot of the page there is no room below. */
  readonly above?: boolean
}

/** Looks of its own that a field may bring. */
const PLAIN = /\bbg-transparent\b/

/** A number that could still become a longer one is taken after this long without a key. */
const PAUSE_MS = 700

/**
 * A number to type: what is typed stays as typed until it is a number in the range, and says so until
 * then. Arrows step, Enter and leaving the field take it, Escape brings the number of before back.
 */
export function NumberField(props: NumberFieldProps) {
  const { label, value, onChange, min, max, whole = true, step = 1, className = 'w-16' } = props
  const [draft, setDraft] = useState<string | null>(null)
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  /** The number before the first key of the draft. */
  const before = useRef(value)
  const id = useId()
  const range = { min, max, whole }
  const reading = draft === null ? null : readNumber(draft, range)
  const wrong = reading?.kind === 'wrong' ? reading.message : ''
  useEffect(() => () => clearTimeout(timer.current), [])

  const take = (next: number) => {
    clearTimeout(timer.current)
    if (next !== value) onChange(next)
  }
  const type = (typed: string) => {
    if (draft === null) before.current = value
    setDraft(typed)
    clearTimeout(timer.current)
    const read = readNumber(typed, range)
    if (read.kind === 'taken') take(read.value)
    if (read.kind === 'waiting') timer.current = setTimeout(() => take(read.value), PAUSE_MS)
  }
  const settle = () => {
    if (draft === null) return
    const read = readNumber(draft, range)
    if (read.kind === 'wrong') return
    take(read.value)
    setDraft(null)
  }
  const press = (event: KeyboardEvent) => {
    const by = { ArrowUp: step, ArrowDown: -step }[event.key]
    if (event.key === 'Enter') settle()
    else if (event.key === 'Escape' && draft !== null) {
      // Also where a part of what was typed was a number that was taken.
      take(before.current)
      setDraft(null)
      event.preventDefault()
      event.stopPropagation()
    } else if (by !== undefined) {
      event.preventDefault()
      event.stopPropagation()
      setDraft(null)
      const from = reading && reading.kind !== 'wrong' ? reading.value : value
      take(stepNumber(from, event.shiftKey ? by * 10 : by, range))
    }
  }
  return (
    <span className="relative inline-flex">
      <input
        role="spinbutton"
        aria-label={label}
        aria-valuenow={value}
        aria-valuemin={min}
        aria-valuemax={max}
        aria-invalid={wrong !== ''}
        aria-describedby={wrong ? id : undefined}
        title={props.title}
        disabled={props.disabled}
        inputMode={whole ? 'numeric' : 'decimal'}
        autoComplete="off"
        className={`rounded-field border px-2 py-1 tabular-nums aria-invalid:border-error ${PLAIN.test(className) ? '' : 'border-base-300 bg-base-100'} ${className}`}
        value={draft ?? showNumber(value)}
        onFocus={(event) => {
          event.currentTarget.select()
          props.onFocus?.()
        }}
        onChange={(event) => type(event.target.value)}
        onBlur={settle}
        onKeyDown={press}
      />
      {wrong && (
        <span
          ref={keepInView}
          id={id}
          role="alert"
          className={`absolute left-0 z-30 my-1 w-max max-w-[min(20rem,100dvw-1rem)] ${props.above ? 'bottom-full' : 'top-full'} rounded-field border border-error bg-base-100 px-2 py-1 text-error text-xs shadow`}
        >
          {wrong}
        </span>
      )}
    </span>
  )
}

/** A number field under its label, as the other fields of a form stand. */
export function LabelledNumber(props: Omit<NumberFieldProps, 'className'>) {
  return (
    <div className="min-w-0">
      <span className="mb-1 block text-(--quiet) text-xs" aria-hidden="true">
        {props.label}
      </span>
      <NumberField {...props} className="w-full text-sm" />
    </div>
  )
}
