import * as z from 'zod/mini'
import { name, words } from './fields'
import { planContent, sharedPlan } from './plan'

/** Exercises of a set at the most: the largest family that is listed has fewer. */
export const MAX_IN_SET = 500

/** Licks in an order, to be practised one after the other. */
export const setRecordSchema = z.object({
  id: z.string().check(z.minLength(1)),
  version: z.literal(1),
  createdAt: z.number(),
  name,
  note: words(500),
  /** Minutes on each exercise, unless it has its own. */
  minutes: z.number().check(z.minimum(0.5), z.maximum(60)),
  /** How all its licks are practised, but for those with an exception; null for each lick's own plan. */
  plan: z._default(z.nullable(sharedPlan), null),
  exercises: z
    .array(
      z.object({
        lickId: z.string().check(z.minLength(1), z.maxLength(60)),
        minutes: z.nullable(z.number().check(z.minimum(0.5), z.maximum(60))),
        /** What was changed of the set's plan for this exercise; null for nothing. */
        plan: z._default(z.nullable(planContent), null),
      }),
    )
    .check(
      z.maxLength(MAX_IN_SET),
      z.refine((all) => new Set(all.map(({ lickId }) => lickId)).size === all.length, {
        message: 'each lick once',
      }),
    ),
})
export type SetRecord = z.infer<typeof setRecordSchema>

/** A solo, as JSON in the form of a solo file, under its title. */
export const soloRecordSchema = z.object({
  id: z.string().check(z.minLength(1)),
  version: z.literal(1),
  createdAt: z.number(),
  name: words(200),
  solo: z.string().check(z.minLength(2), z.maxLength(8 * 1024 * 1024)),
})
export type SoloRecord = z.infer<typeof soloRecordSchema>
