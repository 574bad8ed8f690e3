import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { SetRecord } from '~/storage'
import { setOf } from '../../tests/support/sets'
import { SetDesk } from './set-desk'
import { addLicksTo, moveExercise, removeLickFrom, reordered, setMinutes } from './set-edits'

const START = setOf('a', 'b', 'c', 'd')
const opened = () => {
  const saved: SetRecord[] = []
  return { saved, desk: new SetDesk(START, (set) => saved.push(set)) }
}
const ids = (desk: SetDesk) =>
  desk
    .state()
    .set.exercises.map(({ lickId }) => lickId)
    .join('')
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
    expect(desk.state().set.exercises[1]?.minutes).toBe(9)
    expect(saved.at(-1)).toBe(desk.state().set)
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
          if (kind === 'theirs') desk.take({ ...START, name: `${id} ${to}` })
          const { set } = desk.state()
          if (states.at(-1) !== set) states.push(set)
        }
        for (const state of states.reverse().slice(1)) {
          desk.undo()
          expect(desk.state().set).toBe(state)
          expect(saved.at(-1)).toBe(state)
        }
        expect(desk.state().steps.past).toEqual([])
        for (const state of states.reverse().slice(1)) {
          desk.redo()
          expect(desk.state().set).toBe(state)
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
    expect(desk.state().set.name).toBe('Wet')
    desk.undo()
    expect(desk.state().set).toBe(START)
  })

  it('tells that another tab deleted it, until it is there again', () => {
    const { desk, saved } = opened()
    desk.setGone(true)
    expect(desk.state().gone).toBe(true)
    desk.take({ ...START, name: 'Back' })
    expect([desk.state().gone, saved]).toEqual([false, []])
  })
})
