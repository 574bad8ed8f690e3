import { useEffect, useLayoutEffect, useMemo, useRef } from 'react'
import type { KitSound } from '~/core/kit'
import { onKit, toMedley } from '~/core/performance'
import type { MixPhrase } from '~/core/practice'
import type { Ticks } from '~/core/time'
import type { Program } from '~/session/program'
import { useProgram } from '~/session/use-program'
import { clickedMarks, FLOW_ID, type Settings } from '~/storage'
import { LIMB_KEYS } from '../practice'

interface Flowing {
  readonly phraseAt: ((round: number) => MixPhrase) | null
  readonly tempo: number
  readonly beat: Ticks
  readonly bar: Ticks
  readonly words: string
  readonly grid: string
  readonly settings: Settings
  readonly sounds: KitSound
  readonly swapsGroove: boolean
  /** Whether the kit is heard, or the click alone. */
  readonly heard: boolean
}

/** Plays a flow without end, tells the bar that sounds, and writes the session down as it goes on. */
export function useFlow(flowing: Flowing) {
  const { heard, settings, phraseAt } = flowing
  const program = useFlowProgram(flowing)
  // What cannot be played any more goes on as it was until it is stopped, a moment later.
  const last = useRef(program)
  last.current = program ?? last.current
  const { player, playing, trouble, bar } = useProgram(program ?? last.current)
  useLayoutEffect(() => {
    for (const [channel] of LIMB_KEYS) player.sound.setMuted(channel, !heard)
    player.sound.setMuted('click', settings.clickMarks === 'off' && heard)
  }, [heard, settings.clickMarks, player])
  useEffect(() => {
    if (playing && !phraseAt) player.stop()
  }, [playing, phraseAt, player])
  const toggle = useMemo(
    () => () => {
      if (playing || phraseAt) player.toggle()
    },
    [playing, phraseAt, player],
  )
  return { playing, trouble, position: player.position, toggle, bar: playing ? bar : 0 }
}

/** A flow as a program: one tempo, and a phrase each round. */
function useFlowProgram(flowing: Flowing): Program | null {
  const { phraseAt, tempo, beat, bar, words, grid, settings, sounds, swapsGroove } = flowing
  const compose = useMemo(
    () =>
      phraseAt &&
      (() => {
        const medley = toMedley((round) => phraseAt(round).lick, {
          countIn: settings.practiceCountIn !== 'off',
          swapsGroove,
          click: {
            marks: clickedMarks(settings),
            dropOut: settings.dropOut,
            inEighths: settings.sextupletsInEighths,
          },
        })
        return onKit(medley, sounds)
      }),
    [phraseAt, settings, sounds, swapsGroove],
  )
  return useMemo(
    () =>
      compose && {
        lickId: FLOW_ID,
        part: '',
        words,
        grid,
        form: 'flow',
        compose,
        music: FLOW_ID,
        tempos: [tempo],
        climb: { rungs: 1, every: null, barTicks: bar, repeatTicks: bar, roundBars: 1 },
        beat,
      },
    [compose, words, grid, tempo, bar, beat],
  )
}
