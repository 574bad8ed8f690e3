import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Solo } from '~/core/solo'
import { parts, soloOf } from '../../tests/support/solos'
import { SoloDesk } from './solo-desk'

const START = soloOf([parts.groove(1), parts.groove(2), parts.groove(3)])
const opened = () => {
  const saved: Solo[] = []
  return { saved, desk: new SoloDesk(START, (solo) => saved.push(solo)) }
}
const ids = (desk: SoloDesk) => desk.state().solo.parts.map(({ id }) => id)

describe('a solo that is worked on', () => {
  it('takes parts behind the one that is open, moves, doubles and removes them', () => {
    const { desk, saved } = opened()
    desk.add(parts.groove(4, 'none', 'new'))
    expect([ids(desk), desk.state().chosen]).toEqual([
      ['groove 1', 'new', 'groove 2', 'groove 3'],
      'new',
    ])
    desk.move('new', 9)
    desk.duplicate('groove 1', 'twin')
    expect(ids(desk)).toEqual(['groove 1', 'twin', 'groove 2', 'groove 3', 'new'])
    desk.remove('twin')
    expect(desk.state().chosen).toBe('groove 1')
    expect(saved.at(-1)).toBe(desk.state().solo)
    desk.step(1)
    desk.step(1)
    expect(desk.state().chosen).toBe('groove 3')
  })

  it('goes back step by step and forward again, whatever was done (law)', () => {
    const act = fc.oneof(
      fc.record({ kind: fc.constant('move' as const), at: fc.nat(4), to: fc.nat(5) }),
      fc.record({ kind: fc.constant('remove' as const), at: fc.nat(4), to: fc.nat(5) }),
      fc.record({ kind: fc.constant('double' as const), at: fc.nat(4), to: fc.nat(5) }),
      fc.record({ kind: fc.constant('draw' as const), at: fc.nat(4), to: fc.nat(5) }),
    )
    fc.assert(
      fc.property(fc.array(act, { maxLength: 12 }), (acts) => {
        const { desk, saved } = opened()
        const states: Solo[] = [START]
        for (const [i, { kind, at, to }] of acts.entries()) {
          const id = ids(desk)[at] ?? ''
          if (kind === 'move') desk.move(id, to)
          if (kind === 'remove') desk.remove(id)
          if (kind === 'double') desk.duplicate(id, `n${i}`)
          if (kind === 'draw') desk.draw(at, to / 5)
          desk.lift()
          const { solo, chosen } = desk.state()
          if (states.at(-1) !== solo) states.push(solo)
          expect(chosen === null ? solo.parts : solo.parts.map((part) => part.id)).toEqual(
            chosen === null ? [] : expect.arrayContaining([chosen]),
          )
        }
        for (const state of [...states].reverse().slice(1)) {
          desk.undo()
          expect(desk.state().solo).toBe(state)
          expect(saved.at(-1)).toBe(state)
        }
        desk.undo()
        expect(desk.state().solo).toBe(START)
        for (const state of states.slice(1)) {
          desk.redo()
          expect(desk.state().solo).toBe(state)
        }
      }),
      { numRuns: 100 },
    )
  })

  it('draws what is wanted as one step, until the hand is lifted', () => {
    const { desk } = opened()
    for (const [bar, value] of [
      [0, 0.2],
      [1, 0.5],
      [3, 2],
    ] as const)
      desk.draw(bar, value)
    expect(desk.state().solo.wish).toEqual([0.2, 0.5, null, 1])
    desk.lift()
    desk.draw(0, null)
    desk.undo()
    expect(desk.state().solo.wish).toEqual([0.2, 0.5, null, 1])
    desk.undo()
    expect(desk.state().solo).toBe(START)
  })

  it('refuses what is too long in words, and changes nothing', () => {
    const { desk, saved } = opened()
    desk.edit((solo) => ({
      ...solo,
      parts: Array.from({ length: 9 }, (_, i) => ({ ...parts.groove(64), id: `p${i}` })),
    }))
    expect(desk.state().solo).toBe(START)
    expect(desk.state().refused).toMatch(/at most 512 bars/)
    expect(saved).toEqual([])
  })

  it('shows what another tab saved, and can go back to its own', () => {
    const { desk, saved } = opened()
    const theirs = { ...START, title: 'Theirs' }
    desk.take(theirs)
    expect(desk.state().solo).toBe(theirs)
    expect(saved).toEqual([])
    desk.undo()
    expect(saved).toEqual([START])
  })
})
