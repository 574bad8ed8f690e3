import * as z from 'zod'
import { findVoicedLick } from '~/codecs/voicing'
import {
  type CellRecord,
  type GrooveRecord,
  type KitRecord,
  listCells,
  listGrooves,
  listKits,
  listLicks,
  loadSettings,
  practiceSessionRecordSchema,
  saveSession,
} from '~/storage'
import { turnTexts } from '../bench/turned'
import { fillDemo } from '../shell/demo-fill'
import type { MixableLick } from './flow-music'

/** Everything that can be mixed, and what it is played on. */
export async function openFlow(demo: boolean) {
  await fillDemo(demo)
  const [settings, listed, cells, grooves, kits] = await Promise.all([
    loadSettings(),
    listLicks(),
    listCells(),
    listGrooves(),
    listKits(),
  ])
  const licks = (listed.ok ? listed.value.licks : []).flatMap((record): MixableLick[] => {
    const lick = findVoicedLick(turnTexts(record, settings.turnLetters))
    return lick ? [{ id: record.id, lick }] : []
  })
  return {
    settings,
    licks,
    cells: (cells.ok ? cells.value : []) satisfies CellRecord[],
    grooves: (grooves.ok ? grooves.value : []) satisfies GrooveRecord[],
    kits: (kits.ok ? kits.value : []) satisfies KitRecord[],
  }
}
export type OpenFlow = Awaited<ReturnType<typeof openFlow>>

/** Writes a session with a flow down. */
export async function logFlow(sent: unknown): Promise<{ trouble: string }> {
  const session = practiceSessionRecordSchema.safeParse(sent)
  if (!session.success) return { trouble: z.prettifyError(session.error) }
  const kept = await saveSession(session.data)
  return { trouble: kept.ok ? '' : `What you play is not being saved: ${kept.error.detail}` }
}
