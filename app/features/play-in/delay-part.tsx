import { useEffect, useState } from 'react'
import { toMeter } from '~/core/time'
import { useSlices } from '~/live/use-slices'
import { useClick } from '~/session/use-click'
import { type StrikeSource, useStrikes } from '~/session/use-strikes'
import type { Settings } from '~/storage'
import { Button, ErrorText, Part } from '~/ui/parts'
import { CALIBRATING_TAPS, TapSession } from '~/workspace/tap-session'

type Delays = Settings['tapDelays']

const NAMES: Readonly<Record<StrikeSource, string>> = {
  keys: 'Keys and fingers',
  pads: 'MIDI pads',
  mic: 'Microphone',
}
const FOUR = toMeter(4, 4)
const TEMPO = 90

/** How late each source is: measured by striking on the click, kept for each, and forgotten at will. */
export function DelayPart({
  delays,
  onDelays,
}: {
  delays: Delays
  onDelays: (changed: Partial<Delays>) => void
}) {
  const [session] = useState(() => new TapSession(TEMPO, 0))
  const [source, setSource] = useState<StrikeSource>('keys')
  const { taps } = useSlices(session)
  const { playing, trouble, start, stop, position, perTick } = useClick(FOUR, TEMPO)
  useEffect(() => {
    if (!playing) session.stop()
  }, [playing, session])
  useStrikes(playing, position, ({ at, limb = 'XH', from }) => {
    if (at.phase !== 'round') return
    if (from !== source) session.start()
    setSource(from)
    session.tap({ ms: at.played * perTick * 1000, limb })
  })
  const measured = session.measured()
  const toggle = () => {
    if (playing) stop()
    else {
      session.start()
      start()
    }
  }
  return (
    <Part title="Delay" level={2}>
      <p className="text-(--quiet) text-sm">
        What you strike reaches the app late, by each source differently, and people strike a little
        before the click. Strike on {CALIBRATING_TAPS} beats or more with the source you play: how
        late that comes is taken off from then on. The microphone is measured by chirps instead.
      </p>
      <ul className="flex flex-col text-sm">
        {(['keys', 'pads', 'mic'] as const).map((one) => (
          <li key={one} className="flex items-center gap-3 border-base-300 border-b py-1.5">
            <span className="grow">{NAMES[one]}</span>
            <span className="tabular-nums">
              {delays[one] === 0 ? 'not measured' : `${delays[one]} ms`}
            </span>
            <Button disabled={delays[one] === 0} onClick={() => onDelays({ [one]: 0 })}>
              Forget
            </Button>
          </li>
        ))}
      </ul>
      <p className="flex flex-wrap items-center gap-2">
        <button type="button" className="btn btn-primary btn-sm" onClick={toggle}>
          {playing ? 'Stop the click' : 'Strike with the click'}
        </button>
        {measured !== null && (
          <Button onClick={() => onDelays({ [source]: measured })}>
            {NAMES[source]}: {measured} ms late. Correct for it
          </Button>
        )}
        <span role="status" className="text-(--quiet) text-sm">
          {playing ? `${taps.length} of ${CALIBRATING_TAPS} beats` : ''}
        </span>
      </p>
      <ErrorText words={trouble} />
    </Part>
  )
}
