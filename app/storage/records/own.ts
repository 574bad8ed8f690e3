import * as z from 'zod/mini'
import { name, words } from './fields'

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

/** A kit of the player's own, as JSON in the form of a kit file. */
export const kitRecordSchema = z.object({
  id: z.string().check(z.regex(/^[\w-]{1,60}$/)),
  version: z.literal(1),
  kit: z.string().check(z.minLength(2), z.maxLength(65536)),
  createdAt: z.number(),
})
export type KitRecord = z.infer<typeof kitRecordSchema>
