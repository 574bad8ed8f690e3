import { useCallback, useEffect, useRef, useState } from 'react'
import { doubleInterval, singleInterval, travelRatio, tripleInterval } from '~/core/kit'
import { listenToPads } from '~/devices/pads'
import { tenth } from '~/words/figures'

/** What is measured: singles, doubles or triples one after the other, or the way to and fro. */
export type SpeedKind = 'single' | 'double' | 'triple' | 'travel'

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

const SECONDS = 10

const EXERCISES = {
  single: 'even singles',
  double: 'doubles, one after the other',
  triple: 'triples, one after the other',
} as const

const MEASURES: Readonly<
  Record<SpeedKind, (onsets: readonly number[], usual: number) => number | null>
> = {
  single: singleInterval,
  double: doubleInterval,
  triple: tripleInterval,
  travel: travelRatio,
}

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
  const onsets = useRef<number[]>([])
  const [count, setCount] = useState(0)
  const [phase, setPhase] = useState<'ready' | 'running' | 'done'>('ready')
  const ended = useRef(false)
  const pad = useRef<HTMLButtonElement>(null)

  const strike = useCallback((at: number) => {
    if (ended.current) return
    if (onsets.current.length === 0) setPhase('running')
    onsets.current.push(at)
    setCount(onsets.current.length)
  }, [])

  useEffect(() => listenToPads(({ at }) => strike(at)), [strike])
  useEffect(() => pad.current?.focus(), [])
  useEffect(() => {
    if (phase !== 'running') return
    const timer = setTimeout(() => {
      ended.current = true
      setPhase('done')
    }, SECONDS * 1000)
    return () => clearTimeout(timer)
  }, [phase])

  const result = phase === 'done' ? MEASURES[kind](onsets.current, usual) : null
  const again = () => {
    onsets.current = []
    ended.current = false
    setCount(0)
    setPhase('ready')
    pad.current?.focus()
  }
  return (
    <div className="flex flex-col gap-3 rounded-box border border-base-300 bg-base-200 p-4">
      <p>
        <span className="inline-block font-semibold first-letter:uppercase">{limb}</span>,{' '}
        {kind === 'travel' ? `to and fro between ${between}` : EXERCISES[kind]}, for {SECONDS}{' '}
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
