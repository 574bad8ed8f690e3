import { useCallback, useEffect, useRef, useState } from 'react'
import { doubleInterval, singleInterval } from '~/core/kit'
import { listenToPads } from '~/devices/pads'
import { tenth } from '../bench/figures'

/** What is measured: even singles, or doubles one after the other. */
export type SpeedKind = 'single' | 'double'

interface SpeedExerciseProps {
  readonly limb: string
  readonly kind: SpeedKind
  readonly usual: number
  readonly onMeasured: (milliseconds: number) => void
  readonly onClose: () => void
}

const SECONDS = 10

/** Ten seconds of singles or doubles with one limb, by a key, a MIDI pad, or the pad on screen. */
export function SpeedExercise({ limb, kind, usual, onMeasured, onClose }: SpeedExerciseProps) {
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

  useEffect(() => listenToPads(strike), [strike])
  useEffect(() => pad.current?.focus(), [])
  useEffect(() => {
    if (phase !== 'running') return
    const timer = setTimeout(() => {
      ended.current = true
      setPhase('done')
    }, SECONDS * 1000)
    return () => clearTimeout(timer)
  }, [phase])

  const result =
    phase === 'done' ? (kind === 'single' ? singleInterval : doubleInterval)(onsets.current) : null
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
        {kind === 'single' ? 'even singles' : 'doubles, one after the other'}, for {SECONDS} seconds
        as fast as they stay loose: any key, a MIDI pad, or the pad here. Stop if it hurts.
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
        {phase === 'ready' ? 'Strike to begin' : count}
      </button>
      <p role="status" className="text-sm">
        {phase === 'running' && 'Go on …'}
        {phase === 'done' &&
          (result === null
            ? 'Too few strokes to tell: once more?'
            : `${tenth(result)} ms, ${tenth(1000 / result)} a second; the default is ${tenth(usual)} ms.`)}
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
            Once more
          </button>
        )}
        <button type="button" className="btn btn-ghost btn-sm" onClick={onClose}>
          Close
        </button>
      </div>
    </div>
  )
}
