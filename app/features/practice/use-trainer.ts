import { nanoid } from 'nanoid'
import { useCallback, useEffect, useRef, useState } from 'react'
import type { Position } from '~/core/performance'
import { nextRung, type Rating, repeatsAfter } from '~/core/practice'
import type { SittingRecord } from '~/storage'
import type { Step } from './stages'

interface Trained {
  readonly lickId: string
  readonly step: Step | undefined
  readonly rungs: readonly number[]
  readonly playing: boolean
  readonly position: () => Position | undefined
  readonly onKeep: (sitting: SittingRecord) => void
}

/** How often what is running is written down: what was played until the last second is in the log. */
const KEEP_MS = 1000

/**
 * Runs a step up its ladder: counts repeats as they are heard, keeps the sitting while it goes on,
 * and moves between rungs by how it went.
 */
export function useTrainer({ lickId, step, rungs, playing, position, onKeep }: Trained) {
  const [rung, setRung] = useState(0)
  const [repeats, setRepeats] = useState(0)
  const running = useRef<SittingRecord | null>(null)
  const tempo = rungs[Math.min(rung, rungs.length - 1)] ?? 80
  const keep = useRef(onKeep)
  keep.current = onKeep

  // A sitting is one step at one tempo: another begins when either changes.
  const begin = useCallback(() => {
    running.current = {
      id: nanoid(),
      version: 1,
      lickId,
      createdAt: Date.now(),
      step: step?.words ?? '',
      tempo,
      repeats: 0,
      seconds: 0,
      rating: null,
    }
    setRepeats(0)
  }, [lickId, step, tempo])

  useEffect(() => {
    if (!playing || !step) return
    begin()
    const started = performance.now()
    const write = () => {
      const sitting = running.current
      const at = position()
      if (!sitting) return
      const done =
        at?.phase === 'round'
          ? repeatsAfter(step.part.lick, step.part.form, at.round, at.tick)
          : sitting.repeats
      const seconds = Math.round((performance.now() - started) / 100) / 10
      running.current = { ...sitting, repeats: done, seconds }
      setRepeats(done)
      if (seconds >= 1) keep.current(running.current)
    }
    const timer = setInterval(write, KEEP_MS)
    window.addEventListener('pagehide', write)
    return () => {
      clearInterval(timer)
      window.removeEventListener('pagehide', write)
      write()
    }
  }, [playing, step, begin, position])

  /** Says how it went, and goes to the rung that follows from it. */
  const rate = useCallback(
    (rating: Rating) => {
      const sitting = running.current
      if (sitting && sitting.seconds >= 1 && sitting.rating === null) {
        running.current = { ...sitting, rating }
        keep.current(running.current)
      }
      setRung((now) => nextRung(now, rungs.length, rating))
    },
    [rungs.length],
  )
  return { rung: Math.min(rung, rungs.length - 1), setRung, tempo, repeats, rate }
}
