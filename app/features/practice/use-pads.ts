import { useEffect, useRef } from 'react'
import type { Rating } from '~/core/log'
import { listenToPads } from '~/devices/pads'
import type { Settings } from '~/storage'
import { PAD_ACTIONS } from './pads-panel'
import type { RoomState } from './session/room-base'

/**
 * Runs the page by pads: those that were taught, and any at all while nothing sounds. Devices are asked
 * for only where a pad was taught, or the player looks at the pads: nobody is asked for nothing.
 */
export function usePads(
  pads: Settings['pads'],
  { open, learning }: RoomState['pads'],
  playing: boolean,
  onPlay: () => void,
  onRate: (rating: Rating) => void,
): void {
  const now = useRef({ pads, learning, playing, onPlay, onRate })
  now.current = { pads, learning, playing, onPlay, onRate }
  const devices = open || PAD_ACTIONS.some((action) => pads[action] !== null)
  useEffect(
    () =>
      listenToPads(({ note }) => {
        const here = now.current
        if (here.learning) return
        const action = PAD_ACTIONS.find((one) => here.pads[one] === note)
        if (action === 'play' || (!action && !here.playing)) here.onPlay()
        else if (action) here.onRate(action)
      }, devices),
    [devices],
  )
}
