import { useCallback, useEffect, useRef, useState } from 'react'
import { onKit, type Performance, toMedley } from '~/core/performance'
import type { MixPhrase } from '~/core/practice'
import type { Surface } from '~/core/sticking'
import { secondsPerTick, type Ticks } from '~/core/time'
import { useSounding } from '~/playback/use-sounding'
import { clickedMarks, FLOW_ID, type Settings } from '~/storage'
import { LIMB_KEYS, useSessionLog } from '../practice'

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
        marks: clickedMarks(settings),
        dropOut: settings.dropOut,
        inEighths: settings.sextupletsInEighths,
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

  const rounds = useRef(0)
  useSessionLog({
    playing,
    lickId: FLOW_ID,
    part: '',
    step: words,
    tempo,
    grid,
    form: 'flow',
    rating: null,
    rounds: () => rounds.current,
  })
  useEffect(() => {
    if (!playing) return
    rounds.current = 0
    const timer = setInterval(() => {
      const at = position()
      if (at?.phase !== 'round') return
      rounds.current = at.round
      setBar(at.bar)
    }, LOOK_MS)
    return () => {
      clearInterval(timer)
      setBar(0)
    }
  }, [playing, position])

  const toggle = useCallback(() => {
    if (playing) stop()
    else if (phraseAt) start()
  }, [playing, stop, start, phraseAt])
  return { playing, trouble, position, toggle, bar }
}
