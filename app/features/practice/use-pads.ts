import { useEffect, useRef } from 'react'
import type { Rating } from '~/core/log'
import { listenToPads } from '~/devices/pads'
import type { Settings } from '~/storage'
import { PAD_ACTIONS } from './pads-panel'

/** Runs the page by pads: those that were taught, and any at all while nothing sounds. */
export function usePads(
  pads: Settings['pads'],
  learning: boolean,
  playing: boolean,
  onPlay: () => void,
  onRate: (rating: Rating) => void,
): void {
  const now = useRef({ pads, learning, playing, onPlay, onRate })
  now.current = { pads, learning, playing, onPlay, onRate }
  useEffect(
    () =>
      listenToPads((_, note) => {
        const here = now.current
        if (here.learning) return
        const action = PAD_ACTIONS.find((one) => here.pads[one] === note)
        if (action === 'play' || (!action && !here.playing)) here.onPlay()
        else if (action) here.onRate(action)
      }),
    [],
  )
}
