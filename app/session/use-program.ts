import { nanoid } from 'nanoid'
import { useEffect, useLayoutEffect, useState } from 'react'
import { useSlices } from '~/live/use-slices'
import type { Program } from './program'
import { ProgramPlayer } from './program-player'
import { SessionLog } from './session-log'
import { storedSessions } from './session-writer'
import { openPlayback } from './use-sounding'

/** Plays a program and writes its sessions, for as long as the page shows it; null is silent. */
export function useProgram(program: Program | null) {
  const [{ player, writer }] = useState(() => {
    const writer = storedSessions()
    return { player: new ProgramPlayer(openPlayback, new SessionLog(writer.save, nanoid)), writer }
  })
  // Before anything of this drawing is pressed.
  useLayoutEffect(() => player.take(program), [player, program])
  useEffect(() => {
    window.addEventListener('pagehide', player.write)
    return () => {
      window.removeEventListener('pagehide', player.write)
      player.close()
      writer.close()
    }
  }, [player, writer])
  return { player, ...useSlices(player) }
}
