import * as z from 'zod/mini'
import { fail, ok, type Result } from '~/core/foundation'
import type { StoreIssue } from '../issue'
import { MAX_TEXT, name } from './fields'

/** A lick as it is stored. Times are milliseconds since 1970. */
export const lickRecordSchema = z.object({
  id: z.string().check(z.minLength(1)),
  version: z.literal(2),
  /** The lick's text, always one that can be read. */
  text: z.string().check(z.maxLength(MAX_TEXT)),
  /** The text as it was typed last, where that cannot be read; else null. */
  draft: z.nullable(z.string().check(z.maxLength(MAX_TEXT))),
  /** The voicing rules and pins as JSON; empty for none. */
  voicing: z.string().check(z.maxLength(MAX_TEXT)),
  /** Goes up with every save, so that two tabs notice each other. */
  revision: z.int().check(z.minimum(0)),
  createdAt: z.number(),
  updatedAt: z.number(),
  deletedAt: z.nullable(z.number()),
})
export type LickRecord = z.infer<typeof lickRecordSchema>

export const LICK_RECORD_VERSION = 2

/** A version of a lick, saved by name. */
export const versionRecordSchema = z.object({
  id: z.string().check(z.minLength(1)),
  version: z.literal(1),
  lickId: z.string().check(z.minLength(1)),
  name,
  text: z.string().check(z.maxLength(MAX_TEXT)),
  /** Versions kept before there were voicings have none. */
  voicing: z._default(z.string().check(z.maxLength(MAX_TEXT)), ''),
  createdAt: z.number(),
})
/** The longest name of a version. */
export const VERSION_NAME_MOST = 80
export type VersionRecord = z.infer<typeof versionRecordSchema>

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
