import type { ReactNode } from 'react'
import { Link } from 'react-router'
import {
  barTicks,
  COUNTING_SYSTEMS,
  type CountingSystem,
  countSyllable,
  findGrid,
  findMeter,
  gridTicks,
  TICKS_PER_QUARTER,
  toMeter,
} from '~/core/time'
import { useSettings } from '~/live/use-live'
import type { Settings } from '~/storage'
import { Checkbox } from '~/ui/checkbox'
import { countingOf } from '~/workspace/counting'
import { HandednessPart } from './handedness-part'

const SHOWN_GRIDS = ['1/8', '1/8t', '1/16', '1/16q', '1/16t', '1/16s', '1/32']

/** How a player counts and reads. Every choice takes effect at once. */
export function SettingsPage() {
  const { settings: shown, change } = useSettings()
  return (
    <div className="mx-auto w-full max-w-4xl px-5 py-8">
      <h1 className="font-semibold text-3xl tracking-tight">Settings</h1>
      <p className="mt-2">
        <Link className="link" to="/play-in">
          Play in
        </Link>
        : how the app hears your keys, pads and microphone.
      </p>
      <fieldset className="mt-8">
        <legend className="font-semibold text-lg">Counting</legend>
        <p className="mt-1 text-(--quiet) text-sm">
          What is said at each slot of beat 2. Grids without words of their own are counted in
          digits.
        </p>
        <div className="mt-4 flex flex-col gap-3">
          {COUNTING_SYSTEMS.map((system) => (
            <label
              key={system.id}
              className="flex cursor-pointer gap-4 rounded-box border border-base-300 bg-base-100 p-4 has-checked:border-primary"
            >
              <input
                type="radio"
                name="school"
                className="radio radio-sm mt-0.5"
                checked={shown.school === system.id}
                onChange={() => change({ school: system.id })}
              />
              <span className="min-w-0">
                <span className="font-medium">{system.name}</span>
                <span className="mt-2 flex flex-wrap gap-x-6 gap-y-1 text-sm">
                  {SHOWN_GRIDS.map((grid) => (
                    <span key={grid} className="whitespace-nowrap">
                      <span className="text-(--quiet)">{grid}</span> {countOfBeat(system, grid)}
                    </span>
                  ))}
                </span>
              </span>
            </label>
          ))}
        </div>
        <div className="mt-4 flex flex-col gap-3 text-sm">
          <Checkbox checked={shown.countUnits} onTick={(countUnits) => change({ countUnits })}>
            <span>
              Count compound metres in eighths
              <Example>6/8: {countOfBar({ ...shown, countUnits: true }, '6/8', '1/16')}</Example>
            </span>
          </Checkbox>
          <Checkbox checked={shown.countGroups} onTick={(countGroups) => change({ countGroups })}>
            <span>
              Count odd metres by their groups
              <Example>
                7/8 2+2+3: {countOfBar({ ...shown, countGroups: true }, '7/8 2+2+3', '1/8')}
              </Example>
            </span>
          </Checkbox>
          <Checkbox
            checked={shown.sextupletsInEighths}
            onTick={(sextupletsInEighths) => change({ sextupletsInEighths })}
          >
            <span>
              Voice and click count sextuplets in eighths
              <Example>1 &amp; 2 &amp; under six to a beat</Example>
            </span>
          </Checkbox>
          <div className="flex flex-wrap items-center gap-x-6 gap-y-2">
            The voice counts
            <Radios
              name="voiceSays"
              value={shown.voiceSays}
              options={[
                ['slots', 'the slots of the bar'],
                ['strokes', 'the strokes of each group'],
              ]}
              onChoose={(voiceSays) => change({ voiceSays })}
            />
          </div>
        </div>
      </fieldset>
      <Choice
        title="The kick in stickings from elsewhere"
        text="The line always writes K; what is pasted or typed with the other letter is turned into it."
        name="kickLetter"
        value={shown.kickLetter}
        options={[
          ['', 'K only'],
          ['F', 'F too'],
          ['B', 'B too'],
        ]}
        onChoose={(kickLetter) => change({ kickLetter })}
      />
      <fieldset className="mt-8">
        <legend className="font-semibold text-lg">Keys</legend>
        <Checkbox
          checked={shown.singleKeys}
          onTick={(singleKeys) => change({ singleKeys })}
          className="mt-2"
        >
          Single letters, digits, arrows and signs are shortcuts; Space always plays
        </Checkbox>
      </fieldset>
      <div className="mt-8">
        <HandednessPart settings={shown} onChange={change} />
      </div>
      <Choice
        title="Beams"
        text="By beat shows the pulse, by group shows the cells."
        name="beaming"
        value={shown.beaming}
        options={[
          ['beat', 'by beat'],
          ['group', 'by group'],
        ]}
        onChoose={(beaming) => change({ beaming })}
      />
      <Choice
        title="Groove before the fill"
        text="In the fill's own bar, on the staff."
        name="staffGroove"
        value={shown.staffGroove}
        options={[
          ['slashes', 'as slashes'],
          ['notes', 'as notes'],
        ]}
        onChoose={(staffGroove) => change({ staffGroove })}
      />
      <section aria-labelledby="data-title" className="mt-8">
        <h2 id="data-title" className="font-semibold text-lg">
          Your data
        </h2>
        <p className="mt-1 text-sm">
          Everything is stored in this browser.{' '}
          <Link to="/backup" className="link">
            Back up, import, storage used
          </Link>{' '}
          ·{' '}
          <Link to="/bin" className="link">
            Bin
          </Link>
        </p>
      </section>
    </div>
  )
}

