import * as z from 'zod'
import {
  type GrooveRecord,
  type KitRecord,
  keepPlan,
  keepSitting,
  listGrooves,
  listKits,
  listSittings,
  loadLick,
  loadPlan,
  loadSettings,
  type PlanRecord,
  planRecordSchema,
  type SittingRecord,
  sittingRecordSchema,
} from '~/storage'

/** What practising a lick needs beside the lick itself. */
export interface KeptForPractice {
  readonly grooves: readonly GrooveRecord[]
  readonly kits: readonly KitRecord[]
  readonly sittings: readonly SittingRecord[]
  /** How the player practises this lick; null where nothing was chosen yet. */
  readonly plan: PlanRecord | null
}

/** A lick with what it is played on and what was practised before. */
export async function openPractice(id: string) {
  const [lick, settings, grooves, kits, sittings, plan] = await Promise.all([
    loadLick(id),
    loadSettings(),
    listGrooves(),
    listKits(),
    listSittings(),
    loadPlan(id),
  ])
  const kept: KeptForPractice = {
    grooves: grooves.ok ? grooves.value : [],
    kits: kits.ok ? kits.value : [],
    sittings: sittings.ok ? sittings.value : [],
    plan: plan.ok ? plan.value : null,
  }
  return { lick, settings, kept }
}

const commandSchema = z.discriminatedUnion('intent', [
  z.object({ intent: z.literal('sitting'), sitting: sittingRecordSchema }),
  z.object({ intent: z.literal('plan'), plan: planRecordSchema }),
])
export type PracticeCommand = z.infer<typeof commandSchema>

/** Writes a sitting or a plan down; what is neither is left alone, and said. */
export async function keepPractice(sent: unknown): Promise<{ trouble: string }> {
  const command = commandSchema.safeParse(sent)
  if (!command.success) return { trouble: z.prettifyError(command.error) }
  const kept =
    command.data.intent === 'plan'
      ? await keepPlan(command.data.plan)
      : await keepSitting(command.data.sitting)
  return { trouble: kept.ok ? '' : `What you play is not written down: ${kept.error.detail}` }
}
