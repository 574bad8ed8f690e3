import * as z from 'zod/mini'
import { fail, ok, type Result, showControls } from '~/core/foundation'
import { type Lick, TEMPO_RANGE } from '~/core/line'
import { formatLine, parseLine } from '~/core/notation'
import { type MixSource, TAILS } from '~/core/practice'
import {
  MAX_PART_BARS,
  MAX_PARTS,
  MAX_SOLO_BARS,
  PART_ENDS,
  type Solo,
  type SoloPart,
  soloLength,
} from '~/core/solo'
import { findGrid, findMeter, gridName, meterName } from '~/core/time'
import { faultWords } from '../fault-words'
import type { FieldsOf } from '../fields-of'
import { formatLickText, parseLickText } from '../lick-text'

/** The open JSON form of a solo: its licks are lick texts. */
export const SOLO_FORMAT = 'dime-stack-solo'
export const SOLO_VERSION = 1
const MAX_BYTES = 8 * 1024 * 1024

const words = (most: number) =>
  z.pipe(z.string().check(z.maxLength(most)), z.transform(showControls))
const bars = z.int().check(z.minimum(1), z.maximum(MAX_PART_BARS))
const meter = z.string().check(z.refine((text) => findMeter(text) !== undefined))
const grid = z.string().check(z.refine((text) => findGrid(text) !== undefined))
const tempo = z.number().check(z.minimum(TEMPO_RANGE.least), z.maximum(TEMPO_RANGE.most))
const named = { id: z.string().check(z.minLength(1), z.maxLength(60)), name: words(80) }
const struck = {
  ...named,
  text: z.string().check(z.maxLength(65_536)),
  lickId: z._default(z.nullable(z.string().check(z.maxLength(60))), null),
  otherHand: z._default(z.boolean(), false),
  end: z._default(z.enum(PART_ENDS), 'auto'),
}
const groove = z.string().check(z.regex(/^[\w-]{1,60}$/))

const partSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('lick'), ...struck, times: bars }),
  z.object({ kind: z.literal('run'), ...struck, bars }),
  z.object({ kind: z.literal('groove'), ...named, groove, meter, bars }),
  z.object({ kind: z.literal('others'), ...named, groove, meter, bars }),
  z.object({
    kind: z.literal('flow'),
    ...named,
    meter,
    grid,
    bars,
    phrase: z.int().check(z.minimum(1), z.maximum(4)),
    mostInRow: z.int().check(z.minimum(1), z.maximum(9)),
    tail: z.enum(TAILS),
    seed: z.int().check(z.minimum(0), z.maximum(999_999)),
    sources: z
      .array(
        z.object({
          name: words(80),
          line: z.string().check(z.minLength(1), z.maxLength(4096)),
          grid,
          weight: z.int().check(z.minimum(0), z.maximum(9)),
        }),
      )
      .check(z.minLength(1), z.maxLength(12)),
  }),
])
const soloFields = {
  title: words(200),
  tags: z._default(z.array(words(40)).check(z.maxLength(20)), []),
  meter,
  tempo,
  goal: z._default(z.nullable(tempo), null),
  parts: z.array(partSchema).check(
    z.maxLength(MAX_PARTS),
    z.refine((parts) => new Set(parts.map(({ id }) => id)).size === parts.length, {
      message: 'each part with an id of its own',
    }),
  ),
  wish: z._default(
    z
      .array(z.nullable(z.number().check(z.minimum(0), z.maximum(1))))
      .check(z.maxLength(MAX_SOLO_BARS)),
    [],
  ),
} satisfies FieldsOf<Solo>
const soloSchema = z.object({
  format: z.literal(SOLO_FORMAT),
  version: z.literal(SOLO_VERSION),
  ...soloFields,
})
type WrittenPart = z.infer<typeof partSchema>

/** Why a text is no solo. */
export interface SoloFileIssue {
  readonly code: 'too-large' | 'not-json' | 'not-a-solo' | 'newer' | 'broken'
  readonly message: string
}

/** Writes a solo, readable by people too. Law: read back it is the same solo. */
export function formatSolo(solo: Solo): string {
  const { title, tags, tempo: pace, goal, wish } = solo
  const written = {
    format: SOLO_FORMAT,
    version: SOLO_VERSION,
    title,
    tags,
    meter: meterName(solo.meter),
    tempo: pace,
    goal,
    parts: solo.parts.map(writePart),
    wish,
  }
  return `${JSON.stringify(written, null, 2)}\n`
}

