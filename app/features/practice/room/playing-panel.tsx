import { useState } from 'react'
import { soundsOn } from '~/core/kit'
import { useSettings } from '~/live/use-live'
import { useSlices } from '~/live/use-slices'
import { SaveSound } from '~/session/save-sound'
import type { Settings } from '~/storage'
import { SelectField } from '~/ui/field'
import { LabelledNumber } from '~/ui/number-field'
import { tempoFigure } from '~/words/figures'
import { ImprovisePart } from '../improvise-part'
import { LoopFields } from '../loop-fields'
import { PadsPanel } from '../pads-panel'
import type { PracticeRoom } from '../session/room'
import { usePractised } from '../session/use-room'
import { SoundStrip } from '../sound-strip'
import { useHasVoice } from '../use-voice-count'

/** In which form a step is played, what is heard of it, what is looped, what changes each time, and pads. */
export function PlayingPanel({ room }: { room: PracticeRoom }) {
  const { choice } = useSlices(room)
  const { lick, step, pulsed, drawable } = usePractised(room)
  const { settings, change } = useSettings()
  const canSpeak = useHasVoice()
  if (!step) return null
  return (
    <>
      <SoundStrip
        sound={settings}
        form={step.form}
        muted={choice.muted}
        canPulse={pulsed !== undefined}
        canSpeak={canSpeak}
        onSound={change}
        onForm={room.changeForm}
        onMute={room.mute}
      />
      <LoopFields lick={lick} loop={choice.loop} onLoop={room.loopOver} onKeep={room.keepLoop} />
      {drawable && <ImprovisePart room={room} />}
      <BreakReminder minutes={settings.breakAfter} onSettings={change} />
      <PadsPanel
        pads={settings.pads}
        onPads={(pads) => change({ pads })}
        onWatch={room.watchPads}
      />
      <StepSound room={room} />
    </>
  )
}

/** After how many minutes a break is due. */
function BreakReminder({
  minutes,
  onSettings,
}: {
  minutes: number
  onSettings: (changed: Partial<Settings>) => void
}) {
  return (
    <SelectField
      label="Break reminder"
      value={String(minutes)}
      options={[
        ...[15, 20, 25, 30, 45].map((count) => ({
          value: String(count),
          label: `after ${count} minutes`,
        })),
        { value: '0', label: 'never' },
      ]}
      onChange={(after) => onSettings({ breakAfter: Number(after) })}
    />
  )
}

const MAX_ROUNDS = 64

/** The step or the loop that is played, at the tempo that stands, as a sound file to play along with. */
function StepSound({ room }: { room: PracticeRoom }) {
  const { lick, heard, setting, plan } = usePractised(room)
  const [rounds, setRounds] = useState(plan.repeats)
  const { tempo } = room.player
  return (
    <details className="text-sm">
      <summary className="cursor-pointer font-semibold">Sound file</summary>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <div className="w-24">
          <LabelledNumber
            label="Rounds"
            value={rounds}
            min={1}
            max={MAX_ROUNDS}
            onChange={setRounds}
          />
        </div>
        <SaveSound
          name={`${lick.title || 'lick'} ${tempoFigure(tempo)}`}
          stretches={() => [{ lick: heard, tempo, rounds }]}
          options={{
            click: true,
            parts: 'all',
            grooves: setting.grooves ?? [],
            sounds: soundsOn(setting.kit),
            swapsGroove: setting.player.swapsGroove ?? false,
          }}
        />
      </div>
    </details>
  )
}
