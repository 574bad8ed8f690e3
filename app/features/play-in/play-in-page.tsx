import { useState } from 'react'
import { useSettings } from '~/live/use-live'
import { MicrophonePart } from '~/session/microphone-part'
import { StrikePads } from '~/session/strike-pads'
import { useMicrophone } from '~/session/use-microphone'
import { type Stroke, useStrokes } from '~/session/use-strikes'
import { Checkbox } from '~/ui/checkbox'
import { EmptyState, Part } from '~/ui/parts'
import { LIMB_NAMES } from '~/words/limb-names'
import { DelayPart } from './delay-part'
import { PadLimbs } from './pad-limbs'

/** Strokes that are listed at the most. */
const MAX_LISTED = 10

/** How the app hears you: every source tried, its delay measured, pads told apart by limb. */
export function PlayInPage() {
  const { settings, change } = useSettings()
  const { tapDelays } = settings
  const [strokes, setStrokes] = useState<readonly Stroke[]>([])
  const [wanted, setWanted] = useState(false)
  const [learning, setLearning] = useState(false)
  const take = (stroke: Stroke) => setStrokes((now) => [stroke, ...now].slice(0, MAX_LISTED))
  const strike = useStrokes(!learning, take)
  const microphone = useMicrophone(wanted ? 'mic' : null, {
    onStroke: (stamp, velocity) => take({ stamp, limb: undefined, from: 'mic', velocity }),
    onLost: () => {},
  })
  return (
    <div className="mx-auto grid w-full max-w-5xl grid-cols-1 gap-x-10 gap-y-8 px-4 py-7 sm:px-5 lg:grid-cols-2">
      <div className="lg:col-span-2">
        <h1 className="font-semibold text-3xl tracking-tight">Play in</h1>
        <p className="mt-1 text-(--quiet)">
          Practice and the bench hear you by computer keys, fingers, MIDI pads or a microphone at
          the kit. Try each here: every stroke is listed as it arrives.
        </p>
      </div>
      <div className="flex min-w-0 flex-col gap-6">
        <Part title="Strike" level={2}>
          <StrikePads onStrike={strike} />
          <Arrivals strokes={strokes} />
        </Part>
        <Part title="Microphone" level={2}>
          <Checkbox checked={wanted} onTick={setWanted} className="min-h-8">
            Use the microphone
          </Checkbox>
          {wanted && (
            <MicrophonePart
              microphone={microphone}
              busy={false}
              settings={settings}
              onSettings={change}
            />
          )}
        </Part>
      </div>
      <div className="flex min-w-0 flex-col gap-6">
        <DelayPart
          delays={tapDelays}
          onDelays={(changed) => change({ tapDelays: { ...tapDelays, ...changed } })}
        />
        <PadLimbs
          limbs={settings.padLimbs}
          learning={learning}
          onLearning={setLearning}
          onLimbs={(padLimbs) => change({ padLimbs })}
        />
      </div>
    </div>
  )
}

const SOURCE_WORDS = { keys: 'key or finger', pads: 'MIDI pad', mic: 'microphone' } as const

/** The last strokes, the newest first, with how far each came after the one before. */
function Arrivals({ strokes }: { strokes: readonly Stroke[] }) {
  if (strokes.length === 0)
    return <EmptyState>No stroke yet. F, J, B and N are the limbs.</EmptyState>
  return (
    <ol aria-label="Strokes" className="flex flex-col text-sm tabular-nums">
      {strokes.map((stroke, i) => (
        <li
          key={`${stroke.stamp} ${stroke.limb}`}
          className="grid grid-cols-[6rem_6.5rem_1fr_auto] gap-3 border-base-300 border-b py-1 first:font-semibold"
        >
          <span>{limbWords(stroke)}</span>
          <span>{SOURCE_WORDS[stroke.from]}</span>
          <span>
            {stroke.note !== undefined && `note ${stroke.note}, `}
            {stroke.velocity === undefined ? '' : `velocity ${stroke.velocity}`}
          </span>
          <span className="text-(--quiet)">{gapWords(stroke, strokes[i + 1])}</span>
        </li>
      ))}
    </ol>
  )
}

function limbWords({ limb, from }: Stroke): string {
  if (limb) return LIMB_NAMES[limb]
  return from === 'mic' ? 'a stroke' : 'a hand'
}

/** `153 ms later`; nothing after a pause. */
function gapWords(stroke: Stroke, before: Stroke | undefined): string {
  const gap = before ? Math.round(stroke.stamp - before.stamp) : Number.POSITIVE_INFINITY
  return gap >= 0 && gap < 3000 ? `${gap} ms later` : ''
}