/** Reads a solo, whole or not at all; the failure says in words what is wrong, and in which part. */
export function parseSolo(json: string): Result<Solo, SoloFileIssue> {
  if (json.length > MAX_BYTES)
    return fail({ code: 'too-large', message: 'The solo is larger than 8 MB.' })
  let data: unknown
  try {
    data = JSON.parse(json)
  } catch {
    return fail({ code: 'not-json', message: 'The solo is not valid JSON. It may be cut off.' })
  }
  const head = z.object({ format: z.literal(SOLO_FORMAT), version: z.number() }).safeParse(data)
  if (!head.success) return fail({ code: 'not-a-solo', message: 'The file is not a solo.' })
  if (head.data.version > SOLO_VERSION) {
    const message = 'The solo was written by a newer version of Dime Stack.'
    return fail({ code: 'newer', message })
  }
  const read = soloSchema.safeParse(data)
  if (!read.success) {
    return fail({ code: 'broken', message: faultWords(read.error.issues, 'a solo') })
  }
  const parts: SoloPart[] = []
  for (const [i, written] of read.data.parts.entries()) {
    const part = readPart(written)
    if (!part.ok) return fail({ code: 'broken', message: `Part ${i + 1}: ${part.error}` })
    parts.push(part.value)
  }
  const { title, tags, goal, wish } = read.data
  const found = findMeter(read.data.meter)
  if (!found) return fail({ code: 'broken', message: 'meter: no such metre' })
  const solo = { title, tags, meter: found, tempo: read.data.tempo, goal, parts, wish }
  if (soloLength(solo).bars > MAX_SOLO_BARS) {
    const message = `The solo is longer than ${MAX_SOLO_BARS} bars.`
    return fail({ code: 'broken', message })
  }
  return ok(solo)
}

function writePart(part: SoloPart): WrittenPart {
  const { id, name } = part
  switch (part.kind) {
    case 'lick':
    case 'run': {
      const { lick, lickId, otherHand, end } = part
      const common = { id, name, text: formatLickText(lick), lickId, otherHand, end }
      return part.kind === 'lick'
        ? { kind: 'lick', ...common, times: part.times }
        : { kind: 'run', ...common, bars: part.bars }
    }
    case 'groove':
    case 'others':
      return { ...part, meter: meterName(part.meter) }
    case 'flow':
      return {
        ...part,
        meter: meterName(part.meter),
        grid: gridName(part.grid),
        sources: part.sources.map(({ name: own, line, grid: slot, weight }) => ({
          name: own,
          line: formatLine(line),
          grid: gridName(slot),
          weight,
        })),
      }
  }
}

function readPart(written: WrittenPart): Result<SoloPart, string> {
  switch (written.kind) {
    case 'lick': {
      const { text, ...rest } = written
      const lick = readLick(text)
      return lick.ok ? ok({ ...rest, lick: lick.value }) : lick
    }
    case 'run': {
      const { text, ...rest } = written
      const lick = readLick(text)
      return lick.ok ? ok({ ...rest, lick: lick.value }) : lick
    }
    case 'groove':
    case 'others': {
      const found = findMeter(written.meter)
      return found ? ok({ ...written, meter: found }) : fail('no such metre')
    }
    case 'flow': {
      const [found, slot] = [findMeter(written.meter), findGrid(written.grid)]
      if (!found || !slot) return fail('no such metre or grid')
      const sources: MixSource[] = []
      for (const { name, line, grid: own, weight } of written.sources) {
        const base = findGrid(own)
        const read = base && parseLine(line, { grid: base, start: 0, bar: null })
        if (!base || !read?.ok) return fail(`the line ${line.slice(0, 20)} can’t be read`)
        sources.push({ name, line: read.value.line, grid: base, weight })
      }
      return ok({ ...written, meter: found, grid: slot, sources })
    }
  }
}

function readLick(text: string): Result<Lick, string> {
  const read = parseLickText(text)
  if (read.ok) return ok(read.value.lick)
  const [issue] = read.error
  return fail(
    `its text can’t be read: line ${issue?.line ?? 1}, character ${issue?.column ?? 1}, expected ${issue?.expected ?? 'a lick'}.`,
  )
}
