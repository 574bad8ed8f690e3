import { nanoid } from 'nanoid'
import { useEffect, useRef } from 'react'
import type { Rating } from '~/core/log'
import type { PracticeSessionRecord } from '~/storage'
import { useSessionWriter } from './use-stored'

/** What is written down of what is played. */
export interface Logged {
  readonly playing: boolean
  /** What it is filed under: a lick, a solo, or the flow. */
  readonly lickId: string
  readonly part: string
  readonly step: string
  readonly tempo: number
  readonly grid: string
  readonly form: string
  /** How it went, as far as the player has said. */
  readonly rating: Rating | null
  /** How often it came round so far. */
  readonly rounds: () => number
}

const SAVE_MS = 1000
/** What was shorter was no practice. */
const LEAST_SECONDS = 1

/** Writes a session down while something plays: each second, at the end, and when the page is left. */
export function useSessionLog(logged: Logged): void {
  const { playing, lickId, part } = logged
  const save = useSessionWriter()
  // What is newest when it is written, which is later.
  const newest = useRef(logged)
  newest.current = logged
  useEffect(() => {
    if (!playing) return
    const begun = performance.now()
    const session: PracticeSessionRecord = {
      id: nanoid(),
      version: 3,
      lickId,
      part,
      createdAt: Date.now(),
      step: '',
      tempo: newest.current.tempo,
      repeats: 0,
      seconds: 0,
      rating: null,
      tense: false,
      grid: newest.current.grid,
      form: newest.current.form,
      note: '',
      heard: null,
    }
    let repeats = 0
    const write = () => {
      const seconds = Math.round((performance.now() - begun) / 100) / 10
      const { step, tempo, rating, rounds } = newest.current
      repeats = Math.max(repeats, rounds())
      if (seconds >= LEAST_SECONDS) save({ ...session, step, tempo, rating, repeats, seconds })
    }
    const timer = setInterval(write, SAVE_MS)
    window.addEventListener('pagehide', write)
    return () => {
      clearInterval(timer)
      window.removeEventListener('pagehide', write)
      write()
    }
  }, [playing, lickId, part, save])
}
