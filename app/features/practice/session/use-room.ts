import { nanoid } from 'nanoid'
import { useEffect, useState, useSyncExternalStore } from 'react'
import { ProgramPlayer } from '~/session/program-player'
import { SessionLog } from '~/session/session-log'
import { storedSessions } from '~/session/session-writer'
import { openPlayback } from '~/session/use-sounding'
import type { Kept, LickRecord, PlanRecord } from '~/storage'
import { newPlan, planDocument } from '~/workspace/documents/plan-document'
import type { SetDocument } from '~/workspace/documents/set-document'
import type { Practised } from './lick-program'
import { lickOf } from './practised'
import { PracticeRoom } from './room'
import { StoredWorld } from './world'

/** The practice of a lick, from what was stored when the page was opened, for as long as that shows it. */
export function useRoom(
  opened: Kept<LickRecord>,
  stored: Kept<PlanRecord> | null,
  set: SetDocument | null,
): PracticeRoom {
  const [{ room, writer }] = useState(() => {
    const world = new StoredWorld(opened)
    const lick = lickOf(opened, world.state().settings.turnLetters)
    const writer = storedSessions()
    const player = new ProgramPlayer(openPlayback, new SessionLog(writer.save, nanoid))
    const plan = planDocument(stored, newPlan(opened.id, lick, Date.now()))
    return { room: new PracticeRoom({ world, plan, set, player }), writer }
  })
  useEffect(() => {
    const close = room.open()
    window.addEventListener('pagehide', room.player.write)
    return () => {
      window.removeEventListener('pagehide', room.player.write)
      close()
      writer.close()
    }
  }, [room, writer])
  return room
}

/** Everything that is drawn of a practice. */
export function usePractised(room: PracticeRoom): Practised {
  return useSyncExternalStore(room.subscribe, room.practised, room.practised)
}
