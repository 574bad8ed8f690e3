import { useSettings } from '~/live/use-live'
import { useSlices } from '~/live/use-slices'
import { ImprovisePart } from '../improvise-part'
import { LoopFields } from '../loop-fields'
import { PadsPanel } from '../pads-panel'
import type { PracticeRoom } from '../session/room'
import { usePractised } from '../session/use-room'
import { SoundStrip } from '../sound-strip'
import { useHasVoice } from '../use-voice-count'
import { BreakReminder } from './break-reminder'
import { StepSound } from './step-sound'

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
