import * as z from 'zod/mini'
import { ok, type Result } from '~/core/foundation'
import { announce } from './changes'
import { type DimeDatabase, withStore } from './database'
import type { StoreIssue } from './issue'

const takeSchema = z.object({
  id: z.string(),
  /** The practice session in which it was played. */
  sessionId: z.string(),
  createdAt: z.number(),
  /** How long it is, in seconds, and how large, in bytes. */
  seconds: z.number(),
  bytes: z.number(),
})

/** A take that the player kept, without its sound. */
export type SavedTake = z.infer<typeof takeSchema>

const soundSchema = z.object({ sound: z.instanceof(Uint8Array<ArrayBuffer>) })

/** Keeps a take with its sound, a WAV file. */
export function saveTake(
  take: SavedTake,
  sound: Uint8Array<ArrayBuffer>,
): Promise<Result<null, StoreIssue>> {
  return withStore(async (database) => {
    await database.transaction('rw', database.takes, database.takeSounds, async () => {
      await database.takes.put({ ...take })
      await database.takeSounds.put({ id: take.id, sound })
    })
    announce([{ table: 'takes', ids: [take.id] }])
    return ok(null)
  })
}

/** Every take that was kept, the oldest first; what cannot be read is left out. */
export function listTakes(): Promise<Result<SavedTake[], StoreIssue>> {
  return withStore(async (database) => {
    const rows = await database.takes.toArray()
    const takes = rows.flatMap((row) => {
      const read = takeSchema.safeParse(row)
      return read.success ? [read.data] : []
    })
    return ok(takes.sort((a, b) => a.createdAt - b.createdAt))
  })
}

/** The sound of a take, a WAV file; null where it is not there any more. */
export function loadTakeSound(
  id: string,
): Promise<Result<Uint8Array<ArrayBuffer> | null, StoreIssue>> {
  return withStore(async (database) => {
    const read = soundSchema.safeParse(await database.takeSounds.get(id))
    return ok(read.success ? read.data.sound : null)
  })
}

/** Deletes a take for good. */
export function deleteTake(id: string): Promise<Result<null, StoreIssue>> {
  return withStore(async (database) => {
    await dropTakes(database, [id])
    return ok(null)
  })
}

async function dropTakes(database: DimeDatabase, ids: readonly string[]): Promise<void> {
  await database.transaction('rw', database.takes, database.takeSounds, async () => {
    await database.takes.bulkDelete([...ids])
    await database.takeSounds.bulkDelete([...ids])
  })
  announce([{ table: 'takes', ids }])
}
