import { useCallback, useEffect, useRef, useState } from 'react'
import type { Channel } from '~/audio'
import type { Performance, Position, TempoPlan } from '~/core/performance'
import { liveSettings } from '~/storage'
import { Mixer } from './mixer'
import { Playback, type PlaybackState, type Sound } from './playback'

export interface Sounding {
  /** Whether something sounds, or will as soon as the sound is open. */
  readonly playing: boolean
  /** Why nothing is heard, in words; empty where all is well. */
  readonly trouble: string
  /** Starts from the top; what is started may be given, where the page has not come to it yet. */
  readonly start: (first?: () => Performance) => void
  readonly stop: () => void
  /** Where the music is, or will be so many seconds ahead. */
  readonly position: (ahead?: number) => Position | undefined
  /** How loud it is now: the largest sample of the last moment, 0 to 1. */
  readonly level: () => number
  readonly setVolume: (channel: Channel, volume: number) => void
  /** Mutes a channel, or lets it be heard again at the volume that it had. */
  readonly setMuted: (channel: Channel, muted: boolean) => void
  /** Lets clicks come in softly, since a microphone listens. */
  readonly softenClick: (soft: boolean) => void
}

/**
 * Plays what `compose` makes, at the tempos of a plan, and keeps playing while they change: content
 * goes over at the next stroke, tempos bar by bar. Nothing is composed in silence.
 * Audio code and the kit are fetched at the first play, which must come from a user's gesture.
 */
export function useSounding(compose: () => Performance, plan: TempoPlan): Sounding {
  const [shown, setShown] = useState({ playing: false, trouble: '' })
  const playback = useRef<Playback>(undefined)
  const sounding = useRef<() => Performance>(undefined)
  // What is newest when the sound is ready, which may be after it was asked for.
  const newest = useRef({ compose, plan })
  newest.current = { compose, plan }
  const [mixer] = useState(() => new Mixer())

  // Made anew where the page is shown again after it was left.
  const here = useCallback(() => {
    if (!playback.current) {
      const tell = (state: PlaybackState, trouble: string) =>
        setShown({ playing: state !== 'silent', trouble })
      playback.current = new Playback(openSound, tell, mixer)
    }
    return playback.current
  }, [mixer])
  useEffect(
    () => () => {
      playback.current?.close()
      playback.current = undefined
    },
    [],
  )

  useEffect(wakeSound, [])

  const { playing, trouble } = shown
  useEffect(() => playback.current?.setPlan(plan), [plan])
  useEffect(() => {
    if (!playing || sounding.current === compose) return
    sounding.current = compose
    playback.current?.setPerformance(compose())
  }, [playing, compose])

  const setVolume = useCallback(
    (channel: Channel, volume: number) => here().setVolume(channel, volume),
    [here],
  )
  const setMuted = useCallback(
    (channel: Channel, muted: boolean) => here().setMuted(channel, muted),
    [here],
  )
  const softenClick = useCallback((soft: boolean) => here().setSoftClick(soft), [here])
  const start = useCallback(
    (first?: () => Performance) => {
      sounding.current = first ?? newest.current.compose
      void here().start({
        compose: () => {
          sounding.current = first ?? newest.current.compose
          return sounding.current()
        },
        plan: () => newest.current.plan,
      })
    },
    [here],
  )
  const stop = useCallback(() => playback.current?.stop(), [])
  const position = useCallback((ahead = 0) => playback.current?.position(ahead), [])
  const level = useCallback(() => playback.current?.level() ?? 0, [])
  return { playing, trouble, start, stop, position, level, setVolume, setMuted, softenClick }
}

/** A playback that fetches its sound at its first start. */
export function openPlayback(onChange: (playing: boolean, trouble: string) => void): Playback {
  return new Playback(openSound, (state, trouble) => onChange(state !== 'silent', trouble))
}

/** A page that is never idle wakes the sound after so many milliseconds. */
const WOKEN_WITHIN_MS = 800

/** Fetches what makes the sound while the page has nothing to do: the first press then waits for less. */
function wakeSound(): void {
  if (typeof requestIdleCallback === 'undefined') return
  const wake = async () => {
    const [{ kitMaker }] = await Promise.all([import('~/workers'), import('~/audio')])
    await kitMaker.wake()
  }
  requestIdleCallback(() => void wake().catch(() => undefined), { timeout: WOKEN_WITHIN_MS })
}

/** The player's own sounds, fetched where some are chosen. */
async function ownSamples(id: string) {
  const { loadSampleMap, loadSampleSound } = await import('~/storage/samples')
  const map = await loadSampleMap(id)
  return map && { map, load: (file: string) => loadSampleSound(id, file) }
}

async function openSound(onEnd: () => void): Promise<Sound> {
  const [audio, workers] = await Promise.all([import('~/audio'), import('~/workers')])
  const { kitMaker, startTicker } = workers
  const sound = new audio.SoundSession({ kitMaker, startTicker, ownSamples }, onEnd)
  // How it is heard is the player's choice, whatever plays and whenever it is changed.
  const choose = () => sound.setChoice(liveSettings.snapshot().settings.sound)
  const stop = liveSettings.subscribe(choose)
  choose()
  return {
    play: (performance, plan) => sound.play(performance, plan),
    stop: () => sound.stop(),
    setPlan: (plan) => sound.setPlan(plan),
    setPerformance: (performance) => sound.setPerformance(performance),
    setVolume: (channel, volume) => sound.setVolume(channel, volume),
    setSoftClick: (soft) => sound.setSoftClick(soft),
    position: (ahead) => sound.position(ahead),
    level: () => sound.level(),
    close: () => {
      stop()
      sound.close()
    },
  }
}