function Choice<T extends string>({
  title,
  text,
  name,
  value,
  options,
  onChoose,
}: {
  title: string
  text: string
  name: string
  value: T
  options: readonly (readonly [value: T, label: string])[]
  onChoose: (value: T) => void
}) {
  return (
    <fieldset className="mt-8">
      <legend className="font-semibold text-lg">{title}</legend>
      <p className="mt-1 text-(--quiet) text-sm">{text}</p>
      <div className="mt-3 flex gap-6">
        <Radios name={name} value={value} options={options} onChoose={onChoose} />
      </div>
    </fieldset>
  )
}

/** The options of a choice, side by side. */
function Radios<T extends string>({
  name,
  value,
  options,
  onChoose,
}: {
  name: string
  value: T
  options: readonly (readonly [value: T, label: string])[]
  onChoose: (value: T) => void
}) {
  return options.map(([option, label]) => (
    <label key={option} className="flex cursor-pointer items-center gap-2">
      <input
        type="radio"
        name={name}
        className="radio radio-sm"
        checked={value === option}
        onChange={() => onChoose(option)}
      />
      {label}
    </label>
  ))
}

function Example({ children }: { children: ReactNode }) {
  return <span className="block text-(--quiet)">{children}</span>
}

/** The syllables of a bar, as these settings count it. */
function countOfBar(settings: Settings, metre: string, name: string): string {
  const [meter, grid] = [findMeter(metre), findGrid(name)]
  if (!meter || !grid) return ''
  const slot = gridTicks(grid)
  return Array.from({ length: barTicks(meter) / slot }, (_, i) =>
    countSyllable(i * slot, grid, meter, countingOf(settings)),
  ).join(' ')
}

/** The syllables of beat 2 in 4/4 on a grid: the words shown are the words used. */
function countOfBeat(system: CountingSystem, name: string): string {
  const grid = findGrid(name)
  if (!grid) return ''
  const meter = toMeter(4, 4)
  const slot = gridTicks(grid)
  const count = TICKS_PER_QUARTER / slot
  return Array.from({ length: count }, (_, i) =>
    countSyllable(TICKS_PER_QUARTER + i * slot, grid, meter, system),
  ).join(' ')
}
