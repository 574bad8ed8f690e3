import { useCallback, useEffect } from 'react'
import type { Groove } from '~/core/groove'
import type { KitSound } from '~/core/kit'
import { frameTicks, type Lick } from '~/core/line'
import { type ClickMark, onKit, type Performance, toPerformance } from '~/core/performance'
import { secondsPerTick } from '~/core/time'
import { type Sounding, useSounding } from './use-sounding'

/** How the player wants to hear it. */
export interface PlaySwitches {
  readonly loop: boolean
  readonly countIn: boolean
  readonly click: boolean
  /** What the click marks where it is heard. */
  readonly clickMarks: ClickMark
  /** Whether sextuplets are clicked in eighths. */
  readonly inEighths?: boolean
}

export interface Player
  extends Pick<Sounding, 'playing' | 'trouble' | 'position' | 'level' | 'setVolume'> {
  /** Starts or stops; what is started may be given, where it is not on the bench yet. */
  readonly toggle: (first?: Lick) => void
}

/** What is played on: the player's own grooves, and how the kit sounds. */
export interface PlaybackKit {
  readonly grooves: readonly Groove[]
  readonly sounds: KitSound
  /** Whether the groove's hands change places. */
  readonly swapsGroove: boolean
}

/**
 * Plays a lick and keeps playing while it changes: tempo and content go over at the next stroke.
 * `solo` is heard in its place, without a count-in, while there is one.
 */
export function usePlayback(
  onBench: Lick,
  tempo: number,
  switches: PlaySwitches,
  solo: Lick | null,
  { grooves, sounds, swapsGroove }: PlaybackKit,
): Player {
  const { loop, countIn, click, clickMarks, inEighths = false } = switches
  const composeOf = useCallback(
    (lick: Lick, alone: boolean): Performance => {
      const options = {
        loop,
        countIn: countIn && !alone,
        click: { marks: clickMarks, dropOut: null, inEighths },
        grooves,
        swapsGroove,
      }
      return onKit(toPerformance(lick, options), sounds)
    },
    [loop, countIn, clickMarks, inEighths, grooves, sounds, swapsGroove],
  )
  const lick = solo ?? onBench
  const compose = useCallback(() => composeOf(lick, solo !== null), [composeOf, lick, solo])
  const tickSeconds = secondsPerTick(tempo, frameTicks(lick.frame).beat)
  const plan = useCallback(() => tickSeconds, [tickSeconds])
  const { playing, trouble, start, stop, position, level, setVolume, setMuted } = useSounding(
    compose,
    plan,
  )
  useEffect(() => setMuted('click', !click), [click, setMuted])

  const toggle = useCallback(
    (first?: Lick) => {
      if (playing) stop()
      else if (first) start(() => composeOf(first, true))
      else start()
    },
    [playing, start, stop, composeOf],
  )
  return { playing, trouble, toggle, position, level, setVolume }
}
