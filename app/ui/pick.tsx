export interface PickProps<T extends string> {
  readonly label: string
  readonly value: T
  readonly options: readonly (readonly [T, string])[]
  readonly onPick: (value: T) => void
}

/** A list to pick from, named for screen readers alone: it stands within a sentence of controls. */
export function Pick<T extends string>({ label, value, options, onPick }: PickProps<T>) {
  return (
    <select
      aria-label={label}
      className="min-w-0 max-w-full rounded-field border border-base-300 bg-base-100 px-2 py-1 text-sm"
      value={value}
      onChange={(event) => onPick(event.target.value as T)}
    >
      {options.map(([option, words]) => (
        <option key={option} value={option}>
          {words}
        </option>
      ))}
    </select>
  )
}
