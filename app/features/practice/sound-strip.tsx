import type { Channel } from '~/audio'
import { CLICK_MARKS } from '~/core/performance'
import {
  formName,
  PRACTICE_FORMS,
  type PracticeForm,
  PULSES,
  type Pulse,
  sameForm,
} from '~/core/practice'
import type { Settings } from '~/storage'
import { Checkbox } from '~/ui/checkbox'
import { SelectField } from '~/ui/field'
import { CLICK_WORDS } from '~/words/click-words'

/** What of the settings the strip changes. */
export type SoundSettings = Pick<
  Settings,
  'practiceCountIn' | 'clickMarks' | 'dropOut' | 'pulse' | 'pulseOn' | 'voiceCount'
>

interface SoundStripProps {
  readonly sound: SoundSettings
  readonly form: PracticeForm
  readonly muted: ReadonlySet<string>
  /** Whether the second foot is free for the pulse, and whether there is a voice to count with. */
  readonly canPulse: boolean
  readonly canSpeak: boolean
  readonly onSound: (changed: Partial<SoundSettings>) => void
  readonly onForm: (form: PracticeForm) => void
  readonly onMute: (channel: Channel) => void
}

const COUNT_INS = [
  { value: 'once', label: 'once' },
  { value: 'each', label: 'each time' },
  { value: 'off', label: 'none' },
] as const

const MARKS = [
  ...CLICK_MARKS.map((mark) => ({ value: mark, label: CLICK_WORDS[mark] })),
  { value: 'off', label: 'none' },
]

const PULSE_WORDS: Readonly<Record<Pulse, string>> = {
  beats: 'on all beats',
  second: 'on 2 and 4',
  between: 'between the beats',
}

const DROP_OUTS = [
  [1, 2],
  [1, 4],
  [2, 4],
  [3, 4],
  [4, 8],
] as const

/** The limbs that can be muted, and the key of each. */
export const LIMB_KEYS: readonly (readonly [Channel, string, string])[] = [
  ['RH', 'R', 'right hand'],
  ['LH', 'L', 'left hand'],
  ['RF', 'K', 'kick'],
  ['LF', 'H', 'second foot'],
]

/** What is heard besides the step itself, and what of it is not. */
export function SoundStrip(props: SoundStripProps) {
  const { sound, form, muted, canPulse, canSpeak, onSound, onForm, onMute } = props
  const drop = sound.dropOut ? `${sound.dropOut.silent}/${sound.dropOut.of}` : ''
  return (
    <section aria-label="What is heard" className="flex flex-wrap items-end gap-x-3 gap-y-2">
      <SelectField
        label="Form"
        className="w-33"
        value={formName(form)}
        options={PRACTICE_FORMS.map((one) => ({ value: formName(one), label: formName(one) }))}
        onChange={(name) => {
          const next = PRACTICE_FORMS.find((one) => formName(one) === name)
          if (next && !sameForm(next, form)) onForm(next)
        }}
      />
      <SelectField
        label="Count-in"
        className="w-24"
        value={sound.practiceCountIn}
        options={COUNT_INS}
        onChange={(value) =>
          onSound({ practiceCountIn: value as SoundSettings['practiceCountIn'] })
        }
      />
      <SelectField
        label="Click on"
        className="w-25"
        value={sound.clickMarks}
        options={MARKS}
        onChange={(value) => onSound({ clickMarks: value as SoundSettings['clickMarks'] })}
      />
      <SelectField
        label="Click silent in"
        className="w-30"
        value={drop}
        options={[
          { value: '', label: 'no bar' },
          ...DROP_OUTS.map(([silent, of]) => ({
            value: `${silent}/${of}`,
            label: `${silent} of ${of} bars`,
          })),
        ]}
        onChange={(value) => {
          const [silent, of] = value.split('/').map(Number)
          onSound({ dropOut: silent && of ? { silent, of } : null })
        }}
      />
      <fieldset aria-label="Limbs heard" className="flex gap-1">
        {LIMB_KEYS.map(([channel, letter, name], i) => (
          <button
            key={channel}
            type="button"
            aria-pressed={!muted.has(channel)}
            aria-label={`${name} heard`}
            aria-keyshortcuts={String(i + 1)}
            title={`${name}: key ${i + 1}`}
            className="h-9 w-9 rounded-field border border-base-300 bg-base-100 font-mono font-semibold aria-[pressed=false]:text-(--quiet) aria-[pressed=false]:line-through aria-[pressed=false]:opacity-70"
            onClick={() => onMute(channel)}
          >
            {letter}
          </button>
        ))}
      </fieldset>
      {canPulse && (
        <SelectField
          label="Hi-hat foot"
          className="w-37"
          value={sound.pulse ? sound.pulseOn : ''}
          options={[
            { value: '', label: 'nothing' },
            ...PULSES.map((one) => ({ value: one, label: PULSE_WORDS[one] })),
          ]}
          onChange={(where) =>
            onSound(where === '' ? { pulse: false } : { pulse: true, pulseOn: where as Pulse })
          }
        />
      )}
      <div className="flex flex-col gap-0.5 pb-0.5">
        <Checkbox
          checked={sound.voiceCount && canSpeak}
          disabled={!canSpeak}
          onTick={(voiceCount) => onSound({ voiceCount })}
        >
          <span title={canSpeak ? undefined : 'This browser has no voice to count with'}>
            {canSpeak ? 'Voice count' : 'No voice in this browser'}
          </span>
        </Checkbox>
      </div>
    </section>
  )
}
