import { TEMPO_RANGE } from '~/core/line'
import { ALL_GRIDS, gridName } from '~/core/time'
import type { VoicingPreset } from '~/core/voicing'
import { Checkbox } from '~/ui/checkbox'
import { Field, SelectField } from '~/ui/field'
import { LabelledNumber } from '~/ui/number-field'
import { TextBox } from '~/ui/parts'
import { type FlowSetup, isHatFoot } from './flow-setup'

const METERS = ['2/4', '3/4', '4/4', '5/4', '6/8', '7/8', '9/8', '12/8']
const TAILS = [
  { value: 'singles', label: 'alternating hands' },
  { value: 'kicks', label: 'kicks' },
  { value: 'rest', label: 'rests' },
]
const ORDERS = [
  { value: 'growing', label: 'beat by beat' },
  { value: 'chance', label: 'at random' },
]

/** How the flow goes: metre, grid, tempo, and the rules of the draw. */
const DENSITIES = [
  { value: 'any', label: 'any' },
  { value: 'sparse', label: 'more space' },
  { value: 'dense', label: 'more strokes' },
]
const REGISTERS = [
  { value: 'any', label: 'any' },
  { value: 'low', label: 'low drums' },
  { value: 'high', label: 'high drums' },
]
/** Chosen where the feet are typed. */
const TYPED = 'typed'
const FEET = [
  { value: '', label: 'none' },
  { value: 'hat beats', label: 'on all beats' },
  { value: 'hat second', label: 'on 2 and 4' },
  { value: 'hat between', label: 'between the beats' },
  { value: TYPED, label: 'other feet …' },
]
const VARIES = [
  { value: '', label: 'nothing' },
  { value: 'voices', label: 'voices' },
  { value: 'accents', label: 'accents' },
  { value: 'kicks', label: 'kicks' },
]

export function FlowForm({
  setup,
  presets,
  onChange,
}: {
  setup: FlowSetup
  presets: readonly VoicingPreset[]
  onChange: (changed: Partial<FlowSetup>) => void
}) {
  const count = (key: 'bars' | 'mostInRow' | 'beats' | 'times', label: string, all: number[]) => (
    <SelectField
      label={label}
      value={String(setup[key])}
      options={all.map((one) => ({ value: String(one), label: String(one) }))}
      onChange={(value) => onChange({ [key]: Number(value) })}
    />
  )
  const typed = setup.feet !== '' && !isHatFoot(setup.feet)
  return (
    <section aria-label="Rules" className="grid grid-cols-2 gap-x-3 gap-y-2.5">
      <SelectField
        label="Kind"
        className="col-span-2"
        value={setup.mode}
        options={[
          { value: 'mix', label: 'mix without a break' },
          { value: 'stretch', label: 'stretch a phrase' },
        ]}
        onChange={(mode) => onChange({ mode: mode as FlowSetup['mode'] })}
      />
      <SelectField
        label="Metre"
        value={setup.meter}
        options={METERS.map((meter) => ({ value: meter, label: meter }))}
        onChange={(meter) => onChange({ meter })}
      />
      <SelectField
        label="Grid of cells"
        value={setup.grid}
        options={ALL_GRIDS.map((grid) => ({ value: gridName(grid), label: gridName(grid) }))}
        onChange={(grid) => onChange({ grid })}
      />
      <LabelledNumber
        label="Tempo"
        min={TEMPO_RANGE.least}
        max={TEMPO_RANGE.most}
        value={setup.tempo}
        onChange={(tempo) => onChange({ tempo })}
      />
      <LabelledNumber
        label="Seed"
        min={1}
        max={999_999}
        value={setup.seed}
        onChange={(seed) => onChange({ seed })}
      />
      {setup.mode === 'mix' && count('bars', 'Bars of a phrase', [1, 2, 3, 4])}
      {setup.mode === 'stretch' && count('beats', 'Extra beats, at most', [1, 2, 3, 4, 6, 8])}
      {count('mostInRow', 'Same cell in a row, at most', [1, 2, 3, 4, 6, 9])}
      <SelectField
        label="Most strokes in a row by one limb"
        value={String(setup.longestRun)}
        options={[
          ...[1, 2, 3, 4].map((one) => ({ value: String(one), label: String(one) })),
          { value: '0', label: 'any' },
        ]}
        onChange={(value) => onChange({ longestRun: Number(value) })}
      />
      <SelectField
        label="Fill the remainder with"
        value={setup.tail}
        options={TAILS}
        onChange={(tail) => onChange({ tail: tail as FlowSetup['tail'] })}
      />
      <Checkbox
        className="col-span-2 text-sm"
        checked={setup.mirrors}
        disabled={setup.longestRun === 0}
        onTick={(mirrors) => onChange({ mirrors })}
      >
        Lead a cell with the other hand where a run would be longer
      </Checkbox>
      {setup.mode === 'stretch' && count('times', 'Repeats per length', [1, 2, 4, 8])}
      {setup.mode === 'stretch' && (
        <SelectField
          label="Lengths"
          value={setup.order}
          options={ORDERS}
          onChange={(order) => onChange({ order: order as FlowSetup['order'] })}
        />
      )}
      <SelectField
        label="Density"
        value={setup.density}
        options={DENSITIES}
        onChange={(density) => onChange({ density: density as FlowSetup['density'] })}
      />
      <SelectField
        label="Register"
        value={setup.register}
        options={REGISTERS}
        onChange={(register) => onChange({ register: register as FlowSetup['register'] })}
      />
      <SelectField
        label="Voiced"
        className="col-span-2"
        value={setup.voicing}
        options={[
          { value: '', label: 'as written' },
          ...presets.map(({ id, name }) => ({ value: id, label: name })),
        ]}
        onChange={(voicing) => onChange({ voicing })}
      />
      <SelectField
        label="Vary each time"
        value={setup.varies}
        options={VARIES}
        onChange={(varies) => onChange({ varies: varies as FlowSetup['varies'] })}
      />
      <SelectField
        label="Hi-hat foot"
        value={typed ? TYPED : setup.feet}
        options={FEET}
        onChange={(feet) => onChange({ feet: feet === TYPED ? '@1/4 H' : feet })}
      />
      {typed && (
        <Field label="Feet under it">
          {(id) => (
            <TextBox
              id={id}
              label="Feet under it"
              className="w-full font-mono"
              placeholder="@1/4 H"
              maxLength={60}
              spellCheck={false}
              value={setup.feet}
              onType={(feet) => onChange({ feet })}
            />
          )}
        </Field>
      )}
      <Checkbox
        className="col-span-2 text-sm"
        checked={setup.answers}
        onTick={(answers) => onChange({ answers })}
      >
        Call and response: leave as many bars free after each phrase
      </Checkbox>
    </section>
  )
}
