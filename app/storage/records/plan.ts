import * as z from 'zod/mini'
import { name, upgraded } from './fields'
import { LADDER_KINDS, PART_KINDS, PLAN_SEQUENCES, PRACTICE_ORDERS } from './practice-kinds'

const practiceForm = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('bars'),
    groove: z.int().check(z.minimum(0), z.maximum(8)),
    fill: z.int().check(z.minimum(1), z.maximum(64)),
  }),
  z.object({ kind: z.literal('half') }),
  z.object({ kind: z.literal('over') }),
])

/** Tempos of a ladder at the most: one for each that can be set, in steps of three. */
export const MAX_RUNGS = 128

/** The tempos of a ladder, in beats per minute. */
const tempos = z
  .array(z.number().check(z.minimum(20), z.maximum(400)))
  .check(z.minLength(1), z.maxLength(MAX_RUNGS))

/** How a lick is practised, whichever lick it is: order of the steps, ladder, repeats. */
export const planContent = z.object({
  school: z.enum(PRACTICE_ORDERS),
  ladder: z.enum(LADDER_KINDS),
  /** All tempos of a step first, or all steps at a tempo; plans from before there was a choice go step by step. */
  sequence: z.optional(z.enum(PLAN_SEQUENCES)),
  /** The rungs as the player set them; null for those proposed. */
  rungs: z.nullable(tempos),
  /** The grid of each rung, where they have several; null where all are on the lick's own. */
  rungGrids: z._default(
    z.nullable(z.array(z.string().check(z.maxLength(8))).check(z.maxLength(MAX_RUNGS))),
    null,
  ),
  /** Times on a rung. */
  repeats: z.int().check(z.minimum(1), z.maximum(99)),
  /** Whether the ladder is climbed without being asked. */
  climbs: z.boolean(),
  steps: z
    .array(
      z.object({
        part: z.string().check(z.maxLength(60)),
        skipped: z.boolean(),
        form: z.nullable(practiceForm),
        /** The tempos that it alone is played at; null for those of the plan. */
        tempos: z.optional(z.nullable(tempos)),
      }),
    )
    .check(z.maxLength(400)),
})
export type PlanContent = z.infer<typeof planContent>

const planFields = z.extend(planContent, {
  id: z.string().check(z.minLength(1)),
  version: z.literal(3),
  createdAt: z.number(),
})

/**
 * How a player practises a lick: order of the steps, ladder, repeats. Its id is the lick's. Plans of
 * version 1 called the links between groups joints; those of version 2 knew fewer orders.
 */
export const planRecordSchema = upgraded((stored) => {
  const old = olderPlan.safeParse(stored)
  if (!old.success) return stored
  const steps = old.data.steps.map((step) => ({
    ...step,
    part: step.part.replace(/^joint /, 'transition '),
  }))
  return { ...old.data, version: 3, steps }
}, planFields)
export type PlanRecord = z.infer<typeof planRecordSchema>

const olderPlan = z.looseObject({
  version: z.union([z.literal(1), z.literal(2)]),
  steps: z.array(z.looseObject({ part: z.string() })),
})

/** A plan that can be laid on any lick: its steps by their kinds; no steps are all that the order has. */
export const sharedPlan = z.object({
  school: z.enum(PRACTICE_ORDERS),
  ladder: z.enum(LADDER_KINDS),
  /** All tempos of a step first, or all steps at a tempo; plans from before there was a choice go step by step. */
  sequence: z.optional(z.enum(PLAN_SEQUENCES)),
  repeats: z.int().check(z.minimum(1), z.maximum(99)),
  climbs: z.boolean(),
  steps: z
    .array(z.object({ kind: z.enum(PART_KINDS), form: z.nullable(practiceForm) }))
    .check(z.maxLength(40)),
})
export type SharedPlan = z.infer<typeof sharedPlan>

/** A plan of the player's own, by name, to be laid on other licks. */
export const planTemplate = z.extend(sharedPlan, { name })
export type PlanTemplate = z.infer<typeof planTemplate>
export const MAX_TEMPLATES = 20
