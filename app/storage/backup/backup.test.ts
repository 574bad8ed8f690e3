import 'fake-indexeddb/auto'
import Dexie from 'dexie'
import { zipSync } from 'fflate'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { type AnyFile, recogniseFile } from '~/codecs/any-file'
import { formatBackup } from '~/codecs/backup'
import { formatBundle } from '~/codecs/bundle'
import { DATABASE_NAME } from '../database'
import type { Choice, ImportDone } from './import'

afterEach(async () => {
  vi.resetModules()
  await Dexie.delete(DATABASE_NAME)
})

/** A browser: a store of its own, as a freshly loaded page sees it. */
async function browser() {
  vi.resetModules()
  const [store, backup, bin, changes] = await Promise.all([
    import('..'),
    import('.'),
    import('../bin'),
    import('../change'),
  ])
  await store.storeReady()
  const everything = async () => {
    const read = await backup.readEverything(() => {})
    if (!read.ok) throw new Error(read.error.detail)
    return read.value
  }
  const plan = async (file: AnyFile) => {
    const planned = await backup.planImport(backup.rowsOfFile(file, 1), () => {})
    if (!planned.ok) throw new Error(planned.error.detail)
    return planned.value
  }
  const standings = async (file: AnyFile) =>
    (await plan(file)).planned.map(({ entry }) => `${entry.table} ${entry.name}: ${entry.standing}`)
  const bring = async (
    file: AnyFile,
    different: Choice = 'replace',
    single = new Map<number, Choice>(),
  ): Promise<ImportDone> =>
    backup.applyImport(
      await plan(file),
      { different, single },
      5,
      () => {},
      () => false,
    )
  return { ...store, ...backup, ...bin, ...changes, everything, plan, standings, bring }
}
type Browser = Awaited<ReturnType<typeof browser>>

/** Another browser, whose store is empty. */
async function elsewhere() {
  await Dexie.delete(DATABASE_NAME)
  return browser()
}

function read(bytes: Uint8Array): AnyFile {
  const file = recogniseFile(bytes)
  if (!file.ok) throw new Error(file.error.message)
  return file.value
}
const zipOf = async (from: Browser) => read(formatBackup(await from.everything(), 7))

const lick = (id: string, line = 'RL') => ({
  id,
  text: `title: Lick ${id}\nline: ${line}`,
  draft: null,
  voicing: '',
})

/** One of everything, a draft, something deleted and something unreadable among it. */
async function fill(one: Browser) {
  await one.addLicks([lick('a'), { ...lick('b'), draft: 'line: RL(' }, lick('gone')], 10)
  await one.putInBin([{ table: 'licks', id: 'gone' }], 20)
  const stamp = { version: 1 as const, createdAt: 3 }
  await one.saveRecord(
    'versions',
    { ...stamp, id: 'v', lickId: 'a', name: 'first', text: 'line: R', voicing: '' },
    null,
  )
  await one.saveRecord(
    'cells',
    { ...stamp, id: 'c', name: 'Mine', line: 'RLK', tags: ['odd'] },
    null,
  )
  await one.saveRecord(
    'grooves',
    { ...stamp, id: 'own-g', name: 'Slow', meter: '4/4', grid: '1/8', line: 'RLRLRLRL' },
    null,
  )
  const raw = await new Dexie(DATABASE_NAME).open()
  await raw.table('licks').put({ id: 'future', version: 9, shape: 'unknown' })
  raw.close()
  one.liveSettings.change({ school: 'digits' })
  await one.liveSettings.settled()
}

