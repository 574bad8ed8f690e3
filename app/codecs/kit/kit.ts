import * as z from 'zod/mini'
import { fail, ok, type Result, showControls } from '~/core/foundation'
import { HEAD_SHAPES, type Kit, PIECE_KINDS, type Piece, STAFF_STEPS } from '~/core/kit'
import { SURFACES } from '~/core/sticking'
import type { FieldsOf } from '../fields-of'
import '../schema-words'

const centimetres = z.number().check(z.minimum(-300), z.maximum(300))
const pieceSchema = z.object({
  surface: z.enum(SURFACES),
  kind: z.enum(PIECE_KINDS),
  x: centimetres,
  y: centimetres,
  height: z.number().check(z.minimum(0), z.maximum(250)),
  diameter: z.number().check(z.minimum(1), z.maximum(120)),
  sound: z.exactOptional(z.enum(SURFACES)),
  midi: z.exactOptional(z.int().check(z.minimum(0), z.maximum(127))),
  staff: z.exactOptional(
    z.object({
      step: z.int().check(z.minimum(STAFF_STEPS.lowest), z.maximum(STAFF_STEPS.highest)),
      shape: z.enum(HEAD_SHAPES),
    }),
  ),
} satisfies FieldsOf<Piece>)
/** What a kit file holds. Its type is the core's: the compiler refuses a check that gives less. */
export const kitSchema = z.object({
  id: z.string().check(z.minLength(1), z.maxLength(60)),
  name: z.pipe(z.string().check(z.maxLength(80)), z.transform(showControls)),
  crash: z.exactOptional(z.enum(SURFACES)),
  pieces: z.array(pieceSchema).check(
    z.minLength(1),
    z.maxLength(40),
    z.refine((pieces) => new Set(pieces.map(({ surface }) => surface)).size === pieces.length, {
      message: 'each surface at most once',
    }),
  ),
} satisfies FieldsOf<Kit>)

/** Writes a kit file, readable by people too. Law: read back it is the same kit. */
export function formatKit(kit: Kit): string {
  return `${JSON.stringify(kit, null, 2)}\n`
}

/** Reads a kit file; what is wrong with one that is none, `kitFault` tells. */
export function parseKit(json: string): Result<Kit, 'not-a-kit'> {
  const read = kitSchema.safeParse(dataOf(json))
  return read.success ? ok(read.data) : fail('not-a-kit')
}

/** What a text holds as JSON; undefined where it holds none. */
export function dataOf(json: string): unknown {
  try {
    return JSON.parse(json)
  } catch {
    return undefined
  }
}
