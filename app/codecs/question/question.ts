import * as z from 'zod/mini'
import { findPhrase, formatPhrase, type Phrase } from '~/core/changes'
import {
  cellsOfPattern,
  natural,
  type PatternWish,
  PUTS,
  patternOf,
  type Question,
  SIZE_ORDERS,
  type Space,
  spaceOf,
} from '~/core/finder'
import { fail, ok, type Result } from '~/core/foundation'
import { EMPTY_LINE, frameTicks, type Lick, TEMPO_RANGE } from '~/core/line'
import { type PlayContext, travelTime } from '~/core/playability'
import { LETTERS, type SlotContent } from '~/core/sticking'
import { faultWords } from '../fault-words'
import { formatLickText, parseLickText } from '../lick-text'
import { pack, unpack } from '../link/pack'
import '../schema-words'

/** A question for the finder as it is written down: in an address, in a file, among what is kept. */
export const QUESTION_FORMAT = 'dime-stack-question'
export const QUESTION_VERSION = 1

export const MAX_QUESTION_CELLS = 180
const MAX_BYTES = 65_536
/** The longest space that is asked for, in slots. */
export const MAX_FINDER_SLOTS = 256

const slot = z.int().check(z.minimum(0), z.maximum(MAX_FINDER_SLOTS - 1))
const slots = z.array(slot).check(z.maxLength(MAX_FINDER_SLOTS))
const letters = z.array(z.enum(LETTERS)).check(z.minLength(1), z.maxLength(16))
const count = z.int().check(z.minimum(0), z.maximum(MAX_FINDER_SLOTS))
const weight = z.int().check(z.minimum(-3), z.maximum(3))

export const questionSchema = z.object({
  format: z._default(z.literal(QUESTION_FORMAT), QUESTION_FORMAT),
  version: z._default(z.literal(QUESTION_VERSION), QUESTION_VERSION),
  /** The space, as the text of a lick: metre, grid, start, bars, landing and layers; its line is what `like` is held against. */
  frame: z.string().check(z.maxLength(8192)),
  cells: z
    .array(
      z.object({
        line: z.string().check(z.minLength(1), z.maxLength(512)),
        least: z.exactOptional(count),
        most: z.exactOptional(count),
      }),
    )
    .check(z.maxLength(MAX_QUESTION_CELLS)),
  inversions: z._default(z.boolean(), false),
  mirrors: z._default(z.boolean(), false),
  cut: z._default(z.boolean(), false),
  conditions: z._default(
    z.object({
      starts: z.exactOptional(letters),
      ends: z.exactOptional(letters),
      free: z.exactOptional(z.enum(['R', 'L', 'K'])),
      linear: z.exactOptional(z.enum(['alone', 'layers'])),
      clear: z.exactOptional(z.boolean()),
      accents: z.exactOptional(
        z.object({ must: slots, not: slots, put: z.exactOptional(z.boolean()) }),
      ),
      runs: z.exactOptional(z.int().check(z.minimum(1), z.maximum(16))),
      kicks: z.exactOptional(z.object({ least: count, most: count })),
      kicksApart: z.exactOptional(z.boolean()),
      kicksOn: z.exactOptional(slots),
      /** The limb that strikes on every second beat. */
      backbeat: z.exactOptional(z.enum(['R', 'L'])),
      /** In so many slots at least it differs from every lick that one has. */
      fresh: z.exactOptional(z.int().check(z.minimum(1), z.maximum(64))),
      speed: z.exactOptional(
        z.number().check(z.minimum(TEMPO_RANGE.least), z.maximum(TEMPO_RANGE.most)),
      ),
      inRow: z.exactOptional(z.int().check(z.minimum(1), z.maximum(16))),
      sizes: z.exactOptional(z.enum(SIZE_ORDERS)),
      grouping: z.exactOptional(
        z.object({
          sizes: z
            .array(z.int().check(z.minimum(1), z.maximum(64)))
            .check(z.minLength(1), z.maxLength(64)),
          ordered: z.boolean(),
        }),
      ),
    }),
    {},
  ),
  /** All patterns of one rule in place of fills of cells: what is put at some slots of natural sticking, or accents on the line of the frame. */
  pattern: z.exactOptional(
    z.object({
      put: z.enum(PUTS),
      lead: z._default(z.enum(['R', 'L']), 'R'),
      least: count,
      most: count,
      apart: z._default(z.boolean(), false),
    }),
  ),
  taste: z._default(
    z.object({
      kicks: z.exactOptional(weight),
      offbeats: z.exactOptional(weight),
      repeats: z.exactOptional(weight),
      doubles: z.exactOptional(weight),
      like: z.exactOptional(weight),
    }),
    {},
  ),
})
/** A question as data. */
export type WrittenQuestion = z.infer<typeof questionSchema>