describe('a backup', () => {
  it('brings everything back into an empty store, and again brings nothing', async () => {
    const one = await browser()
    await fill(one)
    const file = await zipOf(one)
    const rows = await one.everything()
    const two = await elsewhere()
    const done = await two.bring(file)
    expect(done).toMatchObject({ added: 6, replaced: 1, aside: 1, faults: [], cancelled: false })
    const again = await two.everything()
    for (const table of ['licks', 'versions', 'cells', 'grooves'] as const) {
      const plain = (all: readonly unknown[] = []) =>
        all
          .map(
            (row) =>
              ({ ...(row as object), revision: 0, deletedAt: null }) as unknown as { id: string },
          )
          .filter(({ id }) => id !== 'future')
      expect(plain(again.get(table)), table).toEqual(plain(rows.get(table)))
    }
    expect((await two.listBin()).ok).toBe(true)
    const bin = await two.listBin()
    expect(bin.ok && bin.value.map(({ id }) => id)).toEqual(['gone'])
    expect(two.liveSettings.snapshot().settings.school).toBe('digits')
    expect(again.get('aside')).toMatchObject([{ raw: { id: 'future', shape: 'unknown' } }])
    const standings = await two.standings(await zipOf(two))
    expect(standings.every((one) => one.endsWith(': same'))).toBe(true)
  })

  it('tells what is new, same, different and unreadable, and does what is chosen for each', async () => {
    const one = await browser()
    await one.addLicks([lick('a'), lick('b'), lick('c'), lick('d')], 10)
    const file = await zipOf(one)
    const two = await elsewhere()
    await two.addLicks([lick('a'), lick('b', 'LLLL'), lick('c', 'KK')], 10)
    expect((await two.standings(file)).slice(0, 4)).toEqual([
      'licks Lick a: same',
      'licks Lick b: different',
      'licks Lick c: different',
      'licks Lick d: new',
    ])
    const done = await two.bring(file, 'both', new Map([[2, 'skip']]))
    expect(done).toMatchObject({ added: 2, replaced: 0, skipped: 2 })
    const { rows } = await two.liveSummaries.settled()
    expect(rows.map(({ title }) => title).sort()).toEqual([
      'Lick a',
      'Lick b',
      'Lick b',
      'Lick c',
      'Lick d',
    ])
    expect(await two.bring(file)).toMatchObject({ replaced: 2 })
    expect(await two.loadLick('b')).toMatchObject({ value: { text: lick('b').text, revision: 1 } })
  })

  it('restores what was deleted or edited since', async () => {
    const one = await browser()
    await one.addLicks([lick('a'), lick('b')], 10)
    const file = await zipOf(one)
    await one.putInBin([{ table: 'licks', id: 'a' }])
    await one.saveRecord('licks', one.toLickRecord(lick('b', 'LLLL'), 0), 0)
    expect(await one.bring(file)).toMatchObject({ replaced: 1, restored: 1, faults: [] })
    expect(await one.loadLick('a')).toMatchObject({ value: { deletedAt: null } })
    expect(await one.loadLick('b')).toMatchObject({ value: { text: lick('b').text } })
  })

  it('is not stopped by what cannot be read', async () => {
    const one = await browser()
    const rows = [
      { ...one.toLickRecord(lick('a'), 1) },
      { ...one.toLickRecord(lick('q'), 1), text: 'line: RQ' },
      { ...one.toLickRecord(lick('v'), 1), voicing: '{"rules":7}' },
      null,
      7,
    ]
    const tables = new Map<string, readonly unknown[]>([
      ['licks', rows],
      ['sittings', [{ id: 's', version: 3, createdAt: 1e20 }]],
      ['strange', [{ id: 'x' }]],
    ])
    const done = await one.bring(read(formatBackup(tables, 1)))
    expect(done).toMatchObject({ added: 1, aside: 6, faults: [] })
    expect((await one.everything()).get('aside')).toHaveLength(6)
    const again = await one.bring(read(formatBackup(tables, 1)))
    expect(again).toMatchObject({ added: 0, aside: 0, faults: [] })
    expect((await one.everything()).get('aside')).toHaveLength(6)
  })

  it('gives new ids where those of the file are not of the app’s own form, the same everywhere', async () => {
    const one = await browser()
    const evil = '__proto__ <b>'
    const tables = new Map<string, readonly unknown[]>([
      ['licks', [one.toLickRecord(lick(evil), 1)]],
      [
        'versions',
        [{ id: 'v', version: 1, lickId: evil, name: 'x', text: 'line: R', createdAt: 1 }],
      ],
      ['kits', [{ id: 'five', version: 1, kit: '{"name":"K"}', createdAt: 1 }]],
    ])
    expect(await one.bring(read(formatBackup(tables, 1)))).toMatchObject({ added: 3 })
    const [summary] = (await one.liveSummaries.settled()).rows
    expect(summary?.id).toMatch(/^[\w-]{12}$/)
    const versions = await one.liveVersions(summary?.id ?? '').settled()
    expect(versions.rows).toHaveLength(1)
    const kits = (await one.everything()).get('kits') as { id: string }[]
    expect(kits[0]?.id).toMatch(/^kit-/)
  })

  it('brings in all licks of a file, however often one id stands in it; the same again is skipped', async () => {
    const here = await browser()
    const licks = Array.from({ length: 1200 }, (_, i) => {
      const beats = (i % 400) + 1
      return { ...lick(`l${i % 150}`), text: `title: ${i % 150}\ntags: t${beats}\nline: RLRL` }
    })
    const file = read(new TextEncoder().encode(formatBundle(licks)))
    const different = new Set(licks.map(({ text }) => text)).size
    const done = await here.bring(file)
    expect(done).toMatchObject({ added: different, skipped: 1200 - different, faults: [] })
    const kept = (await here.everything()).get('licks') as { text: string }[]
    expect(new Set(kept.map(({ text }) => text)).size).toBe(different)
    // Once more, those under ids of their own are here already; of the others, nothing is lost.
    expect((await here.bring(file, 'skip')).faults).toEqual([])
  })

  it('brings back what is in the bin here, not doubled, with what belongs to it', async () => {
    const one = await browser()
    await one.addLicks([lick('a'), lick('b', 'LR')], 0)
    const file = await zipOf(one)
    await one.putInBin([
      { table: 'licks', id: 'a' },
      { table: 'licks', id: 'b' },
    ])
    const done = await one.bring(file, 'both')
    expect([done.added, done.restored]).toEqual([0, 2])
    expect(done.licks.map(({ id }) => id).sort()).toEqual(['a', 'b'])
    const { rows } = await one.liveSummaries.settled()
    expect(rows.map(({ id }) => id).sort()).toEqual(['a', 'b'])
    // Who says so by itself leaves it there.
    await one.putInBin([{ table: 'licks', id: 'a' }])
    const entries = (await one.plan(file)).planned.map(({ entry }) => entry)
    const own = entries.find(({ name }) => name === 'Lick a')
    await one.bring(file, 'both', new Map([[own?.index ?? -1, 'skip']]))
    expect((await one.liveSummaries.settled()).rows.map(({ id }) => id)).toEqual(['b'])
  })

  it('can be cancelled between two steps, and what was done stays', async () => {
    const one = await browser()
    // More than are written as one.
    const licks = Array.from({ length: 2000 }, (_, i) => lick(`l${i}`))
    const file = read(new TextEncoder().encode(formatBundle(licks)))
    let steps = 0
    const done = await one.applyImport(
      await one.plan(file),
      { different: 'skip', single: new Map() },
      1,
      () => {
        steps += 1
      },
      () => steps >= 2,
    )
    expect(done).toMatchObject({ added: 800, cancelled: true })
    expect((await one.liveSummaries.settled()).rows).toHaveLength(800)
  })

  it('gives a large backup up where the store is full, and says so once', async () => {
    const one = await browser()
    const licks = Array.from({ length: 1700 }, (_, i) => lick(`l${i}`))
    const plan = await one.plan(read(new TextEncoder().encode(formatBundle(licks))))
    const { add, put } = IDBObjectStore.prototype
    let tried = 0
    const full = () => {
      tried += 1
      throw new DOMException('no room', 'QuotaExceededError')
    }
    IDBObjectStore.prototype.add = full
    IDBObjectStore.prototype.put = full
    const told: number[] = []
    try {
      const done = await one.applyImport(
        plan,
        { different: 'skip', single: new Map() },
        1,
        (of) => told.push(of),
        () => false,
      )
      expect(done).toMatchObject({
        added: 0,
        faults: ['Not saved: the browser’s storage is full.'],
      })
    } finally {
      Object.assign(IDBObjectStore.prototype, { add, put })
    }
    // Of five steps at most the two that were on their way; and nothing is told as done that is not.
    expect(tried).toBeLessThanOrEqual(2)
    expect(Math.max(...told)).toBeLessThanOrEqual(400)
    expect((await one.liveSummaries.settled()).rows).toHaveLength(0)
  })

  it('leaves the store as it was where that fails in the middle', async () => {
    const one = await browser()
    const licks = Array.from({ length: 300 }, (_, i) => lick(`l${i}`))
    const plan = await one.plan(read(new TextEncoder().encode(formatBundle(licks))))
    const { put } = IDBObjectStore.prototype
    let puts = 0
    IDBObjectStore.prototype.put = function full(...given) {
      puts += 1
      if (puts > 150) throw new DOMException('no room', 'QuotaExceededError')
      return put.apply(this, given)
    }
    try {
      const choices = { different: 'skip', single: new Map() } as const
      const done = await one.applyImport(
        plan,
        choices,
        1,
        () => {},
        () => false,
      )
      expect(done).toMatchObject({
        added: 0,
        faults: ['Not saved: the browser’s storage is full.'],
      })
    } finally {
      IDBObjectStore.prototype.put = put
    }
    expect(puts).toBeGreaterThan(150)
    expect((await one.liveSummaries.settled()).rows).toHaveLength(0)
    expect((await one.everything()).get('licks')).toEqual([])
  })

  it('of some licks takes along what is theirs, and their own grooves', async () => {
    const one = await browser()
    await fill(one)
    await one.addLicks([{ ...lick('own'), text: 'title: Own\ngroove: own-g\nline: RL' }], 1)
    const some = await one.readLicksWhole(['a', 'own'], () => {})
    if (!some.ok) throw new Error(some.error.detail)
    const two = await elsewhere()
    expect(await two.bring(read(formatBackup(some.value, 1)))).toMatchObject({ added: 4 })
    expect((await two.liveGrooves.settled()).rows.map(({ id }) => id)).toEqual(['own-g'])
    expect((await two.liveVersions('a').settled()).rows).toHaveLength(1)
  })
})

