import * as z from 'zod/mini'
import { ok, type Result } from '~/core/foundation'
import type { SampleMap } from '~/core/sound'
import { SURFACES } from '~/core/sticking'
import { announce } from './changes'
import { withStore } from './database'
import type { StoreIssue } from './issue'

const velocity = z.number().check(z.minimum(0), z.maximum(127))
const regionSchema = z.object({
  surface: z.enum(SURFACES),
  file: z.string().check(z.maxLength(500)),
  least: velocity,
  most: velocity,
  gain: z.number().check(z.minimum(0), z.maximum(16)),
  speed: z.number().check(z.minimum(1 / 256), z.maximum(256)),
  offset: z.int().check(z.minimum(0)),
  turn: z.int().check(z.minimum(0)),
  turns: z.int().check(z.minimum(1)),
})
const sampleMapSchema = z.object({
  id: z.string().check(z.maxLength(60)),
  name: z.string().check(z.maxLength(120)),
  regions: z.array(regionSchema).check(z.maxLength(8000)),
}) satisfies z.ZodMiniType<SampleMap>

const soundSchema = z.object({ sound: z.instanceof(Uint8Array<ArrayBuffer>) })

const soundId = (mapId: string, file: string) => `${mapId}/${file}`

/** Keeps the sounds of a player's own, or what is laid of them. */
export function saveSampleMap(map: SampleMap): Promise<Result<null, StoreIssue>> {
  return withStore(async (database) => {
    await database.sampleMaps.put({ ...map, regions: [...map.regions] })
    announce([{ table: 'sampleMaps', ids: [map.id] }])
    return ok(null)
  })
}

/** Keeps one sound of a map, as its file is. */
export function saveSampleSound(
  mapId: string,
  file: string,
  sound: Uint8Array<ArrayBuffer>,
): Promise<Result<null, StoreIssue>> {
  return withStore(async (database) => {
    await database.sampleSounds.put({ id: soundId(mapId, file), mapId, sound })
    return ok(null)
  })
}

/** The player's own maps; what cannot be read is left out. */
export function listSampleMaps(): Promise<Result<SampleMap[], StoreIssue>> {
  return withStore(async (database) => {
    const rows = await database.sampleMaps.toArray()
    return ok(
      rows.flatMap((row) => {
        const read = sampleMapSchema.safeParse(row)
        return read.success ? [read.data] : []
      }),
    )
  })
}

/** A map by its id; null where there is none. */
export async function loadSampleMap(id: string): Promise<SampleMap | null> {
  const maps = await listSampleMaps()
  return (maps.ok && maps.value.find((map) => map.id === id)) || null
}

/** A sound of a map, as its file is; null where it is not there. */
export async function loadSampleSound(
  mapId: string,
  file: string,
): Promise<Uint8Array<ArrayBuffer> | null> {
  const found = await withStore(async (database) => {
    const read = soundSchema.safeParse(await database.sampleSounds.get(soundId(mapId, file)))
    return ok(read.success ? read.data.sound : null)
  })
  return found.ok ? found.value : null
}

/** Deletes sounds of a map that nothing is laid of. */
export function dropSampleSounds(
  mapId: string,
  files: readonly string[],
): Promise<Result<null, StoreIssue>> {
  return withStore(async (database) => {
    await database.sampleSounds.bulkDelete(files.map((file) => soundId(mapId, file)))
    return ok(null)
  })
}

/** Deletes a map with all of its sounds. */
export function deleteSampleMap(id: string): Promise<Result<null, StoreIssue>> {
  return withStore(async (database) => {
    await database.transaction('rw', database.sampleMaps, database.sampleSounds, async () => {
      await database.sampleMaps.delete(id)
      await database.sampleSounds.where('mapId').equals(id).delete()
    })
    announce([{ table: 'sampleMaps', ids: [id] }])
    return ok(null)
  })
}
