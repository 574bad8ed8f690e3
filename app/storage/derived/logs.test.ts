import 'fake-indexeddb/auto'
import Dexie from 'dexie'
import { expect, it, vi } from 'vitest'
import { liveLogs, saveRecord } from '..'

const session = (i: number) => ({
  ...{ id: `s${i}`, version: 3 as const, lickId: 'a', createdAt: i, part: '', step: '' },
  ...{ tempo: 80, repeats: 1, seconds: 60, rating: null, tense: false },
  ...{ grid: '', form: '', note: '', heard: null },
})

it('a log that is worked out while a session is written does not forget that session', async () => {
  for (let i = 0; i < 20; i += 1) {
    // The log of the one before is still being worked out when this one is written.
    await saveRecord('sittings', session(i), null)
    void liveLogs.settled()
  }
  const [log] = (await liveLogs.settled()).rows
  expect(log?.sessions).toBe(20)
})

it('nor where the session comes between reading the others and keeping what they say', async () => {
  const { openDatabase } = await import('../database')
  const { readLogs } = await import('./logs')
  const opened = await openDatabase()
  if (!opened.ok) throw new Error(opened.error.detail)
  const { logs, summaries } = opened.value
  await logs.put({ id: 'a', making: 1, log: null })
  const get = summaries.get.bind(summaries)
  let written: Promise<unknown> = Promise.resolve()
  vi.spyOn(summaries, 'get').mockImplementationOnce(((id: string) => {
    written = Dexie.ignoreTransaction(() => saveRecord('sittings', session(20), null))
    return get(id)
  }) as never)
  await readLogs(opened.value, await logs.toArray())
  await written
  expect(await readLogs(opened.value, await logs.toArray())).toMatchObject({
    ok: true,
    value: [{ sessions: 21 }],
  })
})
