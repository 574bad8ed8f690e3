import { describe, expect, it } from 'vitest'
import { announce } from '../changes'
import { type LiveSource, LiveTable } from './live-table'

/** A table whose answers wait until they are let go. */
class LateTable {
  readonly rows = new Map<string, string>()
  private readonly waiting: (() => void)[] = []
  broken = false
  reads = 0

  readonly live: LiveTable<string>

  constructor(readonly name: string) {
    const source: LiveSource<string> = {
      table: name,
      chunk: async (after, most) => {
        this.reads += 1
        // Read now, answered later: what changes in between is not in it.
        const ids = [...this.rows.keys()].sort().filter((id) => id > after)
        const page = ids.slice(0, most).map((id) => ({ id, value: this.rows.get(id) ?? null }))
        await new Promise<void>((resolve) => this.waiting.push(resolve))
        if (this.broken) return { ok: false, error: { code: 'unavailable', detail: '' } }
        const last = ids.length > most ? (page.at(-1)?.id ?? null) : null
        return { ok: true, value: { rows: page, last } }
      },
      some: async (ids) => {
        const found = ids.flatMap((id) => {
          const value = this.rows.get(id)
          return value === undefined ? [] : [{ id, value }]
        })
        await new Promise<void>((resolve) => this.waiting.push(resolve))
        return { ok: true, value: found }
      },
    }
    this.live = new LiveTable(source)
  }

  /** Lets every answer go, also those that are asked for then. */
  async answer(): Promise<void> {
    for (let i = 0; i < 20; i += 1) {
      for (const go of this.waiting.splice(0)) go()
      await Promise.resolve()
      await new Promise((resolve) => setTimeout(resolve))
    }
  }

  set(id: string, value: string | undefined): void {
    if (value === undefined) this.rows.delete(id)
    else this.rows.set(id, value)
    announce([{ table: this.name, ids: [id] }])
  }
}

describe('a live table', () => {
  it('misses nothing that changes while it is read', async () => {
    const table = new LateTable('t1')
    table.rows.set('a', '1')
    void table.live.open()
    table.set('a', '2')
    table.set('b', '1')
    table.set('a', undefined)
    await table.answer()
    expect(table.live.snapshot()).toMatchObject({ kind: 'ready', rows: ['1'] })
    table.set('b', '3')
    table.set('c', '4')
    await table.answer()
    expect(table.live.snapshot().rows).toEqual(['3', '4'])
  })

  it('tells those who listen, and reads no other table’s changes', async () => {
    const table = new LateTable('t2')
    let told = 0
    const stop = table.live.subscribe(() => {
      told += 1
    })
    await table.answer()
    expect([told, table.reads]).toEqual([1, 1])
    announce([{ table: 'other', ids: ['a'] }])
    await table.answer()
    expect(told).toBe(1)
    stop()
    table.set('a', '1')
    await table.answer()
    expect([told, table.live.snapshot().rows.length]).toEqual([1, 1])
  })

  it('is tried again after it failed, and reads long tables in chunks', async () => {
    const table = new LateTable('t3')
    for (let i = 0; i < 900; i += 1) table.rows.set(String(i).padStart(4, '0'), 'x')
    table.broken = true
    void table.live.open()
    await table.answer()
    expect(table.live.snapshot().kind).toBe('failed')
    table.broken = false
    void table.live.open()
    await table.answer()
    expect(table.live.snapshot()).toMatchObject({ kind: 'ready', unreadable: 0 })
    expect([table.live.snapshot().rows.length, table.reads]).toEqual([900, 4])
  })
})
