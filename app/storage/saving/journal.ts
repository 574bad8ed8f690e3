import * as z from 'zod/mini'

/** What is written down at once, until the store has it. */
const entrySchema = z.object({
  table: z.string(),
  id: z.string(),
  /** The page that wrote it, and its tab: a reload is another page in the same tab. */
  page: z.string(),
  tab: z.string(),
  /** The revision that it was made on; null for what was new. */
  base: z.nullable(z.number()),
  at: z.number(),
  /** Which of the changes of its page it is, from 1; null in notes of before they were counted. */
  count: z._default(z.nullable(z.int()), null),
  record: z.unknown(),
})
export type JournalEntry = z.infer<typeof entrySchema>

/** A place that keeps texts at once, as `localStorage` does. */
export type TextStore = Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>

const PREFIX = 'dime-stack.journal.'

/** Who writes: a page, and the tab that it is in. */
export interface Writer {
  readonly page: string
  readonly tab: string
}

/**
 * A journal of what is not in the store yet, written in the same step as the change: a page that is
 * closed, reloaded or killed in the next moment has lost nothing. Law: what was noted and not dropped
 * is read again, whatever else is there. A browser that is killed may bring back an older note than the last, since
 * it brings these texts to disk seconds late: the count of changes tells which of a note and a record is later.
 */
export class Journal {
  constructor(
    private readonly texts: TextStore | null,
    readonly writer: Writer,
    private readonly now: () => number = Date.now,
  ) {}

  private made = 0

  /** The number of the next change of this page: it goes with its note, and with its record into the store. */
  next(): number {
    this.made += 1
    return this.made
  }

  private key(table: string, id: string): string {
    return `${PREFIX}${table}.${this.writer.page}.${id}`
  }

  /**
   * Notes the newest state of a record, which its page made as its `count`-th change; false where there is no room,
   * or no place, for it.
   */
  note(table: string, id: string, base: number | null, record: unknown, count: number): boolean {
    if (!this.texts) return false
    const entry: JournalEntry = { table, id, ...this.writer, base, at: this.now(), count, record }
    try {
      this.texts.setItem(this.key(table, id), JSON.stringify(entry))
      return true
    } catch {
      return false
    }
  }

  /** Forgets a record's note: the store has it, or it was given up. */
  drop(table: string, id: string): void {
    try {
      this.texts?.removeItem(this.key(table, id))
    } catch {
      // What cannot be removed is found equal to the store at the next opening.
    }
  }

  /** The notes of other pages, oldest first, each with the way to drop it. Broken ones are left alone. */
  others(): { readonly entry: JournalEntry; readonly drop: () => void }[] {
    const { texts } = this
    if (!texts) return []
    const found: { entry: JournalEntry; drop: () => void }[] = []
    try {
      for (let i = 0; i < texts.length; i += 1) {
        const key = texts.key(i)
        if (!key?.startsWith(PREFIX)) continue
        const entry = readEntry(texts.getItem(key))
        if (!entry || entry.page === this.writer.page) continue
        found.push({ entry, drop: () => texts.removeItem(key) })
      }
    } catch {
      return []
    }
    return found.sort((a, b) => a.entry.at - b.entry.at)
  }
}

function readEntry(json: string | null): JournalEntry | undefined {
  try {
    const read = entrySchema.safeParse(JSON.parse(json ?? ''))
    return read.success ? read.data : undefined
  } catch {
    return undefined
  }
}
