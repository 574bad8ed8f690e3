import * as z from 'zod/mini'
import { fail, ok, type Result } from '~/core/foundation'
import { type Lick, TEMPO_RANGE } from '~/core/line'
import { cleannessOf, expectedStrokes, type HeardStroke, toldOf } from '~/core/timing'
import { faultWords } from '../fault-words'

/** More strokes than anyone plays in one line. */
const MAX_HEARD = 20_000
const limbs = ['RH', 'LH', 'XH', 'RF', 'LF'] as const

const playedSchema = z.object({
  tempo: z.number().check(z.minimum(TEMPO_RANGE.least), z.maximum(TEMPO_RANGE.most)),
  delayMs: z._default(z.union([z.number(), z.literal('find')]), 0),
  strokes: z
    .array(
      z.object({
        ms: z.number(),
        limb: z.optional(z.enum(limbs)),
        velocity: z.optional(z.number().check(z.minimum(0), z.maximum(127))),
      }),
    )
    .check(z.maxLength(MAX_HEARD)),
})
export type Played = z.infer<typeof playedSchema>

/** Reads what was played, as JSON; the failure says in words what is wrong with it. */
export function parsePlayed(json: string): Result<Played, string> {
  let data: unknown
  try {
    data = JSON.parse(json)
  } catch {
    return fail('PLAYED is not valid JSON')
  }
  const read = playedSchema.safeParse(data)
  if (read.success) return ok(read.data)
  return fail(faultWords(read.error.issues, 'a file of what was played'))
}

/** What the command `hear` prints: what was played held against the line, milliseconds to a tenth. */
export function toHeadlessHear(lick: Lick, { tempo, delayMs, strokes }: Played) {
  const heard: HeardStroke[] = [...strokes]
    .sort((a, b) => a.ms - b.ms)
    .map(({ ms, limb, velocity }) => ({
      ms,
      ...(limb && { limb }),
      ...(velocity !== undefined && { velocity }),
    }))
  const told = toldOf(expectedStrokes(lick, tempo), heard, delayMs)
  const clean = cleannessOf([told])
  return {
    delayMs: tenth(told.delayMs),
    strokes: told.strokes.map((one) => ({
      slot: one.slot,
      limb: one.limb,
      expectedMs: tenth(one.expectedMs),
      heardMs: tenth(one.heardMs),
      offsetMs: tenth(one.offsetMs),
    })),
    missed: told.missed.map(({ slot, limb }) => ({ slot, limb })),
    extra: told.extra.map(({ ms }) => ({ ms: tenth(ms) })),
    limbs: Object.fromEntries(
      told.limbs.map(({ limb, strokes: count, meanMs, sdMs }) => [
        limb,
        { strokes: count, meanMs: tenth(meanMs), sdMs: tenth(sdMs) },
      ]),
    ),
    gaps: told.gaps.map(({ from, to, count, meanMs, ratio }) => ({
      from,
      to,
      count,
      meanMs: tenth(meanMs),
      ratio: thousandth(ratio),
    })),
    uneven: told.uneven && { ...told.uneven, ratio: thousandth(told.uneven.ratio) },
    clean: { ...clean, onTime: clean.onTime === null ? null : hundredth(clean.onTime) },
  }
}

function tenth(value: number): number {
  return Math.round(value * 10) / 10
}

function hundredth(value: number): number {
  return Math.round(value * 100) / 100
}

function thousandth(value: number): number {
  return Math.round(value * 1000) / 1000
}
