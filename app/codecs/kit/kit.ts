import * as z from 'zod'
import { fail, ok, type Result, showControls } from '~/core/foundation'
import { HEAD_SHAPES, type Kit, PIECE_KINDS, STAFF_STEPS } from '~/core/kit'
import { SURFACES } from '~/core/sticking'

const centimetres = z.number().min(-300).max(300)
const pieceSchema = z.object({
  surface: z.enum(SURFACES),
  kind: z.enum(PIECE_KINDS),
  x: centimetres,
  y: centimetres,
  height: z.number().min(0).max(250),
  diameter: z.number().min(1).max(120),
  sound: z.enum(SURFACES).optional(),
  midi: z.number().int().min(0).max(127).optional(),
  staff: z
    .object({
      step: z.number().int().min(STAFF_STEPS.lowest).max(STAFF_STEPS.highest),
      shape: z.enum(HEAD_SHAPES),
    })
    .optional(),
})
const kitSchema = z.object({
  id: z.string().min(1).max(60),
  name: z.string().max(80).transform(showControls),
  crash: z.enum(SURFACES).optional(),
  pieces: z
    .array(pieceSchema)
    .min(1)
    .max(40)
    .refine((pieces) => new Set(pieces.map(({ surface }) => surface)).size === pieces.length, {
      message: 'each surface at most once',
    }),
})

/** Writes a kit file, readable by people too. Law: read back it is the same kit. */
export function formatKit(kit: Kit): string {
  return `${JSON.stringify(kit, null, 2)}\n`
}

/** Reads a kit file; the failure says in words what is wrong with it. */
export function parseKit(json: string): Result<Kit, string> {
  let data: unknown
  try {
    data = JSON.parse(json)
  } catch {
    return fail('the file is no JSON')
  }
  const read = kitSchema.safeParse(data)
  if (read.success) return ok(read.data as Kit)
  const [issue] = read.error.issues
  return fail(`${issue?.path.join('.') ?? ''}: ${issue?.message ?? 'not a kit'}`)
}
