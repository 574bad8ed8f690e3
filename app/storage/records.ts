import * as z from 'zod/mini'
import { fail, ok, type Result, showControls } from '~/core/foundation'
import type { StoreIssue } from './issue'
import { PART_KINDS, PRACTICE_ORDERS } from './practice-kinds'

/** Texts longer than this are refused on the way in, so that what is written can be read. */
export const MOST_TEXT = 65_536

/** Words that a person typed, on one row: nothing in them turns the order of what is around them. */
const words = (most: number) =>
  z.pipe(z.string().check(z.maxLength(most)), z.transform(showControls))
const name = z.pipe(
  z.string().check(z.trim(), z.minLength(1), z.maxLength(80)),
  z.transform(showControls),
)

/** A record that is first brought to today's version. */
function upgraded<T extends z.core.$ZodType>(
  upgrade: (stored: unknown) => unknown,
  schema: T,
): z.ZodMiniPipe<z.ZodMiniTransform<z.input<T>, unknown>, T> {
  // What the upgrade gives is judged by the schema, whatever its type says.
  return z.pipe(z.transform(upgrade), schema as never) as unknown as z.ZodMiniPipe<
    z.ZodMiniTransform<z.input<T>, unknown>,
    T
  >
}

/** A lick as it is stored. Times are milliseconds since 1970. */
export const lickRecordSchema = z.object({
  id: z.string().check(z.minLength(1)),
  version: z.literal(2),
  /** The lick's text, always one that can be read. */
  text: z.string().check(z.maxLength(MOST_TEXT)),
  /** The text as it was typed last, where that cannot be read; else null. */
  draft: z.nullable(z.string().check(z.maxLength(MOST_TEXT))),
  /** The voicing rules and pins as JSON; empty for none. */
  voicing: z.string().check(z.maxLength(MOST_TEXT)),
  /** Goes up with every save, so that two tabs notice each other. */
  revision: z.int().check(z.minimum(0)),
  createdAt: z.number(),
  updatedAt: z.number(),
  deletedAt: z.nullable(z.number()),
})
export type LickRecord = z.infer<typeof lickRecordSchema>

export const LICK_RECORD_VERSION = 2

/** A cell of the player's own: a sticking in the line's notation, by name. */
export const cellRecordSchema = z.object({
  id: z.string().check(z.minLength(1)),
  version: z.literal(1),
  name,
  line: z.string().check(z.minLength(1), z.maxLength(4096)),
  tags: z.array(words(40)).check(z.maxLength(20)),
  createdAt: z.number(),
})
export type CellRecord = z.infer<typeof cellRecordSchema>

/** A groove of the player's own: one bar for one metre, in the line's notation. */
export const grooveRecordSchema = z.object({
  id: z.string().check(z.regex(/^[\w-]{1,60}$/)),
  version: z.literal(1),
  name,
  meter: z.string().check(z.regex(/^\d{1,3}\/\d{1,2}( \d{1,3}(\+\d{1,3})*)?$/)),
  grid: z.string().check(z.minLength(1), z.maxLength(8)),
  line: z.string().check(z.minLength(1), z.maxLength(4096)),
  createdAt: z.number(),
})
export type GrooveRecord = z.infer<typeof grooveRecordSchema>

/** A version of a lick, saved by name. */
export const versionRecordSchema = z.object({
  id: z.string().check(z.minLength(1)),
  version: z.literal(1),
  lickId: z.string().check(z.minLength(1)),
  name,
  text: z.string().check(z.maxLength(MOST_TEXT)),
  /** Versions kept before there were voicings have none. */
  voicing: z._default(z.string().check(z.maxLength(MOST_TEXT)), ''),
  createdAt: z.number(),
})
/** The longest name of a version. */
export const VERSION_NAME_MOST = 80
export type VersionRecord = z.infer<typeof versionRecordSchema>

/** A kit of the player's own, as JSON in the form of a kit file. */
export const kitRecordSchema = z.object({
  id: z.string().check(z.regex(/^[\w-]{1,60}$/)),
  version: z.literal(1),
  kit: z.string().check(z.minLength(2), z.maxLength(65536)),
  createdAt: z.number(),
})
export type KitRecord = z.infer<typeof kitRecordSchema>

const milliseconds = z.number().check(z.minimum(15), z.maximum(2000))
/** Constants that were not there at first are the usual ones where they are missing. */
const limbSpeed = z.object({
  single: milliseconds,
  double: milliseconds,
  triple: z.optional(milliseconds),
})
const handSpeed = z.extend(limbSpeed, {
  buzz: z.optional(milliseconds),
  /** Times as long as Fitts's law says. */
  travel: z.optional(z.number().check(z.minimum(0.2), z.maximum(5))),
})
const limbSpeeds = z.object({ RH: handSpeed, LH: handSpeed, RF: limbSpeed, LF: limbSpeed })

/** Milliseconds since 1970 that a calendar can name. */
const moment = z.number().check(z.minimum(-8.64e15), z.maximum(8.64e15))

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
export const MOST_RUNGS = 128

const planFields = z.object({
  id: z.string().check(z.minLength(1)),
  version: z.literal(3),
  createdAt: z.number(),
  school: z.enum(PRACTICE_ORDERS),
  ladder: z.enum(['three', 'bpm', 'percent']),
  /** The rungs as the player set them; null for those proposed. */
  rungs: z.nullable(
    z
      .array(z.number().check(z.minimum(20), z.maximum(400)))
      .check(z.minLength(1), z.maxLength(MOST_RUNGS)),
  ),
  /** The grid of each rung, where they have several; null where all are on the lick's own. */
  rungGrids: z._default(
    z.nullable(z.array(z.string().check(z.maxLength(8))).check(z.maxLength(MOST_RUNGS))),
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
      }),
    )
    .check(z.maxLength(400)),
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

