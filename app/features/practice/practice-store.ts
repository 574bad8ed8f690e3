import * as z from 'zod'
import {
  type GrooveRecord,
  type KitRecord,
  keepSitting,
  listGrooves,
  listKits,
  listSittings,
  loadLick,
  loadSettings,
  type SittingRecord,
  sittingRecordSchema,
} from '~/storage'

/** What practising a lick needs beside the lick itself. */
export interface KeptForPractice {
  readonly grooves: readonly GrooveRecord[]
  readonly kits: readonly KitRecord[]
  readonly sittings: readonly SittingRecord[]
}

/** A lick with what it is played on and what was practised before. */
export async function openPractice(id: string) {
  const [lick, settings, grooves, kits, sittings] = await Promise.all([
    loadLick(id),
    loadSettings(),
    listGrooves(),
    listKits(),
    listSittings(),
  ])
  const kept: KeptForPractice = {
    grooves: grooves.ok ? grooves.value : [],
    kits: kits.ok ? kits.value : [],
    sittings: sittings.ok ? sittings.value : [],
  }
  return { lick, settings, kept }
}

/** Writes a sitting down; one that is no sitting is left alone. */
export async function logSitting(sent: unknown): Promise<{ trouble: string }> {
  const sitting = sittingRecordSchema.safeParse(sent)
  if (!sitting.success) return { trouble: z.prettifyError(sitting.error) }
  const kept = await keepSitting(sitting.data)
  return { trouble: kept.ok ? '' : kept.error.detail }
}
