import { formatBackup, recogniseFile } from '~/codecs/backup'
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
import { type ServePort, serve } from './serve'

/** What was inspected last, until it is imported. */
let plan: ImportPlan | undefined

/** Reads and writes files off the main thread. */
serve(self as unknown as ServePort, {
  export: async ({ lickIds, at }, { tell, cancelled }) => {
    const progress = (done: number, all: number) => {
      if (cancelled()) throw new Error('cancelled')
      tell({ done, all })
    }
    const read = lickIds ? await readLicksWhole(lickIds, progress) : await readEverything(progress)
    if (!read.ok) throw new Error(read.error.detail)
    const zip = formatBackup(read.value, at) as Uint8Array<ArrayBuffer>
    if (!lickIds) await noteBackup(at)
    return { zip }
  },
  inspect: async ({ files, at }, { tell, cancelled }) => {
    const faults: string[] = []
    const rows: ReturnType<typeof rowsOfFile> = []
    for (const file of files) {
      const read = recogniseFile(new Uint8Array(await file.arrayBuffer()))
      if (read.ok) for (const row of rowsOfFile(read.value, at)) rows.push(row)
      else faults.push(`${file.name}: ${read.error.message}`)
    }
    const planned = await planImport(rows, (done, all) => {
      if (cancelled()) throw new Error('cancelled')
      tell({ done, all })
    })
    if (!planned.ok) throw new Error(planned.error.detail)
    plan = planned.value
    return { entries: plan.planned.map(({ entry }) => entry), faults }
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