/** Exercises of a set at the most: the largest family that is listed has fewer. */
export const MOST_IN_SET = 500

/** Licks in an order, to be practised one after the other. */
export const setRecordSchema = z.object({
  id: z.string().check(z.minLength(1)),
  version: z.literal(1),
  createdAt: z.number(),
  name,
  note: words(500),
  /** Minutes on each exercise, unless it has its own. */
  minutes: z.number().check(z.minimum(0.5), z.maximum(60)),
  exercises: z
    .array(
      z.object({
        lickId: z.string().check(z.minLength(1), z.maxLength(60)),
        minutes: z.nullable(z.number().check(z.minimum(0.5), z.maximum(60))),
      }),
    )
    .check(
      z.maxLength(MOST_IN_SET),
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

const padNote = z.nullable(z.int().check(z.minimum(0), z.maximum(127)))

const tapDelay = z.number().check(z.minimum(-500), z.maximum(500))

/** A plan of the player's own, to be laid on other licks. */
const planTemplate = z.object({
  name,
  school: z.enum(PRACTICE_ORDERS),
  ladder: z.enum(['three', 'bpm', 'percent']),
  repeats: z.int().check(z.minimum(1), z.maximum(99)),
  climbs: z.boolean(),
  steps: z
    .array(z.object({ kind: z.enum(PART_KINDS), form: z.nullable(practiceForm) }))
    .check(z.maxLength(40)),
})
export type PlanTemplate = z.infer<typeof planTemplate>
export const MOST_TEMPLATES = 20

/** What a player prefers; every field has a default, so that older records stay readable. */
export const settingsSchema = z.object({
  school: z._default(z.string(), 'e-and-a'),
  /** Whether compound metres are counted in their eighths, and odd ones by their groups. */
  countUnits: z._default(z.boolean(), true),
  countGroups: z._default(z.boolean(), false),
  /** Whether voice and click count sextuplets in eighths. */
  sextupletsInEighths: z._default(z.boolean(), false),
  /** How the kick is written in stickings from elsewhere, besides `K`. */
  kickLetter: z._default(z.enum(['', 'F', 'B']), ''),
  /** Whether single letters, digits, arrows and signs are shortcuts. */
  singleKeys: z._default(z.boolean(), true),
  beaming: z._default(z.enum(['beat', 'group']), 'beat'),
  staffGroove: z._default(z.enum(['slashes', 'notes']), 'slashes'),
  click: z._default(z.boolean(), true),
  countIn: z._default(z.boolean(), true),
  loop: z._default(z.boolean(), true),
  /** The kit that licks are played on which name none: the id of a preset or of an own one. */
  kit: z._default(z.string().check(z.maxLength(60)), 'five'),
  /** Measured or typed limb speeds in milliseconds; null for the defaults. */
  speeds: z._default(z.nullable(limbSpeeds), null),
  /** The speeds before they were raised to what was played, so that this can be taken back. */
  speedsBefore: z._default(z.nullable(z.object({ speeds: z.nullable(limbSpeeds) })), null),
  /** Half the width of the shoulders and the length of hand to tip, in centimetres; null for the usual. */
  arms: z._default(
    z.nullable(
      z.object({
        shoulder: z.number().check(z.minimum(5), z.maximum(40)),
        grip: z.number().check(z.minimum(10), z.maximum(60)),
      }),
    ),
    null,
  ),
  /** How far from a shoulder the player reaches, in centimetres; null for the usual. */
  reach: z._default(z.nullable(z.number().check(z.minimum(40), z.maximum(200))), null),
  /** The three switches of handedness, each by itself. */
  turnLetters: z._default(z.boolean(), false),
  /** The groove's hands change places, so that the time is kept without crossing. */
  openHanded: z._default(z.boolean(), false),
  turnKit: z._default(z.boolean(), false),
  turnFeet: z._default(z.boolean(), false),
  /** How practice is counted in and clicked. */
  practiceCountIn: z._default(z.enum(['off', 'once', 'each']), 'once'),
  clickMarks: z._default(z.enum(['off', 'beats', 'slots', 'off-beats']), 'beats'),
  /** The click is silent in the last so many of every so many bars; null for never. */
  dropOut: z._default(
    z.nullable(
      z
        .object({
          silent: z.int().check(z.minimum(1), z.maximum(15)),
          of: z.int().check(z.minimum(2), z.maximum(16)),
        })
        .check(z.refine(({ silent, of }) => silent < of)),
    ),
    null,
  ),
  /** The hi-hat foot on the beat under whatever is practised. */
  pulse: z._default(z.boolean(), false),
  /** The count is said by the browser's voice: of every slot, or of the strokes of each group. */
  voiceCount: z._default(z.boolean(), false),
  voiceSays: z._default(z.enum(['slots', 'strokes']), 'slots'),
  /** Plans of the player's own, to be laid on other licks. */
  templates: z._default(z.array(planTemplate).check(z.maxLength(MOST_TEMPLATES)), []),
  /** How late taps come by each source, in milliseconds: measured against the click. */
  tapDelays: z._default(z.object({ keys: tapDelay, pads: tapDelay }), { keys: 0, pads: 0 }),
  /** Minutes after which a break is called for; 0 for never. */
  breakAfter: z._default(z.int().check(z.minimum(0), z.maximum(120)), 25),
  /** The MIDI notes of the pads that run practice. */
  pads: z._default(z.object({ play: padNote, clean: padNote, rough: padNote, lost: padNote }), {
    play: null,
    clean: null,
    rough: null,
    lost: null,
  }),
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
  const head = z.looseObject({ version: z.int().check(z.minimum(1)) }).safeParse(stored)
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
