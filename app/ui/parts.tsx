import type { ComponentProps, ReactNode } from 'react'

/** A part of a panel under a small heading. */
export function Part({
  title,
  level = 3,
  aside,
  children,
}: {
  title: string
  /** Of its heading: 2 where the part stands on a page by itself. */
  level?: 2 | 3
  aside?: ReactNode
  children: ReactNode
}) {
  const Heading = `h${level}` as const
  return (
    <section className="flex min-w-0 flex-col gap-2">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <Heading className="font-semibold text-sm">{title}</Heading>
        {aside}
      </div>
      {children}
    </section>
  )
}

/** A button that stands in a row of its like. */
export function Button({
  onClick,
  disabled = false,
  pressed,
  label,
  children,
  ...rest
}: Pick<ComponentProps<'button'>, 'onPointerEnter' | 'onPointerLeave' | 'onFocus' | 'onBlur'> & {
  onClick: () => void
  disabled?: boolean
  pressed?: boolean
  /** What a screen reader says, where the words shown are not enough. */
  label?: string
  children: ReactNode
}) {
  return (
    <button
      type="button"
      className="btn btn-outline border-base-300 btn-sm font-normal aria-pressed:bg-base-300 aria-pressed:font-semibold"
      disabled={disabled}
      aria-pressed={pressed}
      aria-label={label}
      onClick={onClick}
      {...rest}
    >
      {children}
    </button>
  )
}

type TextBoxProps = Omit<ComponentProps<'input'>, 'onChange' | 'value'> & {
  readonly label: string
  readonly value: string
  readonly onType: (value: string) => void
}

/** A line to type in; its width is the caller's. */
export function TextBox({ label, onType, className = 'w-40', ...rest }: TextBoxProps) {
  return (
    <input
      aria-label={label}
      autoComplete="off"
      className={`min-w-0 rounded-field border border-base-300 bg-base-100 px-2 py-1 text-sm aria-invalid:border-error ${className}`}
      onChange={(event) => onType(event.target.value)}
      {...rest}
    />
  )
}

/** The name of what a page is about, to be read as its heading and typed over in place. */
export function TitleBox({
  label,
  value,
  most,
  onType,
}: {
  label: string
  value: string
  /** The longest name, in letters. */
  most: number
  onType: (value: string) => void
}) {
  return (
    <input
      aria-label={label}
      autoComplete="off"
      dir="auto"
      className="w-full min-w-0 max-w-xl rounded-field border border-transparent bg-transparent py-0.5 font-semibold text-3xl tracking-tight hover:border-base-300 hover:bg-base-100"
      maxLength={most}
      value={value}
      onChange={(event) => onType(event.target.value)}
    />
  )
}

/** A choice of few, side by side. */
export function Choice<T extends string>({
  legend,
  options,
  value,
  onChoose,
}: {
  legend: string
  options: readonly (readonly [value: T, label: string])[]
  value: T
  onChoose: (value: T) => void
}) {
  return (
    <fieldset className="flex flex-wrap items-center gap-1 text-sm">
      <legend className="sr-only">{legend}</legend>
      {options.map(([option, label]) => (
        <button
          key={option}
          type="button"
          aria-pressed={option === value}
          className={`rounded-field px-2 py-1 ${option === value ? 'bg-base-300 font-semibold' : 'hover:bg-base-200'}`}
          onClick={() => onChoose(option)}
        >
          {label}
        </button>
      ))}
    </fieldset>
  )
}

/** What to do where there is nothing to show. */
export function EmptyState({ children }: { children: ReactNode }) {
  return <p className="text-(--quiet) text-sm">{children}</p>
}

/** What went wrong, at the place where it did, said aloud; nothing while `words` is empty. */
export function ErrorText({ words }: { words: string | null | undefined }) {
  if (!words) return null
  return (
    <p role="alert" className="text-error text-sm">
      {words}
    </p>
  )
}