it('a lick’s own groove comes in with its text', async () => {
  const one = await browser()
  const text = 'groove: own-g\nline: RL\nown-groove: own-g | 4/4 | 1/8 | Slow | RLRLRLRL\n'
  const file = read(new TextEncoder().encode(text))
  expect(await one.bring(file)).toMatchObject({ added: 2 })
  expect((await one.liveGrooves.settled()).rows).toMatchObject([{ id: 'own-g', name: 'Slow' }])
  expect((await one.standings(file))[1]).toBe('grooves Slow: same')
})

/** Two hundred licks that are few bytes when packed, and 70 MB unpacked. */
function tooMany(): Uint8Array {
  const lick = new TextEncoder().encode(`line: RLRL\n${'\n'.repeat(350_000)}`)
  return zipSync(Object.fromEntries(Array.from({ length: 200 }, (_, i) => [`${i}.lick`, lick])))
}

describe('files', () => {
  const bytes = (text: string) => new TextEncoder().encode(text)

  it('are known by what is in them', () => {
    expect(read(bytes('line: RLLK')).kind).toBe('licks')
    expect(read(bytes(`\uFEFF${formatBundle([lick('a')])}`.slice(1))).kind).toBe('bundle')
    expect(read(formatBackup(new Map(), 1)).kind).toBe('backup')
  })

  it.each([
    ['a cut zip', formatBackup(new Map([['licks', [1, 2, 3]]]), 1).slice(0, 60), 'damaged'],
    ['bytes', new Uint8Array([0xff, 0xfe, 0, 1]), 'not-ours'],
    ['cut JSON', bytes('{"format":'), 'damaged'],
    ['other JSON', bytes('{"a":1}'), 'not-ours'],
    ['nothing', bytes(''), 'not-ours'],
    ['a lick with a fault', bytes('line: RQ'), 'not-ours'],
    ['a zip of too many licks, which is not read in part', tooMany(), 'too-large'],
    ['a broken kit', bytes('{"id":"k","name":"K","pieces":[{"x":1}]}'), 'damaged'],
  ])('%s is told as what it is', (_name, content, code) =>
    expect(recogniseFile(content)).toMatchObject({ ok: false, error: { code } }),
  )

  it('hold more licks than could ever be read before, and everything that can be written', () => {
    const licks = Array.from({ length: 20_001 }, (_, i) => ({ id: `l${i}`, text: 'line: R' }))
    expect(read(bytes(formatBundle(licks))).kind).toBe('bundle')
  })
})
