import * as z from 'zod/mini'
import { upgraded, words } from './fields'

/** Milliseconds since 1970 that a calendar can name. */
const moment = z.number().check(z.minimum(-8.64e15), z.maximum(8.64e15))

const count = z.int().check(z.minimum(0))
/** A share of something, or how far it may be off: anything but nonsense. */
const share = z.number().check(z.minimum(-1000), z.maximum(1000))
const milliseconds = z.number().check(z.minimum(-5000), z.maximum(5000))
/** Rounds that were heard at the session's tempo: see `HeardSummary` of the core. */
const heardSummary = z.object({
  rounds: count,
  meant: count,
  hit: count,
  onTime: count,
  extra: count,
  limbs: z
    .array(
      z.object({
        limb: z.enum(['RH', 'LH', 'XH', 'RF', 'LF']),
        strokes: count,
        meanMs: milliseconds,
        spreadMs: milliseconds,
      }),
    )
    .check(z.maxLength(5)),
  lean: z.optional(z.nullable(z.object({ share, within: share }))),
})

const sessionFields = z.object({
  id: z.string().check(z.minLength(1), z.maxLength(60)),
  version: z.literal(3),
  lickId: z.string().check(z.minLength(1)),
  createdAt: moment,
  /** Which part of the build-up, by its key; empty for the lick as a whole. */
  part: z.string().check(z.maxLength(60)),
  step: words(120),
  tempo: z.number().check(z.minimum(20), z.maximum(400)),
  repeats: z.int().check(z.minimum(0)),
  seconds: z.number().check(z.minimum(0)),
  rating: z.nullable(z.enum(['clean', 'rough', 'lost'])),
  /** Whether it felt tense. */
  tense: z.boolean(),
  /** The grid and the form in which it was played; empty where that was not written down. */
  grid: z.string().check(z.maxLength(8)),
  form: words(40),
  note: words(200),
  /** What was heard of it, where the player was heard; null where not. */
  heard: z._default(z.nullable(heardSummary), null),
})

/**
 * A stretch of practice, kept as it goes on. Times are milliseconds since 1970. Those of version 1
 * knew neither grid nor form, nor how it felt, those of version 2 no key of their part.
 */
export const practiceSessionRecordSchema = upgraded((stored) => {
  const old = z.looseObject({ version: z.union([z.literal(1), z.literal(2)]) }).safeParse(stored)
  if (!old.success) return stored
  const known =
    old.data.version === 1 ? { tense: false, grid: '', form: '', note: '', ...old.data } : old.data
  return { ...known, version: 3, part: partOf(String(old.data.step ?? '')) }
}, sessionFields)

/** Up to version 2 a session told its part only in words: what they began with, and the part's kind. */
const PART_OF_WORDS: readonly (readonly [words: string, kind: string])[] = [
  ['hands alone', 'hands'],
  ['feet alone', 'feet'],
  ['on one surface', 'together'],
  ['a joint alone', 'transition'],
  ['the tightest move', 'bottleneck'],
  ['a half alone', 'half'],
  ['the right hand', 'right-voices'],
  ['the left hand', 'left-voices'],
  ['a loop', 'loop'],
]

function partOf(step: string): string {
  return PART_OF_WORDS.find(([words]) => step.startsWith(words))?.[1] ?? ''
}

export type PracticeSessionRecord = z.infer<typeof practiceSessionRecordSchema>

/** What a session with a flow is filed under: it is about no lick of its own. */
export const FLOW_ID = 'flow'
