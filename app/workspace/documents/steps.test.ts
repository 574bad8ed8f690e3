import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { NO_STEPS, stepBack, stepDone, stepForth, stepFrom, type UndoStack } from './steps'

describe('steps back and forth', () => {
  it('lead back to every state and forth to the last one again (law)', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(), { maxLength: 40 }), (states) => {
        let steps: UndoStack<number> = NO_STEPS
        let now = -1
        for (const state of states) {
          steps = stepFrom(steps, now)
          now = state
        }
        const seen = [now]
        for (let one = stepBack(steps, now); one; one = stepBack(steps, now)) {
          steps = one.steps
          now = one.state
          seen.push(now)
        }
        expect(seen).toEqual([-1, ...states].reverse())
        for (let one = stepForth(steps, now); one; one = stepForth(steps, now)) {
          steps = one.steps
          now = one.state
        }
        expect([now, steps.future]).toEqual([states.at(-1) ?? -1, []])
      }),
      { numRuns: 100 },
    )
  })

  it('are one for changes about the same, until one is done or another comes between', () => {
    const name = (steps: UndoStack<string>, state: string) => stepFrom(steps, state, 'name')
    const one = name(name(NO_STEPS, 'a'), 'b')
    expect(one.past).toEqual(['a'])
    expect(name(stepDone(one), 'c').past).toEqual(['a', 'c'])
    expect(name(stepFrom(one, 'c', 'order'), 'd').past).toEqual(['a', 'c', 'd'])
  })

  it('forget the way forth with a change, and the oldest of very many', () => {
    const back = stepBack(stepFrom(NO_STEPS as UndoStack<number>, 1), 2)
    expect(back?.steps.future).toEqual([2])
    expect(back && stepFrom(back.steps, 1).future).toEqual([])
    let steps: UndoStack<number> = NO_STEPS
    for (let state = 0; state < 300; state += 1) steps = stepFrom(steps, state)
    expect([steps.past.length, steps.past[0]]).toEqual([200, 100])
  })
})
