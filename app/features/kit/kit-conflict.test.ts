import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, it } from 'vitest'
import { formatKit } from '~/codecs/kit'
import { DEFAULT_KIT } from '~/core/kit'
import { keepMine, keepTheirs } from '~/live/conflicts'
import { liveKits, openSaver, putInBin, saveRecord } from '~/storage'
import { ownKits } from '~/workspace/setting'
import { copyOfKit, kitDifferences } from './kit-conflict'

const kit = (id: string, name: string) => ({
  id,
  version: 1 as const,
  kit: formatKit({ ...DEFAULT_KIT, id, name }),
  createdAt: 1,
})
let count = 0
let id = ''

/** A kit that was changed here and in another tab. */
async function conflict() {
  count += 1
  id = `kit-${count}`
  await saveRecord('kits', kit(id, 'Pit'), null)
  const saver = openSaver('kits', id, 0)
  await saveRecord('kits', kit(id, 'Theirs'), 0)
  saver.change(kit(id, 'Mine'))
  await saver.flush()
  const state = saver.state()
  if (state.kind !== 'conflict') throw new Error(state.kind)
  return { saver, theirs: state.theirs }
}
const names = async () =>
  ownKits((await liveKits.settled()).rows)
    .map(({ name }) => name)
    .sort()

describe('a kit that two tabs changed', () => {
  beforeEach(async () => {
    const { rows } = await liveKits.settled()
    await putInBin(rows.map((row) => ({ table: 'kits' as const, id: row.id })))
  })

  it('keeps both when mine stays', async () => {
    const { saver, theirs } = await conflict()
    expect(await keepMine(saver, theirs, copyOfKit)).toBe(true)
    await saver.flush()
    expect(await names()).toEqual(['Mine', 'Theirs, from another tab'])
    expect(saver.state().kind).toBe('saved')
  })

  it('keeps both when the other stays', async () => {
    const { saver, theirs } = await conflict()
    expect(await keepTheirs(saver, theirs, copyOfKit)).toBe(true)
    expect(await names()).toEqual(['Mine, before the change', 'Theirs'])
  })

  it('that was deleted comes back with mine', async () => {
    const { saver, theirs } = await conflict()
    expect(await keepTheirs(saver, theirs, copyOfKit)).toBe(true)
    await putInBin([{ table: 'kits', id }])
    saver.change(kit(id, 'Mine again'))
    await saver.flush()
    expect(saver.state()).toEqual({ kind: 'conflict', theirs: null })
    expect(await keepMine(saver, null, copyOfKit)).toBe(true)
    await saver.flush()
    expect(await names()).toContain('Mine again')
  })
})

describe('two versions of a kit', () => {
  it('are compared piece by piece', () => {
    const mine = { ...DEFAULT_KIT, id: 'kit-x', name: 'Pit' }
    const [first, second, ...rest] = mine.pieces
    if (!first || !second) throw new Error('a kit has pieces')
    const theirs = { ...mine, name: 'Ring', pieces: [{ ...first, x: first.x + 4 }, ...rest] }
    const record = (of: typeof mine) => ({ ...kit('kit-x', ''), kit: formatKit(of) })
    expect(kitDifferences(record(mine), record(mine))).toEqual([])
    const lines = kitDifferences(record(theirs), record(mine))
    expect(lines).toHaveLength(3)
    expect(lines[0]).toBe('Name: Ring in the other, Pit in yours')
    expect(lines[1]).toContain(`${first.x + 4}, ${first.y} cm`)
    expect(lines[2]).toMatch(/: only in yours$/)
  })
})
