import { useState, useSyncExternalStore } from 'react'
import type { Settings } from '~/storage'
import { Button, ErrorText } from '~/ui/parts'
import type { MicrophoneState } from './microphone-session'
import { type Level, type Microphone, micDelay, withMicDelay } from './use-microphone'

const FAULTS: Readonly<Partial<Record<MicrophoneState, string>>> = {
  refused:
    'The microphone was refused. Allow it beside the page’s address, or play by keys, fingers or pads.',
  none: 'No microphone was found. Plug one in, or play by keys, fingers or pads.',
  unsupported:
    'This browser gives no microphone to this page. Play by keys, fingers or pads, or open the page on this machine itself.',
  failed: 'The microphone could not be opened. Choose it again, or play by keys, fingers or pads.',
}
/** What the meter shows, in decibels below full scale. */
const QUIETEST = -60

/** The microphone: its level, its delay, and what to do where it is not heard. */
export function MicrophonePart({
  microphone,
  settings,
  busy,
  onSettings,
}: {
  microphone: Pick<Microphone, 'state' | 'level' | 'device' | 'measure'>
  /** Whether music plays: nothing is measured meanwhile. */
  busy: boolean
  /** Where its delay is kept. */
  settings: Settings
  onSettings: (changed: Partial<Settings>) => void
}) {
  const { state, level, device, measure } = microphone
  const [said, setSaid] = useState('')
  const [measuring, setMeasuring] = useState(false)
  const fault = FAULTS[state]
  if (fault) return <ErrorText words={fault} />
  if (state !== 'hearing')
    return <p className="text-(--quiet) text-sm">Waiting for the microphone …</p>
  const measured = micDelay(settings, device) !== 0
  const another = !measured && settings.tapDelays.mic !== 0
  const find = async () => {
    setMeasuring(true)
    setSaid('')
    const delay = await measure()
    setMeasuring(false)
    if (delay === null) {
      setSaid('The chirps were not heard. Hold the earpiece or the loudspeaker to the microphone.')
      return
    }
    onSettings(withMicDelay(settings, device, Math.round(delay)))
    setSaid(`Sound comes back after ${Math.round(delay)} ms: that is taken off from now on.`)
  }
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1.5 text-sm">
      <Meter level={level} />
      <Button disabled={busy || measuring} onClick={() => void find()}>
        {measuring
          ? 'Listening for chirps …'
          : measured
            ? 'Measure the delay again'
            : 'Measure the delay'}
      </Button>
      {device?.forSpeech && (
        <ErrorText words="This browser makes the sound ready for speech, and cannot be told not to: ghosts may be lost." />
      )}
      {another && <span>This is another microphone than the one that was measured.</span>}
      <span role="status" className="basis-full text-(--quiet)">
        {said ||
          'Listen by headphones with a cable, since wireless ones are late: of a loudspeaker only the click is left out, and a groove is heard as strokes. The last two minutes of sound stay in memory, so that you can listen back; nothing is sent. Which hand struck cannot be heard, so it is not told.'}
      </span>
    </div>
  )
}

/** The level of what is listened to. */
export function Meter({ level }: { level: Level }) {
  const db = useSyncExternalStore(level.subscribe, level.get, level.get)
  return (
    <meter
      aria-label="Level of the sound, in decibels"
      className="h-4 w-40"
      min={QUIETEST}
      max={0}
      high={-1}
      value={Math.max(QUIETEST, db)}
    />
  )
}
