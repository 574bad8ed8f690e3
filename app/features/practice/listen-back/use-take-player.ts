import { useCallback, useEffect, useRef, useState } from 'react'
import { formatWav } from '~/codecs/wav'
import { renderClick, type SoundChoice } from '~/core/sound'
import { type Take, toListen } from '~/workspace/takes'

/** How fast a take goes by. */
export const SPEEDS = [
  [1, 'Full speed'],
  [0.75, 'Three quarters'],
  [0.5, 'Half'],
] as const
export type Speed = (typeof SPEEDS)[number][0]

/** Plays takes by the browser's own player, which keeps their pitch at any speed. One at a time. */
export function useTakePlayer(speed: Speed, click: boolean, choice: SoundChoice) {
  const audio = useRef<HTMLAudioElement>(null)
  const [playing, setPlaying] = useState<Take | null>(null)
  const [trouble, setTrouble] = useState('')
  const stop = useCallback(() => {
    const player = audio.current
    audio.current = null
    if (player) {
      player.pause()
      URL.revokeObjectURL(player.src)
    }
    setPlaying(null)
  }, [])
  useEffect(() => stop, [stop])
  useEffect(() => {
    if (audio.current) audio.current.playbackRate = speed
  }, [speed])
  const play = useCallback(
    (take: Take, next?: Take) => {
      stop()
      const player = new Audio(URL.createObjectURL(wavOf(take, click ? choice : null)))
      player.preservesPitch = true
      player.playbackRate = speed
      player.onended = () => {
        stop()
        if (next) play(next)
      }
      audio.current = player
      setTrouble('')
      setPlaying(take)
      player.play().catch(() => {
        // What was stopped before it began is no trouble.
        if (audio.current !== player) return
        stop()
        setTrouble('This browser cannot play it: save it as a file.')
      })
    },
    [click, choice, speed, stop],
  )
  /** How far the take that plays is, in seconds of it. */
  const position = useCallback(() => audio.current?.currentTime ?? 0, [])
  return { playing, trouble, play, stop, position }
}

/** A take as a file, with the click that is chosen or without. */
export function wavOf(take: Take, choice: SoundChoice | null): Blob {
  const click = choice && renderClick(choice.click, 'beat', take.rate)
  return new Blob([formatWav([toListen(take, click)], take.rate)], { type: 'audio/wav' })
}
