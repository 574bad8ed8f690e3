import * as z from 'zod/mini'
import type { History } from '~/core/editing'

/** Undo goes back over a reload; what is larger than this is cut at its oldest end. */
const MAX_CHARACTERS = 1_000_000
const KEY = 'dime-stack.history.'

const spliceSchema = z.object({ at: z.number(), removed: z.string(), inserted: z.string() })
const transactionSchema = z.object({
  label: z.string(),
  splices: z.array(spliceSchema),
  beside: z.optional(z.object({ removed: z.string(), inserted: z.string() })),
})
const memorySchema = z.object({
  turned: z.boolean(),
  text: z.string(),
  beside: z.string(),
  past: z.array(transactionSchema),
  future: z.array(transactionSchema),
})

/** Where a tab remembers the histories of its licks. */
export type MemoryTexts = Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>

/** The histories of a tab's licks, over reloads and changes of page. */
export class HistoryMemory {
  constructor(private readonly texts: MemoryTexts | null) {}

  /** The history of a lick, read with its letters turned or not; undefined where there is none. */
  read(id: string, turned: boolean): History | undefined {
    try {
      const read = memorySchema.safeParse(JSON.parse(this.texts?.getItem(KEY + id) ?? 'null'))
      if (!read.success || read.data.turned !== turned) return undefined
      const { text, beside, past, future } = read.data
      return { text, beside, past, future } as History
    } catch {
      return undefined
    }
  }

  /** Remembers a history; where there is no room, the newer half of it, or nothing. */
  write(id: string, turned: boolean, history: History): void {
    for (let { past, future } = history; ; past = past.slice(Math.ceil(past.length / 2))) {
      const json = JSON.stringify({ ...history, past, future, turned })
      if (json.length <= MAX_CHARACTERS && this.put(id, json)) return
      if (past.length === 0) {
        this.texts?.removeItem(KEY + id)
        return
      }
      future = future.slice(0, Math.floor(future.length / 2))
    }
  }

  private put(id: string, json: string): boolean {
    try {
      this.texts?.setItem(KEY + id, json)
      return true
    } catch {
      return false
    }
  }
}
