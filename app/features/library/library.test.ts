import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, it } from 'vitest'
import { addLicks, type LickSummary, liveSummaries, loadLick, putInBin } from '~/storage'
import { foundRows, sortedRows, tagsOf } from './chosen-rows'
import { deleteLicks, duplicateLick, newLick, restoreLicks, tagLicks } from './library-actions'

const titles = (rows: readonly LickSummary[]) => rows.map(({ title }) => title)
const lick = (id: string, head = '') => ({
  id,
  text: `title: ${id}\n${head}line: RL`,
  draft: null,
  voicing: '',
})
const rows = async () => (await liveSummaries.settled()).rows
const idsOf = (count: number) => Array.from({ length: count }, (_, i) => `lick-${i}`)

beforeEach(async () => {
  await putInBin((await rows()).map(({ id }) => ({ table: 'licks' as const, id })))
})

describe('the library’s rows', () => {
  it('are found by every word, narrowed by a tag, and sorted', async () => {
    await addLicks(
      [
        lick('Zebra', 'tags: odd, slow\ntempo: 90\n'),
        lick('ant', 'tempo: 60\nmeter: 7/8\n'),
        lick('Äffchen', 'tags: odd\ntempo: 120\n'),
      ],
      1,
    )
    const all = await rows()
    expect(titles(sortedRows(all, 'title'))).toEqual(['Äffchen', 'ant', 'Zebra'])
    expect(titles(sortedRows(all, 'tempo'))).toEqual(['ant', 'Zebra', 'Äffchen'])
    expect(titles(foundRows(all, '7/8 AN', ''))).toEqual(['ant'])
    expect(titles(foundRows(sortedRows(all, 'title'), '', 'odd'))).toEqual(['Äffchen', 'Zebra'])
    expect(foundRows(all, '', '')).toBe(all)
    expect(tagsOf(all)).toEqual(['odd', 'slow'])
  })
})

describe('what is done with many licks', () => {
  it('is done to each, told as it goes on, and can be taken back', async () => {
    const ids = idsOf(60)
    await addLicks(
      ids.map((id) => lick(id)),
      1,
    )
    const told: number[] = []
    const onProgress = ({ done }: { done: number }) => void told.push(done)
    const outcome = await tagLicks(ids, 'tour, ', { onProgress })
    expect(outcome).toEqual({ kind: 'done', message: 'Tagged 60 licks “tour”.' })
    expect(told).toEqual([25, 50, 60])
    expect((await rows()).every(({ tags }) => tags.includes('tour'))).toBe(true)
    expect(await tagLicks(ids, 'tour')).toMatchObject({ message: 'Tagged 0 licks “tour”.' })
    expect(await tagLicks(ids, ' , ')).toMatchObject({ kind: 'failed' })
    await deleteLicks(ids)
    expect(await rows()).toEqual([])
    await restoreLicks(ids)
    expect(await rows()).toHaveLength(60)
  })

  it('stops where it is cancelled, and what was done stays', async () => {
    const ids = Array.from({ length: 60 }, (_, i) => `other-${i}`)
    await addLicks(
      ids.map((id) => lick(id)),
      1,
    )
    const control = new AbortController()
    const outcome = await deleteLicks(ids, {
      signal: control.signal,
      onProgress: () => control.abort(),
    })
    expect(outcome).toEqual({ kind: 'failed', message: 'Cancelled after 25 licks.' })
    expect(await rows()).toHaveLength(35)
  })
})

describe('a lick', () => {
  it('is started, and copied under another title with its draft', async () => {
    const started = await newLick()
    expect(started.kind).toBe('open')
    await addLicks([{ ...lick('Original'), draft: 'title: Original\nline: RL(' }], 1)
    const copy = await duplicateLick('Original')
    const stored = copy.kind === 'open' ? await loadLick(copy.id) : undefined
    expect(stored).toMatchObject({
      value: {
        text: 'title: Original, copy\nline: RL',
        draft: 'title: Original, copy\nline: RL(',
      },
    })
    expect(await duplicateLick('nowhere')).toEqual({
      kind: 'failed',
      message: 'Not saved: it is no longer there.',
    })
  })
})
