import { useCallback, useEffect, useRef, useState } from 'react'
import type { Channel, SoundSession } from '~/audio'
import type { Performance, Position, TempoPlan } from '~/core/performance'

export interface Sounding {
  readonly playing: boolean
  /** Why nothing is heard, in words; empty where all is well. */
  readonly trouble: string
  /** Starts from the top; what is started may be given, where the page has not come to it yet. */
  readonly start: (first?: () => Performance) => void
  readonly stop: () => void
  /** Where the music is, or will be so many seconds ahead. */
  readonly position: (ahead?: number) => Position | undefined
  readonly setVolume: (channel: Channel, volume: number) => void
}

/**
 * Plays what `compose` makes, at the tempos of a plan, and keeps playing while they change: content
 * goes over at the next stroke, tempos bar by bar. Nothing is composed in silence.
 * Audio code and the kit are fetched at the first play, which must come from a user's gesture.
 */
export function useSounding(compose: () => Performance, plan: TempoPlan): Sounding {
  const [playing, setPlaying] = useState(false)
  const [trouble, setTrouble] = useState('')
  const session = useRef<SoundSession | undefined>(undefined)
  const volumes = useRef(new Map<Channel, number>())
  const sounding = useRef<() => Performance>(undefined)
  // What is newest when the sound is ready, which may be after it was asked for.
  const newest = useRef({ compose, plan })
  newest.current = { compose, plan }

  const setVolume = useCallback((channel: Channel, volume: number) => {
    volumes.current.set(channel, volume)
    session.current?.setVolume(channel, volume)
  }, [])

  useEffect(() => session.current?.setPlan(plan), [plan])
  useEffect(() => {
    if (!playing || sounding.current === compose) return
    sounding.current = compose
    session.current?.setPerformance(compose())
  }, [playing, compose])
  useEffect(() => () => session.current?.close(), [])

  const start = useCallback((first?: () => Performance) => {
    setPlaying(true)
    setTrouble('')
    sounding.current = first ?? newest.current.compose
    openSession(session, volumes.current, () => setPlaying(false))
      .then((sound) => {
        sounding.current = first ?? newest.current.compose
        return sound.play(sounding.current(), newest.current.plan)
      })
      .catch(() => {
        setPlaying(false)
        setTrouble('This browser gives no sound: its audio device cannot be opened.')
      })
  }, [])
  const stop = useCallback(() => {
    session.current?.stop()
    setPlaying(false)
  }, [])

  const position = useCallback((ahead = 0) => session.current?.position(ahead), [])
  return { playing, trouble, start, stop, position, setVolume }
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
