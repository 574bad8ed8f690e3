import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { RecordSaver, SetRecord } from '~/storage'
import { setOf } from '../../../tests/support/sets'
import { SET_KEEPING, type SetDocument } from './set-document'
import { addLicksTo, moveExercise, removeLickFrom, reordered, setMinutes } from './set-edits'
import { StoredDocument } from './stored-document'

const START = setOf('a', 'b', 'c', 'd')
const opened = () => {
  const saved: SetRecord[] = []
  const saver = { change: (set: SetRecord) => saved.push(set) } as unknown as RecordSaver<'sets'>
  return { saved, desk: new StoredDocument(saver, START, null, SET_KEEPING) }
}
const ids = (desk: SetDocument) => desk.content.exercises.map(({ lickId }) => lickId).join('')
const kept = (set: SetRecord) => ({ ...set, revision: 1, updatedAt: 0, deletedAt: null })
const known = new Map(
  [...'abcd'].map((id, i) => [id, { limit: 100 + i, kicks: 0, overdue: i }] as const),
)

describe('a set that is worked on', () => {
  it('keeps a row that is dropped while an order is being worked out', async () => {
    const { desk, saved } = opened()
    const order = Promise.resolve().then(() => desk.edit((now) => reordered(now, known, 'due')))
    desk.edit((now) => removeLickFrom(moveExercise(now, 'a', 1), 'c'))
    desk.edit((now) => setMinutes(now, 'b', 9))
    await order
    expect(ids(desk)).toBe('dba')
    expect(desk.content.exercises[1]?.minutes).toBe(9)
    expect(saved.at(-1)).toBe(desk.content)
    desk.undo()
    expect(ids(desk)).toBe('bad')
  })

  it('takes a row that is dropped after an order was made where it was dropped', () => {
    const { desk } = opened()
    desk.edit((now) => reordered(now, known, 'due'))
    expect(ids(desk)).toBe('dcba')
    desk.edit((now) => moveExercise(now, 'a', 1))
    expect(ids(desk)).toBe('dacb')
  })

  it('goes back step by step, whatever was done (law)', () => {
    const act = fc.record({
      id: fc.constantFrom(...'abcdefgh'),
      to: fc.nat(9),
      kind: fc.constantFrom('add', 'remove', 'move', 'minutes', 'order', 'theirs'),
    })
    fc.assert(
      fc.property(fc.array(act, { maxLength: 20 }), (acts) => {
        const { desk, saved } = opened()
        const states = [START]
        for (const { kind, id, to } of acts) {
          if (kind === 'add') desk.edit((now) => addLicksTo(now, [id]))
          if (kind === 'remove') desk.edit((now) => removeLickFrom(now, id))
          if (kind === 'move') desk.edit((now) => moveExercise(now, id, to))
          if (kind === 'minutes') desk.edit((now) => setMinutes(now, id, to + 1))
          if (kind === 'order') desk.edit((now) => reordered(now, known, 'shuffled', to))
          if (kind === 'theirs') desk.hear(kept({ ...START, name: `${id} ${to}` }))
          const { content: set } = desk
          if (states.at(-1) !== set) states.push(set)
        }
        for (const state of states.reverse().slice(1)) {
          desk.undo()
          expect(desk.content).toBe(state)
          expect(saved.at(-1)).toBe(state)
        }
        expect(desk.state().steps.past).toEqual([])
        for (const state of states.reverse().slice(1)) {
          desk.redo()
          expect(desk.content).toBe(state)
          expect(saved.at(-1)).toBe(state)
        }
        expect(desk.state().steps.future).toEqual([])
      }),
      { numRuns: 100 },
    )
  })

  it('takes the letters of a name as one step', () => {
    const { desk } = opened()
    for (const name of ['W', 'We', 'Wet']) desk.edit((now) => ({ ...now, name }), 'name')
    desk.edit((now) => ({ ...now, note: 'hm' }), 'note')
    desk.undo()
    expect(desk.content.name).toBe('Wet')
    desk.undo()
    expect(desk.content).toBe(START)
  })

  it('tells that another tab deleted it, until it is there again', () => {
    const { desk, saved } = opened()
    desk.hear('deleted')
    expect(desk.state().deleted).toBe(true)
    desk.hear(kept({ ...START, name: 'Back' }))
    expect([desk.state().deleted, saved]).toEqual([false, []])
  })
})