/** Why a question cannot be asked, and what of it is to blame. */
export interface QuestionFault {
  readonly code: 'frame' | 'space' | 'cell' | 'no-cells' | 'too-long'
  /** The cell that cannot be read, as it is written. */
  readonly cell?: string
}

/** The form of a question as a JSON schema (draft 2020-12). */
export function questionJsonSchema(): object {
  return z.toJSONSchema(questionSchema, { io: 'input', unrepresentable: 'any' })
}

/** Writes a question, readable by people too. Law: read back it is the same. */
export function formatQuestion(question: WrittenQuestion): string {
  return `${JSON.stringify(question, null, 2)}\n`
}

/** Reads a question, whole or not at all; the failure says in words what is wrong. */
export function parseQuestion(json: string): Result<WrittenQuestion, string> {
  if (json.length > MAX_BYTES) return fail('The question is larger than 64 kB.')
  let data: unknown
  try {
    data = JSON.parse(json)
  } catch {
    return fail('The question is not valid JSON. It may be cut off.')
  }
  const read = questionSchema.safeParse(data)
  return read.success ? ok(read.data) : fail(faultWords(read.error.issues, 'a question'))
}

/** A question in letters that an address keeps as they are. Law: `unpackQuestion` reads it back. */
export function packQuestion(question: WrittenQuestion): string {
  return pack(JSON.stringify(question))
}

/** Reads a question from an address; null for what is broken or cut off. */
export function unpackQuestion(packed: string): WrittenQuestion | null {
  const json = unpack(packed, MAX_BYTES)
  const read = json === undefined ? null : parseQuestion(json)
  return read?.ok ? read.value : null
}

/** The frame of a question as a lick; null where it cannot be read. */
export function frameOf({ frame }: Pick<WrittenQuestion, 'frame'>): Lick | null {
  const read = parseLickText(frame)
  return read.ok ? read.value.lick : null
}

/**
 * The text of a lick as the frame of a question: what it begins with, where it lands and what sounds under it.
 * Its line stays, so that what is found can be held against it.
 */
export function toFrame(lick: Lick): string {
  return formatLickText({ ...lick, title: '', tags: [], parts: [], unknown: [], kit: null })
}

/**
 * A written question as it is asked of the finder, for a player on a kit. The limb that is to be free for the
 * landing has to get there from the snare, at the tempo that the fill has to bear, else at that of the frame.
 * `known` are the lines of the licks that one has, as they are typed; those as long as the space can be differed from.
 */
