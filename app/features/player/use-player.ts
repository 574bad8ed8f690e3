import { useCallback, useEffect, useRef, useState } from 'react'
import type { Channel, SoundSession } from '~/audio'
import type { Groove } from '~/core/groove'
import { frameTicks, type Lick } from '~/core/line'
import { onKit, type Position, toPerformance } from '~/core/performance'
import type { Surface } from '~/core/sticking'
import { secondsPerTick } from '~/core/time'

/** How the player wants to hear it. */
export interface PlaySwitches {
  readonly loop: boolean
  readonly countIn: boolean
  readonly click: boolean
}

export interface Player {
  readonly playing: boolean
  /** Why nothing is heard, in words; empty where all is well. */
  readonly trouble: string
  /** Starts or stops; what is started may be given, where it is not on the bench yet. */
  readonly toggle: (first?: Lick) => void
  readonly position: () => Position | undefined
  readonly setVolume: (channel: Channel, volume: number) => void
}

/** What is played on: the player's own grooves, and voices that sound otherwise on the kit. */
export interface PlayerKit {
  readonly grooves: readonly Groove[]
  readonly sounds: Readonly<Partial<Record<Surface, Surface>>>
  /** Whether the groove's hands change places. */
  readonly swapsGroove: boolean
}

/**
 * Plays a lick and keeps playing while it changes: tempo and content go over at the next stroke.
 * `solo` is heard in its place, without a count-in, while there is one.
 * Audio code and the kit are fetched at the first play, which must come from a user's gesture.
 */
export function usePlayer(
  onBench: Lick,
  tempo: number,
  switches: PlaySwitches,
  solo: Lick | null,
  { grooves, sounds, swapsGroove }: PlayerKit,
): Player {
  const lick = solo ?? onBench
  const [playing, setPlaying] = useState(false)
  const [trouble, setTrouble] = useState('')
  const session = useRef<SoundSession | undefined>(undefined)
  const { loop, countIn, click } = switches
  const tickSeconds = secondsPerTick(tempo, frameTicks(lick.frame).beat)
  const volumes = useRef(new Map<Channel, number>())

  const setVolume = useCallback((channel: Channel, volume: number) => {
    volumes.current.set(channel, volume)
    session.current?.setVolume(channel, volume)
  }, [])

  useEffect(() => setVolume('click', click ? 0.8 : 0), [click, setVolume])
  useEffect(() => session.current?.setTempo(tickSeconds), [tickSeconds])
  useEffect(() => {
    if (!playing) return
    session.current?.setPerformance(
      onKit(toPerformance(lick, { loop, countIn: countIn && !solo, grooves, swapsGroove }), sounds),
    )
  }, [playing, lick, loop, countIn, solo, grooves, sounds, swapsGroove])
  useEffect(() => () => session.current?.close(), [])

  const toggle = useCallback(
    (first?: Lick) => {
      if (playing) {
        session.current?.stop()
        setPlaying(false)
        return
      }
      setPlaying(true)
      setTrouble('')
      const options = { loop, countIn: countIn && !first, grooves, swapsGroove }
      openSession(session, volumes.current, () => setPlaying(false))
        .then((sound) =>
          sound.play(onKit(toPerformance(first ?? lick, options), sounds), tickSeconds),
        )
        .catch(() => {
          setPlaying(false)
          setTrouble('This browser gives no sound: its audio device cannot be opened.')
        })
    },
    [playing, lick, loop, countIn, tickSeconds, grooves, sounds, swapsGroove],
  )

  const position = useCallback(() => session.current?.position(), [])
  return { playing, trouble, toggle, position, setVolume }
}

async function openSession(
  session: { current: SoundSession | undefined },
  volumes: ReadonlyMap<Channel, number>,
  onEnd: () => void,
): Promise<SoundSession> {
  if (session.current) return session.current
  const [audio, workers] = await Promise.all([import('~/audio'), import('~/workers')])
  const opened = new audio.SoundSession(
    { renderKit: workers.renderKit, startTicker: workers.startTicker },
    onEnd,
  )
  for (const [channel, volume] of volumes) opened.setVolume(channel, volume)
  session.current = opened
  return opened
}
