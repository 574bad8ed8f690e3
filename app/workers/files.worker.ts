import { recogniseFile } from '~/codecs/any-file'
import { formatBackup } from '~/codecs/backup'
import { findGrid } from '~/core/time'
import {
  applyImport,
  type Choice,
  type ImportPlan,
  noteBackup,
  planImport,
  readEverything,
  readLicksWhole,
  rowsOfFile,
} from '~/storage/backup'
import { notSavedWords } from '~/storage/issue'
import { dropSampleSounds, saveSampleSound } from '~/storage/samples'
import { foundPart } from './found-part'
import type { FoundPart } from './protocol'
import { readSamples } from './read-samples'
import { type ServePort, serve } from './serve'

/** What was inspected last, until it is imported. */
let plan: ImportPlan | undefined

/** Reads and writes files off the main thread. */
serve(self as unknown as ServePort, {
  export: async ({ lickIds, setIds, at }, { tell, cancelled }) => {
    const progress = (done: number, all: number) => {
      if (cancelled()) throw new Error('cancelled')
      tell({ done, all })
    }
    const read = lickIds
      ? await readLicksWhole(lickIds, progress, setIds)
      : await readEverything(progress)
    if (!read.ok) throw new Error(read.error.detail)
    const zip = formatBackup(read.value, at) as Uint8Array<ArrayBuffer>
    if (!lickIds) await noteBackup(at)
    return { zip }
  },
  'read-samples': ({ id, chosen, kit }, { tell, cancelled }) => {
    const shelf = {
      keep: async (path: string, sound: Uint8Array<ArrayBuffer>) => {
        if (cancelled()) throw new Error('cancelled')
        const saved = await saveSampleSound(id, path, sound)
        if (!saved.ok) throw new Error(notSavedWords(saved.error))
      },
      drop: async (paths: readonly string[]) => {
        await dropSampleSounds(id, paths)
      },
    }
    return readSamples(chosen, kit, shelf, (done, all) => tell({ done, all }))
  },
  inspect: async ({ files, at, wishes }, { tell, cancelled }) => {
    const faults: string[] = []
    const parts: FoundPart[] = []
    const rows: ReturnType<typeof rowsOfFile> = []
    const [drums, grids] = [new Map(wishes.drums), new Map(wishes.grids)]
    for (const [i, file] of files.entries()) {
      if (cancelled()) throw new Error('cancelled')
      tell({ done: i, all: files.length })
      const read = recogniseFile(new Uint8Array(await file.arrayBuffer()))
      if (!read.ok) {
        faults.push(`${file.name}: ${read.error.message}`)
        continue
      }
      const wish = { voices: drums, grid: findGrid(grids.get(i) ?? '') ?? null }
      for (const row of rowsOfFile(read.value, at, wish, file.name)) rows.push(row)
      if (read.value.kind === 'part') parts.push(foundPart(read.value.part, wish, file.name, i))
    }
    const planned = await planImport(rows, (done, all) => {
      if (cancelled()) throw new Error('cancelled')
      tell({ done, all })
    })
    if (!planned.ok) throw new Error(planned.error.detail)
    plan = planned.value
    return { entries: plan.planned.map(({ entry }) => entry), parts, faults }
  },
  import: async ({ different, single, at }, { tell, cancelled }) => {
    if (!plan) throw new Error('Nothing was inspected.')
    const choices = { different, single: new Map<number, Choice>(single) }
    const done = await applyImport(
      plan,
      choices,
      at,
      (now, all) => tell({ done: now, all }),
      cancelled,
    )
    plan = undefined
    return done
  },
})
