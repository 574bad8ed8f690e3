import * as z from 'zod'
import { fail, ok, type Result, showControls } from '~/core/foundation'
import type { StoreIssue } from './issue'

/** Texts longer than this are refused on the way in, so that what is written can be read. */
export const MOST_TEXT = 65_536

/** Words that a person typed, on one row: nothing in them turns the order of what is around them. */
const words = (most: number) => z.string().max(most).transform(showControls)
const name = z.string().trim().min(1).max(80).transform(showControls)

/** A lick as it is stored. Times are milliseconds since 1970. */
export const lickRecordSchema = z.object({
  id: z.string().min(1),
  version: z.literal(2),
  /** The lick's text, always one that can be read. */
  text: z.string().max(MOST_TEXT),
  /** The text as it was typed last, where that cannot be read; else null. */
  draft: z.string().max(MOST_TEXT).nullable(),
  /** The voicing rules and pins as JSON; empty for none. */
  voicing: z.string().max(MOST_TEXT),
  /** Goes up with every save, so that two tabs notice each other. */
  revision: z.number().int().min(0),
  createdAt: z.number(),
  updatedAt: z.number(),
  deletedAt: z.number().nullable(),
})
export type LickRecord = z.infer<typeof lickRecordSchema>

export const LICK_RECORD_VERSION = 2

/** A cell of the player's own: a sticking in the line's notation, by name. */
export const cellRecordSchema = z.object({
  id: z.string().min(1),
  version: z.literal(1),
  name,
  line: z.string().min(1).max(4096),
  tags: z.array(words(40)).max(20),
  createdAt: z.number(),
})
export type CellRecord = z.infer<typeof cellRecordSchema>

/** A groove of the player's own: one bar for one metre, in the line's notation. */
export const grooveRecordSchema = z.object({
  id: z.string().regex(/^[\w-]{1,60}$/),
  version: z.literal(1),
  name,
  meter: z.string().regex(/^\d{1,3}\/\d{1,2}( \d{1,3}(\+\d{1,3})*)?$/),
  grid: z.string().min(1).max(8),
  line: z.string().min(1).max(4096),
  createdAt: z.number(),
})
export type GrooveRecord = z.infer<typeof grooveRecordSchema>

/** A version of a lick, saved by name. */
export const versionRecordSchema = z.object({
  id: z.string().min(1),
  version: z.literal(1),
  lickId: z.string().min(1),
  name,
  text: z.string().max(MOST_TEXT),
  /** Versions kept before there were voicings have none. */
  voicing: z.string().max(MOST_TEXT).default(''),
  createdAt: z.number(),
})
/** The longest name of a version. */
export const VERSION_NAME_MOST = 80
export type VersionRecord = z.infer<typeof versionRecordSchema>

/** A kit of the player's own, as JSON in the form of a kit file. */
export const kitRecordSchema = z.object({
  id: z.string().regex(/^[\w-]{1,60}$/),
  version: z.literal(1),
  kit: z.string().min(2).max(65536),
  createdAt: z.number(),
})
export type KitRecord = z.infer<typeof kitRecordSchema>

const milliseconds = z.number().min(15).max(2000)
/** Constants that were not there at first are the usual ones where they are missing. */
const limbSpeed = z.object({
  single: milliseconds,
  double: milliseconds,
  triple: milliseconds.optional(),
})
const handSpeed = limbSpeed.extend({
  buzz: milliseconds.optional(),
  /** Times as long as Fitts's law says. */
  travel: z.number().min(0.2).max(5).optional(),
})
const limbSpeeds = z.object({ RH: handSpeed, LH: handSpeed, RF: limbSpeed, LF: limbSpeed })

/** Milliseconds since 1970 that a calendar can name. */
const moment = z.number().min(-8.64e15).max(8.64e15)

const sessionFields = z.object({
  id: z.string().min(1).max(60),
  version: z.literal(3),
  lickId: z.string().min(1),
  createdAt: moment,
  /** Which part of the build-up, by its key; empty for the lick as a whole. */
  part: z.string().max(60),
  step: words(120),
  tempo: z.number().min(20).max(400),
  repeats: z.number().int().min(0),
  seconds: z.number().min(0),
  rating: z.enum(['clean', 'rough', 'lost']).nullable(),
  /** Whether it felt tense. */
  tense: z.boolean(),
  /** The grid and the form in which it was played; empty where that was not written down. */
  grid: z.string().max(8),
  form: words(40),
  note: words(200),
})

/**
 * A stretch of practice, kept as it goes on. Times are milliseconds since 1970. Those of version 1
 * knew neither grid nor form, nor how it felt, those of version 2 no key of their part.
 */
export const practiceSessionRecordSchema = z.preprocess((stored) => {
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

const practiceForm = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('bars'),
    groove: z.number().int().min(0).max(8),
    fill: z.number().int().min(1).max(64),
  }),
  z.object({ kind: z.literal('half') }),
  z.object({ kind: z.literal('over') }),
])

/** Tempos of a ladder at the most: one for each that can be set, in steps of three. */
export const MOST_RUNGS = 128

