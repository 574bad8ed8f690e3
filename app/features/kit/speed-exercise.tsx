import { useEffect, useRef, useState } from 'react'
import { listenToPads } from '~/devices/pads'
import { useSlices } from '~/live/use-slices'
import { tenth } from '~/words/figures'
import { SPEED_SECONDS, type SpeedKind, SpeedTest } from './speed-test'

interface SpeedExerciseProps {
  readonly limb: string
  readonly kind: SpeedKind
  /** The default, in milliseconds; of travel how long the way should take. */
  readonly usual: number
  /** The pieces that a hand goes to and fro between. */
  readonly between?: string
  /** Told milliseconds; of travel how many times as long as it should take. */
  readonly onMeasured: (measured: number) => void
  readonly onClose: () => void
}

const EXERCISES = {
  single: 'even singles',
  double: 'doubles, one after the other',
  triple: 'triples, one after the other',
} as const

/** `150.0 ms, 6.7 a second; the default is 154.0 ms.` */
function resultWords(kind: SpeedKind, result: number, usual: number): string {
  if (kind !== 'travel')
    return `${tenth(result)} ms, ${tenth(1000 / result)} a second; the default is ${tenth(usual)} ms.`
  return `${tenth(result * usual)} ms from piece to piece; the default is ${tenth(usual)} ms.`
}

/** Ten seconds of singles or doubles with one limb, by a key, a MIDI pad, or the pad on screen. */
export function SpeedExercise({
  limb,
  kind,
  usual,
  between = '',
  onMeasured,
  onClose,
}: SpeedExerciseProps) {
  const [test] = useState(() => new SpeedTest(kind, usual))
  const { phase, count, result } = useSlices(test)
  const { strike } = test
  const pad = useRef<HTMLButtonElement>(null)
  useEffect(() => listenToPads(({ at }) => strike(at)), [strike])
  useEffect(() => pad.current?.focus(), [])
  useEffect(() => test.leave, [test])
  const again = () => {
    test.again()
    pad.current?.focus()
  }
  return (
    <div className="flex flex-col gap-3 rounded-box border border-base-300 bg-base-200 p-4">
      <p>
        <span className="inline-block font-semibold first-letter:uppercase">{limb}</span>,{' '}
        {kind === 'travel' ? `to and fro between ${between}` : EXERCISES[kind]}, for {SPEED_SECONDS}{' '}
        seconds, as fast as you can stay loose. Use any key, a MIDI pad, or the pad below. Stop if
        it hurts.
      </p>
      <button
        ref={pad}
        type="button"
        className="btn btn-primary h-20 text-2xl tabular-nums"
        onPointerDown={(event) => strike(event.timeStamp)}
        onKeyDown={(event) => {
          if (event.repeat || event.key === 'Tab' || event.key === 'Escape') return
          event.preventDefault()
          strike(event.timeStamp)
        }}
      >
        {phase === 'ready' ? 'Strike to start' : count}
      </button>
      <p role="status" className="text-sm">
        {phase === 'running' && 'Keep going …'}
        {phase === 'done' &&
          (result === null
            ? 'Too few strokes to tell. Try again.'
            : resultWords(kind, result, usual))}
      </p>
      <div className="flex gap-2">
        {result !== null && (
          <button
            type="button"
            className="btn btn-primary btn-sm"
            onClick={() => {
              onMeasured(result)
              onClose()
            }}
          >
            Use it
          </button>
        )}
        {phase === 'done' && (
          <button type="button" className="btn btn-outline border-base-300 btn-sm" onClick={again}>
            Try again
          </button>
        )}
        <button type="button" className="btn btn-ghost btn-sm" onClick={onClose}>
          Close
        </button>
      </div>
    </div>
  )
}
