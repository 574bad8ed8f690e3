import * as z from 'zod'
import { parseLickText } from '~/codecs/lick-text'
import { gridName } from '~/core/time'
import {
  forget,
  keepSitting,
  listLicks,
  listSittings,
  type SittingRecord,
  sittingRecordSchema,
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
  const [sittings, licks] = await Promise.all([listSittings(), listLicks()])
  return {
    sittings: sittings.ok ? sittings.value : [],
    licks: (licks.ok ? licks.value.licks : []).map(({ id, text }): LoggedLick => {
      const read = parseLickText(text)
      const lick = read.ok ? read.value.lick : null
      const grid = lick ? gridName(lick.frame.grid) : ''
      return { id, title: lick?.title || 'Untitled', goal: lick?.frame.goal ?? null, grid }
    }),
  }
}

const commandSchema = z.discriminatedUnion('intent', [
  z.object({ intent: z.literal('change'), sitting: sittingRecordSchema }),
  z.object({ intent: z.literal('forget'), id: z.string().min(1) }),
])
export type LogCommand =
  | { readonly intent: 'change'; readonly sitting: SittingRecord }
  | { readonly intent: 'forget'; readonly id: string }

/** Changes or forgets a sitting. */
export async function changeLog(sent: unknown): Promise<{ trouble: string }> {
  const command = commandSchema.safeParse(sent)
  if (!command.success) return { trouble: 'Nothing that can be done with a sitting.' }
  const done =
    command.data.intent === 'forget'
      ? await forget('sittings', command.data.id)
      : await keepSitting(command.data.sitting)
  return { trouble: done.ok ? '' : 'The store does not answer: nothing was changed.' }
}
