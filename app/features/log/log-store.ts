import * as z from 'zod'
import { parseLickText } from '~/codecs/lick-text'
import { gridName } from '~/core/time'
import {
  deleteRecord,
  listLicks,
  listSessions,
  type PracticeSessionRecord,
  practiceSessionRecordSchema,
  saveSession,
} from '~/storage'
import { fillDemo } from '../shell/demo-fill'

/** A lick as the log names it. */
export interface LoggedLick {
  readonly id: string
  readonly title: string
  readonly goal: number | null
  /** The grid that it is written in now, as `1/16`. */
  readonly grid: string
}

/** The whole log, and the licks that it is about. */
export async function openLog(demo: boolean) {
  await fillDemo(demo)
  const [sessions, licks] = await Promise.all([listSessions(), listLicks()])
  return {
    sessions: sessions.ok ? sessions.value : [],
    licks: (licks.ok ? licks.value.licks : []).map(({ id, text }): LoggedLick => {
      const read = parseLickText(text)
      const lick = read.ok ? read.value.lick : null
      const grid = lick ? gridName(lick.frame.grid) : ''
      return { id, title: lick?.title || 'Untitled', goal: lick?.frame.goal ?? null, grid }
    }),
  }
}

const commandSchema = z.discriminatedUnion('intent', [
  z.object({ intent: z.literal('change'), session: practiceSessionRecordSchema }),
  z.object({ intent: z.literal('delete'), id: z.string().min(1) }),
])
export type LogCommand =
  | { readonly intent: 'change'; readonly session: PracticeSessionRecord }
  | { readonly intent: 'delete'; readonly id: string }

/** Changes or deletes a session. */
export async function changeLog(sent: unknown): Promise<{ trouble: string }> {
  const command = commandSchema.safeParse(sent)
  if (!command.success)
    return { trouble: 'The session was not changed: the request could not be read.' }
  const done =
    command.data.intent === 'delete'
      ? await deleteRecord('sittings', command.data.id)
      : await saveSession(command.data.session)
  return { trouble: done.ok ? '' : 'The browser’s storage does not respond: nothing was changed.' }
}
