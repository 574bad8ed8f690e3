import { useEffect, useState } from 'react'
import type { SheetChoices } from '~/core/sheet'
import { useSettings } from '~/live/use-live'
import { Checkbox } from '~/ui/checkbox'
import { Field, SelectField } from '~/ui/field'
import { Part } from '~/ui/parts'
import type { SheetState } from './sheet-address'

interface SheetChoicesFormProps {
  readonly state: SheetState
  readonly onChange: (part: Partial<SheetState>) => void
}

type Picked = 'paper' | 'size' | 'sticking' | 'groove' | 'beaming'

const OPTIONS: {
  readonly [K in Picked]: {
    readonly label: string
    readonly options: readonly { readonly value: SheetChoices[K]; readonly label: string }[]
  }
} = {
  paper: {
    label: 'Paper',
    options: [
      { value: 'A4', label: 'A4' },
      { value: 'Letter', label: 'Letter' },
    ],
  },
  size: {
    label: 'Size',
    options: [
      { value: 'small', label: 'Small' },
      { value: 'normal', label: 'Normal' },
      { value: 'large', label: 'Large' },
    ],
  },
  sticking: {
    label: 'Sticking',
    options: [
      { value: 'below', label: 'Below the staff' },
      { value: 'above', label: 'Above the staff' },
      { value: 'none', label: 'None' },
    ],
  },
  groove: {
    label: 'Bar of groove',
    options: [
      { value: 'notes', label: 'As notes' },
      { value: 'slashes', label: 'As slashes' },
      { value: 'none', label: 'None' },
    ],
  },
  beaming: {
    label: 'Beams',
    options: [
      { value: 'beat', label: 'By beat' },
      { value: 'group', label: 'By group' },
    ],
  },
}

const TICKS = [
  ['stacks', 'Stacks'],
  ['footLetters', 'Letters for the feet'],
  ['counts', 'Counts'],
  ['voices', 'Voices as a second line'],
  ['ladder', 'Tempos to tick off'],
  ['key', 'Key to the staff'],
  ['turned', 'Mirrored for left-handed players'],
] as const

/** What is shown on the sheet, and on what paper. */
export function SheetChoicesForm({ state, onChange }: SheetChoicesFormProps) {
  const { choices } = state
  const { turnLetters } = useSettings().settings
  const choose = (part: Partial<SheetChoices>) => onChange({ choices: { ...choices, ...part } })
  const pick = <K extends Picked>(key: K) => (
    <SelectField
      label={OPTIONS[key].label}
      value={choices[key]}
      options={OPTIONS[key].options}
      onChange={(value) => choose({ [key]: value })}
    />
  )
  return (
    <>
      <Part level={2} title="Words">
        <SettledField
          label="Title of the sheet"
          value={state.title}
          onSettle={(title) => onChange({ title })}
        />
        <SettledField
          label="Note under the title"
          value={state.note}
          rows={3}
          onSettle={(note) => onChange({ note })}
        />
      </Part>
      <Part level={2} title="Shown">
        <div className="grid grid-cols-2 gap-3">
          {pick('sticking')}
          {pick('groove')}
          {pick('beaming')}
        </div>
        <div className="flex flex-col gap-1.5">
          {TICKS.filter(([key]) => key !== 'turned' || !turnLetters).map(([key, words]) => (
            <Checkbox key={key} checked={choices[key]} onTick={(on) => choose({ [key]: on })}>
              {words}
            </Checkbox>
          ))}
          {turnLetters && (
            <p className="text-(--quiet) text-sm">
              Mirrored for left-handed players, as the app is.
            </p>
          )}
        </div>
      </Part>
      <Part level={2} title="Paper">
        <div className="grid grid-cols-2 gap-3">
          {pick('paper')}
          {pick('size')}
          <SelectField
            label="Systems a page"
            value={String(choices.mostSystems ?? '')}
            options={[
              { value: '', label: 'As many as fit' },
              ...[1, 2, 3, 4, 5, 6, 8, 10].map((n) => ({
                value: String(n),
                label: `At most ${n}`,
              })),
            ]}
            onChange={(value) => choose({ mostSystems: value === '' ? null : Number(value) })}
          />
        </div>
      </Part>
    </>
  )
}

/** Typing is laid out after a rest; what is typed stays as it is meanwhile. */
const REST_MS = 250

function SettledField({
  label,
  value,
  rows = 1,
  onSettle,
}: {
  readonly label: string
  readonly value: string
  readonly rows?: number
  readonly onSettle: (value: string) => void
}) {
  const [typed, setTyped] = useState(value)
  useEffect(() => {
    if (typed === value) return
    const timer = setTimeout(() => onSettle(typed), REST_MS)
    return () => clearTimeout(timer)
  }, [typed, value, onSettle])
  return (
    <Field label={label}>
      {(id) => (
        <textarea
          id={id}
          rows={rows}
          maxLength={2000}
          dir="auto"
          className="w-full rounded-field border border-base-300 bg-base-100 px-2 py-1.5 text-sm"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={() => typed !== value && onSettle(typed)}
        />
      )}
    </Field>
  )
}
