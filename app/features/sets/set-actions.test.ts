import 'fake-indexeddb/auto'
import { describe, expect, it } from 'vitest'
import { valuesOf } from '~/codecs/lick-text'
import { addLicks, loadLicks } from '~/storage'
import { withBarOf } from '~/workspace/lick-edits'
import { placeLike } from './set-actions'

const MODEL =
  'title: Ring\nmeter: 3/4\ngrid: 1/8t\nstart: 2\nlanding: stop\nswing: 60\ntempo: 90\nline: RLK RLK'
const lick = (id: string, text: string) => ({
  id,
  version: 1 as const,
  createdAt: 0,
  text,
  draft: null,
  voicing: '',
})

describe('the bar of another lick', () => {
  it('takes its metre, grid, start, landing and swing; strokes, tempo and name stay', () => {
    const other = lick('b', 'title: Hoop\nstop: 2\nstart: 3\ntempo: 120\nline: RLRL')
    const placed = withBarOf(other, MODEL)?.text ?? ''
    const got = (key: Parameters<typeof valuesOf>[1]) => valuesOf(placed, key)[0]
    expect(
      (
        ['title', 'meter', 'grid', 'start', 'stop', 'landing', 'swing', 'tempo', 'line'] as const
      ).map(got),
    ).toEqual(['Hoop', '3/4', '1/8t', '2', undefined, 'stop', '60', '120', 'RLRL'])
    expect(withBarOf({ ...other, text: placed }, MODEL)).toBeUndefined()
  })

  it('is left alone by a line that checks a barline which would be elsewhere', () => {
    const checked = lick('c', 'line: RLRLRLRLRLRLRLRL|RL')
    expect(withBarOf(checked, MODEL)).toBeUndefined()
  })

  it('is given to all of a set and taken back, but for what was changed since', async () => {
    const texts = [MODEL, 'title: Hoop\nline: RLRL', 'title: Net\nline: RRLL']
    await addLicks(
      texts.map((text, i) => lick(`s${i}`, text)),
      0,
    )
    const ids = ['s0', 's1', 's2']
    const placed = await placeLike(ids, 's0')
    expect(placed.words).toBe('2 licks put in the bar of “Ring”.')
    const metres = async () => {
      const read = await loadLicks(ids)
      return read.ok ? read.value.map(({ text }) => valuesOf(text, 'meter')[0] ?? '4/4') : []
    }
    expect(await metres()).toEqual(['3/4', '3/4', '3/4'])
    expect(await placed.undo?.()).toBe('2 licks as before.')
    expect(await metres()).toEqual(['3/4', '4/4', '4/4'])
    expect((await placeLike(ids, 'none')).undo).toBeNull()
  })
})
