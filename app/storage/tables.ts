import * as z from 'zod/mini'
import '~/codecs/schema-words'
import { fail, ok, type Result } from '~/core/foundation'
import type { StoredRow } from './database'
import type { StoreIssue } from './issue'
import {
  type CellRecord,
  cellRecordSchema,
  type GrooveRecord,
  grooveRecordSchema,
  type KitRecord,
  kitRecordSchema,
  type LickRecord,
  type PlanRecord,
  type PracticeSessionRecord,
  planRecordSchema,
  practiceSessionRecordSchema,
  readLickRecord,
  type SetRecord,
  type SoloRecord,
  setRecordSchema,
  soloRecordSchema,
  type VersionRecord,
  versionRecordSchema,
} from './records'

/** The tables of what a player makes, and the record that each holds. */
export interface RecordOf {
  readonly licks: LickRecord
  readonly versions: VersionRecord
  readonly cells: CellRecord
  readonly grooves: GrooveRecord
  readonly kits: KitRecord
  readonly sittings: PracticeSessionRecord
  readonly plans: PlanRecord
  readonly sets: SetRecord
  readonly solos: SoloRecord
}
export type KeptTable = keyof RecordOf
export const KEPT_TABLES = [
  'licks',
  'versions',
  'cells',
  'grooves',
  'kits',
  'sittings',
  'plans',
  'sets',
  'solos',
] as const satisfies readonly KeptTable[]

/** How far each of the last pages that saved something had come: the number of the change that it saved last. */
export const savesSchema = z.record(z.string().check(z.maxLength(60)), z.int())
export type Saves = Readonly<z.infer<typeof savesSchema>>

/** A change of a page that keeps a journal. */
export interface SavedBy {
  readonly page: string
  readonly count: number
}

/** Of so many pages it is known how far they had come: notes that come back after a kill are of the last few. */
const MAX_SAVES = 8

/** The same with one save more. */
export function withSave(saves: Saves | undefined, { page, count }: SavedBy): Saves {
  const others = Object.entries(saves ?? {}).filter(([other]) => other !== page)
  return Object.fromEntries([...others.slice(1 - MAX_SAVES), [page, count]])
}

/** Whether the store has a change of a page already, or a later one of the same page. */
export function hasSaved(saves: Saves | undefined, { page, count }: SavedBy): boolean {
  const saved = saves && Object.hasOwn(saves, page) ? saves[page] : undefined
  return saved !== undefined && count <= saved
}

/** What the store itself keeps of every record, whatever is in it. */
const bookkeepingSchema = z.object({
  /** Goes up with every save, so that two tabs notice each other. */
  revision: z._default(z.int().check(z.minimum(0)), 0),
  /** Milliseconds since 1970; of rows that were written before it was kept, when they were made. */
  updatedAt: z.optional(z.number()),
  /** When it was put in the bin; null for what is in use. */
  deletedAt: z._default(z.nullable(z.number()), null),
  /** The page that saved it last, where that was one that keeps a journal. */
  savedBy: z.optional(z.string().check(z.maxLength(60))),
  saves: z.optional(savesSchema),
})
export interface Bookkeeping {
  readonly revision: number
  readonly updatedAt: number
  readonly deletedAt: number | null
  readonly savedBy?: string
  readonly saves?: Saves
}
export type Kept<R> = R & Bookkeeping

const SCHEMAS = {
  versions: versionRecordSchema,
  cells: cellRecordSchema,
  grooves: grooveRecordSchema,
  kits: kitRecordSchema,
  sittings: practiceSessionRecordSchema,
  plans: planRecordSchema,
  sets: setRecordSchema,
  solos: soloRecordSchema,
} as const

/** Reads what a record holds, without what the store keeps of it. */
export function parseContent<T extends KeptTable>(
  table: T,
  stored: unknown,
): Result<RecordOf[T], StoreIssue> {
  if (table === 'licks') return readLickRecord(stored) as Result<RecordOf[T], StoreIssue>
  const schema: z.ZodMiniType = SCHEMAS[table as keyof typeof SCHEMAS]
  const read = schema.safeParse(stored)
  if (read.success) return ok(read.data as RecordOf[T])
  const newer = z.object({ version: z.number().check(z.minimum(2)) }).safeParse(stored)
  return fail({
    code: newer.success ? 'newer-record' : 'broken-record',
    detail: z.prettifyError(read.error),
  })
}

/** Reads a row of any version up to today's. What cannot be read is told, never touched. */
export function readKept<T extends KeptTable>(
  table: T,
  row: unknown,
): Result<Kept<RecordOf[T]>, StoreIssue> {
  const content = parseContent(table, row)
  if (!content.ok) return content
  const kept = bookkeepingSchema.safeParse(row)
  if (!kept.success) return fail({ code: 'broken-record', detail: z.prettifyError(kept.error) })
  const { revision, updatedAt = content.value.createdAt, deletedAt, savedBy, saves } = kept.data
  const bookkeeping = {
    revision,
    updatedAt,
    deletedAt,
    ...(savedBy && { savedBy }),
    ...(saves && { saves }),
  }
  return ok({ ...content.value, ...bookkeeping })
}

/** What a record holds, without what the store keeps of it. */
export function contentOf<R>(record: R): Omit<R, keyof Bookkeeping> {
  const { revision, updatedAt, deletedAt, savedBy, saves, ...content } = record as Kept<R>
  return content as Omit<R, keyof Bookkeeping>
}

/** A row as it goes to disk. */
export function toRow<T extends KeptTable>(record: Kept<RecordOf[T]>): StoredRow {
  return record as unknown as StoredRow
}

/** Whether two records of a table say the same, whatever the store keeps of them. */
export function sameContent<T extends KeptTable>(a: RecordOf[T], b: RecordOf[T]): boolean {
  return contentText(a) === contentText(b)
}

const NOT_CONTENT: ReadonlySet<string> = new Set([
  'id',
  'revision',
  'createdAt',
  'updatedAt',
  'deletedAt',
  'savedBy',
  'saves',
])

/** What a record says, as a text that is the same wherever it says the same. */
export function contentText(record: object): string {
  const fields = Object.entries(record)
    .filter(([name, value]) => !NOT_CONTENT.has(name) && value !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : 1))
  return JSON.stringify(fields)
}

/** The id under which a lick's other practice plan is stored: `abc` has `abc-spare`. */
export function sparePlanId(lickId: string): string {
  return `${lickId}-spare`
}
