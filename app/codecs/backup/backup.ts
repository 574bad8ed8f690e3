import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import * as z from 'zod/mini'
import { fail, ok, type Result } from '~/core/foundation'

/**
 * A backup: one zip file with a head and a file of JSON lines (a record each) for every table, so that
 * it can be read by other programs, and a broken line spoils no other. Source of the zip form: PKWARE's
 * APPNOTE; of JSON lines: RFC 8259, a value a line.
 */
export const BACKUP_FORMAT = 'dime-stack-backup'
export const BACKUP_VERSION = 1
const HEAD = 'backup.json'
const MAX_UNPACKED = 512 * 1024 * 1024
const NAME = /^([a-z]{1,20})\.jsonl$/

const headSchema = z.object({
  format: z.literal(BACKUP_FORMAT),
  version: z.int().check(z.minimum(1)),
  at: z.number(),
})

/** The rows of each table, as they are stored. */
export type BackupTables = ReadonlyMap<string, readonly unknown[]>

/** A line of a backup that is no JSON, as it stood there. */
export interface BrokenLine {
  readonly table: string
  readonly raw: string
}

export interface Backup {
  readonly at: number
  readonly tables: BackupTables
  readonly broken: readonly BrokenLine[]
}

/** Why a file cannot be read, in words. */
export interface FileIssue {
  readonly code: 'damaged' | 'too-large' | 'newer' | 'not-ours'
  readonly message: string
}

/** Packs a backup. `at` is in milliseconds since 1970. Law: read back, the rows are the same. */
export function formatBackup(tables: BackupTables, at: number): Uint8Array {
  const files: Record<string, Uint8Array> = {}
  const head = { format: BACKUP_FORMAT, version: BACKUP_VERSION, at }
  files[HEAD] = strToU8(`${JSON.stringify(head, null, 2)}\n`)
  for (const [table, rows] of tables) {
    files[`${table}.jsonl`] = strToU8(rows.map((row) => `${JSON.stringify(row)}\n`).join(''))
  }
  return zipSync(files, { level: 6 })
}

/** Unpacks a backup; what is in its rows is not judged here. */
export function parseBackup(bytes: Uint8Array): Result<Backup, FileIssue> {
  let size = 0
  let files: Record<string, Uint8Array>
  try {
    files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        const wanted = name === HEAD || NAME.test(name)
        if (wanted) size += originalSize
        return wanted && size <= MAX_UNPACKED
      },
    })
  } catch {
    return fail({
      code: 'damaged',
      message: 'The zip file is damaged or cut off: it can’t be unpacked.',
    })
  }
  if (size > MAX_UNPACKED)
    return fail({ code: 'too-large', message: 'Unpacked, the file is larger than 512 MB.' })
  const head = headSchema.safeParse(parseJson(files[HEAD] ? strFromU8(files[HEAD]) : ''))
  if (!head.success)
    return fail({ code: 'not-ours', message: 'The zip file is not a Dime Stack backup.' })
  if (head.data.version > BACKUP_VERSION) {
    return fail({
      code: 'newer',
      message: 'The backup was written by a newer version of Dime Stack.',
    })
  }
  const tables = new Map<string, unknown[]>()
  const broken: BrokenLine[] = []
  for (const [name, content] of Object.entries(files)) {
    const table = NAME.exec(name)?.[1]
    if (!table) continue
    const rows: unknown[] = []
    for (const line of strFromU8(content).split('\n')) {
      if (line === '') continue
      const row = parseJson(line)
      if (row === undefined) broken.push({ table, raw: line })
      else rows.push(row)
    }
    tables.set(table, rows)
  }
  return ok({ at: head.data.at, tables, broken })
}

function parseJson(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}