export function toQuestion(
  written: WrittenQuestion,
  setting: PlayContext,
  known: readonly string[] = [],
): Result<Question, QuestionFault> {
  const lick = frameOf(written)
  if (!lick) return fail({ code: 'frame' })
  const space = spaceOf(lick)
  if (!space) return fail({ code: 'space' })
  if (space.slots.length > MAX_FINDER_SLOTS) return fail({ code: 'too-long' })
  const pattern = patternWish(written, lick, space.slots.length)
  if (written.cells.length === 0 && !pattern) return fail({ code: 'no-cells' })
  const cells: Question['cells'][number][] = []
  for (const { line, ...uses } of pattern ? [] : written.cells) {
    const phrase = findPhrase(line)
    if (!phrase || phrase.slots.length === 0) return fail({ code: 'cell', cell: line })
    cells.push({ phrase, ...uses })
  }
  const { free, backbeat, fresh, ...asked } = written.conditions
  // A pattern has no groups of its own: what is asked of groups is asked of cells alone.
  const conditions = pattern ? withoutGroups(asked) : asked
  const { like, repeats = 0, ...liked } = written.taste
  const taste = { ...liked, repeats: pattern ? 0 : repeats }
  const tempo = conditions.speed ?? lick.frame.tempo
  const { inversions, mirrors, cut } = written
  return ok({
    space,
    cells: pattern ? cellsOfPattern(pattern.slots) : cells,
    forms: pattern ? NO_FORMS : { inversions, mirrors, cut },
    conditions: {
      ...conditions,
      ...(pattern && { pattern }),
      ...(backbeat && { backbeat: { letter: backbeat, slots: backbeats(lick, space) } }),
      ...(fresh && { fresh: { least: fresh, lines: linesAsLong(known, space.slots.length) } }),
      ...(free && { free: { letter: free, tempo, wayMs: wayTo(free, lick, setting) } }),
    },
    taste: { ...taste, ...(like && { like: { weight: like, slots: lick.line.slots } }) },
    setting,
  })
}

/** The slots of a space that begin on every second beat of their bar. */
function backbeats({ frame }: Lick, { start, slots, beat }: Space): number[] {
  const { bar } = frameTicks(frame)
  let tick = start
  return slots.flatMap((ticks, slot) => {
    const inBar = tick % bar
    tick += ticks
    return inBar % beat === 0 && (inBar / beat) % 2 === 1 ? [slot] : []
  })
}

function linesAsLong(lines: readonly string[], slots: number): (readonly SlotContent[])[] {
  return lines.flatMap((line) => {
    const phrase = findPhrase(line)
    return phrase?.slots.length === slots ? [phrase.slots] : []
  })
}

function withoutGroups<C extends WrittenQuestion['conditions']>({
  inRow: _,
  sizes: __,
  grouping: ___,
  ...others
}: C) {
  return others
}

/** Cells of one slot have no other forms. */
const NO_FORMS = { inversions: false, mirrors: false, cut: false }

/** The slots of a pattern: of natural sticking, or for accents of the frame's line, as far as that goes. */
function patternWish(
  { pattern }: WrittenQuestion,
  { line }: Lick,
  slots: number,
): PatternWish | null {
  if (!pattern) return null
  const { put, lead, least, most, apart } = pattern
  const hands = natural(slots, lead)
  const own = put === 'accent' ? line.slots.slice(0, slots) : []
  return { slots: patternOf([...own, ...hands.slice(own.length)], put), least, most, apart }
}

/** Milliseconds of a limb's way from the snare to the crash; a foot stays where it is. */
function wayTo(letter: 'R' | 'L' | 'K', { frame }: Lick, { kit, player }: PlayContext): number {
  if (letter === 'K') return player.RF.single
  const limb = letter === 'R' ? 'RH' : 'LH'
  const crash = 'crash' in frame.landing && frame.landing.crash ? frame.landing.crash : 'c1'
  return Math.max(player[limb].single, travelTime(kit, 'sn', crash, limb, player))
}

/** What was found as a lick in the frame of its question, as it is to be kept and heard. */
export function foundLick(frame: Lick, phrase: Phrase, title: string): Lick {
  return {
    ...frame,
    title,
    frame: { ...frame.frame, swells: [] },
    line: { ...EMPTY_LINE, slots: phrase.slots, groups: phrase.groups },
    parts: [],
  }
}

/** The groups of a line, each once, as cells of a question. */
export function cellsOfLine({ line }: Lick): WrittenQuestion['cells'] {
  let at = 0
  const texts = line.groups.map((size) => {
    const slotsOf = line.slots.slice(at, at + size)
    at += size
    return formatPhrase({ slots: slotsOf, groups: [size] })
  })
  return [...new Set(texts)].map((text) => ({ line: text }))
}
