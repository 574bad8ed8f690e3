import { memo } from 'react'
import type { Settings } from '~/storage'
import { Checkbox } from '~/ui/checkbox'

const SWITCHES = [
  ['turnLetters', 'The letters', 'right and left hand change places in every sticking and rule'],
  ['turnKit', 'The kit', 'drums and cymbals change sides'],
  ['turnFeet', 'The feet', 'the pedals change sides: the left foot leads'],
] as const

interface HandednessPartProps {
  readonly settings: Settings
  readonly onChange: (changed: Partial<Settings>) => void
}

/** Left-handed in one click, or each of its three switches by itself. Nothing stored is changed. */
export const HandednessPart = memo(function HandednessPart({
  settings,
  onChange,
}: HandednessPartProps) {
  const all = SWITCHES.every(([key]) => settings[key])
  const turnAll = (on: boolean) => onChange({ turnLetters: on, turnKit: on, turnFeet: on })
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className="float-left mb-2 font-semibold text-lg">Handedness</legend>
      <p className="text-(--quiet) text-sm">
        Mirrors the display only; what is stored stays as it was written.
      </p>
      <Checkbox className="font-medium" checked={all} onTick={turnAll}>
        Left-handed
      </Checkbox>
      {SWITCHES.map(([key, name, words]) => (
        <Checkbox
          key={key}
          className="ml-6 text-sm"
          checked={settings[key]}
          onTick={(on) => onChange({ [key]: on })}
        >
          <span>
            {name} <span className="text-(--quiet)">{words}</span>
          </span>
        </Checkbox>
      ))}
      <Checkbox
        className="mt-2 text-sm"
        checked={settings.openHanded}
        onTick={(openHanded) => onChange({ openHanded })}
      >
        <span>
          Open-handed groove{' '}
          <span className="text-(--quiet)">
            the other hand keeps time, so that hands do not cross
          </span>
        </span>
      </Checkbox>
    </fieldset>
  )
})
