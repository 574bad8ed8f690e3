import { describe, expect, it } from 'vitest'
import type { IncomingEntry } from '~/storage/backup'
import { doneWords, reminderWords, sizeWords, toTableRows } from './import-view'

const DAY = 86_400_000

it('tells kind by kind how many entries stand how', () => {
  const entry = (table: IncomingEntry['table'], standing: IncomingEntry['standing']) => ({
    ...{ index: 0, table, name: '', standing, binned: false },
  })
  const rows = toTableRows([
    entry('sittings', 'new'),
    entry('licks', 'same'),
    entry('licks', 'different'),
    entry('aside', 'unreadable'),
  ])
  expect(rows.map(({ name, counts }) => [name, Object.values(counts)])).toEqual([
    ['Licks', [0, 1, 1, 0]],
    ['Practice session', [1, 0, 0, 0]],
    ['Entry', [0, 0, 0, 1]],
  ])
})

describe('a reminder', () => {
  it.each([
    [null, null, ''],
    [null, -3, ''],
    [null, -20, 'Your licks are in this browser only. Save a backup file now and then.'],
    [-3, -90, ''],
    [-14, -90, 'The last backup is 14 days old.'],
    // A clock that was ahead when it was made.
    [400, -90, ''],
  ])('after a backup %s days ago and licks since %s is “%s”', (at, since, words) => {
    const then = (days: number | null) => (days === null ? null : 1e12 + days * DAY)
    expect(reminderWords({ at: then(at), since: then(since) }, 1e12)).toBe(words)
  })
})

it('says what came of an import, and how much is stored', () => {
  const done = { added: 3, replaced: 1, aside: 2, restored: 0, skipped: 40, cancelled: false }
  expect(doneWords(done)).toBe('Done: 3 added, 1 replaced, 2 kept aside, 40 left as they are.')
  expect(
    doneWords({ ...done, replaced: 0, aside: 0, restored: 0, skipped: 0, cancelled: true }),
  ).toBe('Cancelled after: 3 added.')
  expect([sizeWords(900), sizeWords(12_340_000), sizeWords(1e9)]).toEqual([
    '0.9 kB',
    '12.3 MB',
    '1.0 GB',
  ])
})
