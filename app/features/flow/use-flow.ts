import { nanoid } from 'nanoid'
import { useCallback, useEffect, useRef, useState } from 'react'
import { onKit, type Performance, toMedley } from '~/core/performance'
import type { MixPhrase } from '~/core/practice'
import type { Surface } from '~/core/sticking'
import { secondsPerTick, type Ticks } from '~/core/time'
import { useSounding } from '~/playback/use-sounding'
import { FLOW_ID, type PracticeSessionRecord, type Settings } from '~/storage'
import { LIMB_KEYS, useSessionWriter } from '../practice'

interface Flowing {
  readonly phraseAt: ((round: number) => MixPhrase) | null
  readonly tempo: number
  readonly beat: Ticks
  readonly words: string
  readonly grid: string
  readonly settings: Settings
  readonly sounds: Readonly<Partial<Record<Surface, Surface>>>
  readonly swapsGroove: boolean
  /** Whether the kit is heard, or the click alone. */
  readonly heard: boolean
}

const LOOK_MS = 100
const SAVE_MS = 1000

/** Plays a flow without end, tells the bar that sounds, and writes the session down as it goes on. */
export function useFlow(flowing: Flowing) {
  const { phraseAt, tempo, beat, words, grid, settings, sounds, swapsGroove, heard } = flowing
  const [bar, setBar] = useState(0)
  // What cannot be played any more goes on as it was until it is stopped, a moment later.
  const playable = useRef(phraseAt)
  playable.current = phraseAt ?? playable.current
  const compose = useCallback((): Performance => {
    const phrases = phraseAt ?? playable.current
    if (!phrases) throw new RangeError('a flow without phrases')
    const medley = toMedley((round) => phrases(round).lick, {
      countIn: settings.practiceCountIn !== 'off',
      swapsGroove,
      click: {
        marks: settings.clickMarks === 'off' ? 'beats' : settings.clickMarks,
        dropOut: settings.dropOut,
      },
    })
    return onKit(medley, sounds)
  }, [phraseAt, settings, sounds, swapsGroove])
  const tickSeconds = secondsPerTick(tempo, beat)
  const plan = useCallback(() => tickSeconds, [tickSeconds])
  const { playing, trouble, start, stop, position, setMuted } = useSounding(compose, plan)

  useEffect(() => {
    for (const [channel] of LIMB_KEYS) setMuted(channel, !heard)
    setMuted('click', settings.clickMarks === 'off' && heard)
  }, [heard, settings.clickMarks, setMuted])

  useEffect(() => {
    if (playing && !phraseAt) stop()
  }, [playing, phraseAt, stop])

  const save = useSessionWriter()
  const written = useRef({ words, tempo, grid })
  written.current = { words, tempo, grid }
  useEffect(() => {
    if (!playing) return
    const begun = performance.now()
    const session: PracticeSessionRecord = {
      id: nanoid(),
      version: 3,
      lickId: FLOW_ID,
      part: '',
      createdAt: Date.now(),
      step: '',
      tempo: written.current.tempo,
      repeats: 0,
      seconds: 0,
      rating: null,
      tense: false,
      grid: written.current.grid,
      form: 'flow',
      note: '',
    }
    let rounds = 0
    let savedAt = begun
    const write = () => {
      const seconds = Math.round((performance.now() - begun) / 100) / 10
      const { words: step, tempo: now } = written.current
      if (seconds < 1) return
      save({ ...session, step, tempo: now, repeats: rounds, seconds })
      savedAt = performance.now()
    }
    const look = () => {
      const at = position()
      if (at?.phase === 'round') {
        rounds = at.round
        setBar(at.bar)
      }
      if (performance.now() - savedAt >= SAVE_MS) write()
    }
    const timer = setInterval(look, LOOK_MS)
    window.addEventListener('pagehide', write)
    return () => {
      clearInterval(timer)
      window.removeEventListener('pagehide', write)
      write()
      setBar(0)
    }
  }, [playing, position, save])

  const toggle = useCallback(() => {
    if (playing) stop()
    else if (phraseAt) start()
  }, [playing, stop, start, phraseAt])
  return { playing, trouble, position, toggle, bar }
}
