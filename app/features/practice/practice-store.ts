import * as z from 'zod'
import {
  type GrooveRecord,
  type KitRecord,
  listGrooves,
  listKits,
  listSessions,
  loadLick,
  loadPlan,
  loadSettings,
  type PlanRecord,
  type PracticeSessionRecord,
  planRecordSchema,
  practiceSessionRecordSchema,
  savePlan,
  saveSession,
} from '~/storage'

/** What practising a lick needs beside the lick itself. */
export interface StoredForPractice {
  readonly grooves: readonly GrooveRecord[]
  readonly kits: readonly KitRecord[]
  readonly sessions: readonly PracticeSessionRecord[]
  /** How the player practises this lick; null where nothing was chosen yet. */
  readonly plan: PlanRecord | null
}

/** A lick with what it is played on and what was practised before. */
export async function openPractice(id: string) {
  const [lick, settings, grooves, kits, sessions, plan] = await Promise.all([
    loadLick(id),
    loadSettings(),
    listGrooves(),
    listKits(),
    listSessions(),
    loadPlan(id),
  ])
  const kept: StoredForPractice = {
    grooves: grooves.ok ? grooves.value : [],
    kits: kits.ok ? kits.value : [],
    sessions: sessions.ok ? sessions.value : [],
    plan: plan.ok ? plan.value : null,
  }
  return { lick, settings, kept }
}

const commandSchema = z.discriminatedUnion('intent', [
  z.object({ intent: z.literal('session'), session: practiceSessionRecordSchema }),
  z.object({ intent: z.literal('plan'), plan: planRecordSchema }),
])
export type PracticeCommand = z.infer<typeof commandSchema>

/** Writes a session or a plan down; what is neither is left alone, and said. */
export async function savePractice(sent: unknown): Promise<{ trouble: string }> {
  const command = commandSchema.safeParse(sent)
  if (!command.success) return { trouble: z.prettifyError(command.error) }
  const kept =
    command.data.intent === 'plan'
      ? await savePlan(command.data.plan)
      : await saveSession(command.data.session)
  return { trouble: kept.ok ? '' : `What you play is not being saved: ${kept.error.detail}` }
}