const planFields = z.object({
  id: z.string().min(1),
  version: z.literal(2),
  createdAt: z.number(),
  school: z.enum(['parts', 'halves', 'whole', 'bar']),
  ladder: z.enum(['three', 'bpm', 'percent']),
  /** The rungs as the player set them; null for those proposed. */
  rungs: z.array(z.number().min(20).max(400)).min(1).max(MOST_RUNGS).nullable(),
  /** The grid of each rung, where they have several; null where all are on the lick's own. */
  rungGrids: z.array(z.string().max(8)).max(MOST_RUNGS).nullable().default(null),
  /** Times on a rung. */
  repeats: z.number().int().min(1).max(99),
  /** Whether the ladder is climbed without being asked. */
  climbs: z.boolean(),
  steps: z
    .array(
      z.object({
        part: z.string().max(60),
        skipped: z.boolean(),
        form: practiceForm.nullable(),
      }),
    )
    .max(400),
})

/**
 * How a player practises a lick: order of the steps, ladder, repeats. Its id is the lick's. Plans of
 * version 1 called the links between groups joints.
 */
export const planRecordSchema = z.preprocess((stored) => {
  const old = planV1.safeParse(stored)
  if (!old.success) return stored
  const steps = old.data.steps.map((step) => ({
    ...step,
    part: step.part.replace(/^joint /, 'transition '),
  }))
  return { ...old.data, version: 2, steps }
}, planFields)
export type PlanRecord = z.infer<typeof planRecordSchema>

const planV1 = z.looseObject({
  version: z.literal(1),
  steps: z.array(z.looseObject({ part: z.string() })),
})

const padNote = z.number().int().min(0).max(127).nullable()

/** What a player prefers; every field has a default, so that older records stay readable. */
export const settingsSchema = z.object({
  school: z.string().default('e-and-a'),
  /** Whether compound metres are counted in their eighths, and odd ones by their groups. */
  countUnits: z.boolean().default(true),
  countGroups: z.boolean().default(false),
  /** Whether voice and click count sextuplets in eighths. */
  sextupletsInEighths: z.boolean().default(false),
  beaming: z.enum(['beat', 'group']).default('beat'),
  staffGroove: z.enum(['slashes', 'notes']).default('slashes'),
  click: z.boolean().default(true),
  countIn: z.boolean().default(true),
  loop: z.boolean().default(true),
  /** The kit that licks are played on which name none: the id of a preset or of an own one. */
  kit: z.string().max(60).default('five'),
  /** Measured or typed limb speeds in milliseconds; null for the defaults. */
  speeds: limbSpeeds.nullable().default(null),
  /** The speeds before they were raised to what was played, so that this can be taken back. */
  speedsBefore: z.object({ speeds: limbSpeeds.nullable() }).nullable().default(null),
  /** Half the width of the shoulders and the length of hand to tip, in centimetres; null for the usual. */
  arms: z
    .object({ shoulder: z.number().min(5).max(40), grip: z.number().min(10).max(60) })
    .nullable()
    .default(null),
  /** How far from a shoulder the player reaches, in centimetres; null for the usual. */
  reach: z.number().min(40).max(200).nullable().default(null),
  /** The three switches of handedness, each by itself. */
  turnLetters: z.boolean().default(false),
  /** The groove's hands change places, so that the time is kept without crossing. */
  openHanded: z.boolean().default(false),
  turnKit: z.boolean().default(false),
  turnFeet: z.boolean().default(false),
  /** How practice is counted in and clicked. */
  practiceCountIn: z.enum(['off', 'once', 'each']).default('once'),
  clickMarks: z.enum(['off', 'beats', 'slots', 'off-beats']).default('beats'),
  /** The click is silent in the last so many of every so many bars; null for never. */
  dropOut: z
    .object({ silent: z.number().int().min(1).max(15), of: z.number().int().min(2).max(16) })
    .refine(({ silent, of }) => silent < of)
    .nullable()
    .default(null),
  /** The hi-hat foot on the beat under whatever is practised. */
  pulse: z.boolean().default(false),
  /** The count is said by the browser's voice: of every slot, or of the strokes of each group. */
  voiceCount: z.boolean().default(false),
  voiceSays: z.enum(['slots', 'strokes']).default('slots'),
  /** Minutes after which a break is called for; 0 for never. */
  breakAfter: z.number().int().min(0).max(120).default(25),
  /** The MIDI notes of the pads that run practice. */
  pads: z
    .object({ play: padNote, clean: padNote, rough: padNote, lost: padNote })
    .default({ play: null, clean: null, rough: null, lost: null }),
})
export type Settings = z.infer<typeof settingsSchema>
export const DEFAULT_SETTINGS: Settings = settingsSchema.parse({})

/** Turns a stored record of one version into the next. Append only; index 0 makes version 2. */
const MIGRATIONS: readonly ((record: Record<string, unknown>) => Record<string, unknown>)[] = [
  // Version 2 keeps the voicing beside the text.
  (record) => ({ ...record, version: 2, voicing: '' }),
]

/** Reads a stored record of any version up to today's; newer ones are refused, never touched. */
export function readLickRecord(stored: unknown): Result<LickRecord, StoreIssue> {
  const head = z.looseObject({ version: z.number().int().min(1) }).safeParse(stored)
  if (!head.success) return fail({ code: 'broken-record', detail: 'a record without a version' })
  if (head.data.version > LICK_RECORD_VERSION) {
    return fail({ code: 'newer-record', detail: `version ${head.data.version}` })
  }
  const migrated = MIGRATIONS.slice(head.data.version - 1).reduce<Record<string, unknown>>(
    (record, migrate) => migrate(record),
    head.data,
  )
  const read = lickRecordSchema.safeParse(migrated)
  return read.success
    ? ok(read.data)
    : fail({ code: 'broken-record', detail: z.prettifyError(read.error) })
}
