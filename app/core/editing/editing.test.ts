import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  applyTransaction,
  commit,
  invertTransaction,
  mapOffset,
  redo,
  toHistory,
  toTransaction,
  undo,
} from '.'

/** A text and a transaction that fits it: disjoint splices with random insertions. */
const edit = fc
  .tuple(
    fc.string({ maxLength: 30 }),
    fc.array(fc.tuple(fc.nat(30), fc.nat(4), fc.string({ maxLength: 4 })), { maxLength: 4 }),
  )
  .map(([text, raw]) => {
    let from = 0
    const splices = raw
      .map(([at, length, inserted]) => ({ at: Math.min(at, text.length), length, inserted }))
      .sort((a, b) => a.at - b.at)
      .flatMap(({ at, length, inserted }) => {
        if (at < from) return []
        const removed = text.slice(at, at + length)
        from = at + removed.length + 1
        return [{ at, removed, inserted }]
      })
    return { text, transaction: toTransaction('edit', splices) }
  })

describe('transactions', () => {
  it('are taken back by their inverse (law)', () => {
    fc.assert(
      fc.property(edit, ({ text, transaction }) => {
        const after = applyTransaction(text, transaction)
        expect(applyTransaction(after, invertTransaction(transaction))).toBe(text)
        expect(invertTransaction(invertTransaction(transaction))).toEqual(transaction)
      }),
    )
  })

  it('map the ends of a text to the ends of the new one (law)', () => {
    fc.assert(
      fc.property(edit, ({ text, transaction }) => {
        const after = applyTransaction(text, transaction)
        expect(mapOffset(text.length, transaction)).toBe(after.length)
        for (let i = 1; i <= text.length; i += 1) {
          expect(mapOffset(i, transaction)).toBeGreaterThanOrEqual(mapOffset(i - 1, transaction))
        }
      }),
    )
  })

  it('refuse a text that they were not made for', () => {
    const transaction = toTransaction('cut', [{ at: 0, removed: 'R', inserted: '' }])
    expect(() => applyTransaction('LR', transaction)).toThrow(RangeError)
  })
})

describe('history', () => {
  it('undoes and redoes everything, without limit (law)', () => {
    fc.assert(
      fc.property(fc.array(fc.string({ maxLength: 5 }), { maxLength: 60 }), (texts) => {
        let history = toHistory('start')
        for (const text of texts) {
          history = commit(
            history,
            toTransaction('set', [{ at: 0, removed: history.text, inserted: text }]),
          )
        }
        const last = history.text
        const steps = history.past.length
        for (let i = 0; i < steps; i += 1) history = undo(history)
        expect([history.text, history.past.length]).toEqual(['start', 0])
        for (let i = 0; i < steps; i += 1) history = redo(history)
        expect([history.text, history.future.length]).toEqual([last, 0])
      }),
    )
  })

  it('takes letters typed in a row as one step, and a new group as another', () => {
    let history = toHistory('')
    for (const [at, inserted] of [...'RLK RL'].entries()) {
      history = commit(history, toTransaction('type', [{ at, removed: '', inserted }]))
    }
    expect(history.past.map(({ splices }) => splices[0]?.inserted)).toEqual(['RLK', ' RL'])
    history = undo(history)
    expect(history.text).toBe('RLK')
    const again = commit(history, toTransaction('type', [{ at: 3, removed: '', inserted: 'K' }]))
    expect([undo(again).text, again.future]).toEqual(['RLK', []])
  })

  it('is the same history where nothing changes', () => {
    const history = toHistory('RL')
    expect(commit(history, toTransaction('none', []))).toBe(history)
    expect(undo(history)).toBe(history)
    expect(redo(history)).toBe(history)
  })
})
