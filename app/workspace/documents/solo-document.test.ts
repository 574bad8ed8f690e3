import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { parseSolo } from '~/codecs/solo'
import type { Solo } from '~/core/solo'
import type { RecordSaver, SoloRecord } from '~/storage'
import { parts, soloOf } from '../../../tests/support/solos'
import { SoloDocument, toSoloRecord } from './solo-document'

const START = soloOf([parts.groove(1), parts.groove(2), parts.groove(3)])
const RECORD = { id: 's', createdAt: 0 }
const opened = () => {
  const saved: Solo[] = []
  const change = ({ solo }: SoloRecord) => {
    const read = parseSolo(solo)
    if (read.ok) saved.push(read.value)
  }
  const saver = { change } as unknown as RecordSaver<'solos'>
  return { saved, desk: new SoloDocument(RECORD, START, saver) }
}
const ids = (desk: SoloDocument) => desk.content.parts.map(({ id }) => id)

describe('a solo that is worked on', () => {
  it('takes parts behind the one that is open, moves, doubles and removes them', () => {
    const { desk, saved } = opened()
    desk.add(parts.groove(4, 'none', 'new'))
    expect([ids(desk), desk.chosen]).toEqual([['groove 1', 'new', 'groove 2', 'groove 3'], 'new'])
    desk.move('new', 9)
    desk.duplicate('groove 1', 'twin')
    expect(ids(desk)).toEqual(['groove 1', 'twin', 'groove 2', 'groove 3', 'new'])
    desk.remove('twin')
    expect(desk.chosen).toBe('groove 1')
    expect(saved.at(-1)).toEqual(desk.content)
    desk.step(1)
    desk.step(1)
    expect(desk.chosen).toBe('groove 3')
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
          desk.endStep()
          const { content: solo, chosen } = desk
          if (states.at(-1) !== solo) states.push(solo)
          expect(chosen === null ? solo.parts : solo.parts.map((part) => part.id)).toEqual(
            chosen === null ? [] : expect.arrayContaining([chosen]),
          )
        }
        for (const state of [...states].reverse().slice(1)) {
          desk.undo()
          expect(desk.content).toBe(state)
          expect(saved.at(-1)).toEqual(state)
        }
        desk.undo()
        expect(desk.content).toBe(START)
        for (const state of states.slice(1)) {
          desk.redo()
          expect(desk.content).toBe(state)
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
    expect(desk.content.wish).toEqual([0.2, 0.5, null, 1])
    desk.endStep()
    desk.draw(0, null)
    desk.undo()
    expect(desk.content.wish).toEqual([0.2, 0.5, null, 1])
    desk.undo()
    expect(desk.content).toBe(START)
  })

  it('refuses what is too long in words, and changes nothing', () => {
    const { desk, saved } = opened()
    desk.edit((solo) => ({
      ...solo,
      parts: Array.from({ length: 9 }, (_, i) => ({ ...parts.groove(64), id: `p${i}` })),
    }))
    expect(desk.content).toBe(START)
    expect(desk.state().refused).toMatch(/at most 512 bars/)
    expect(saved).toEqual([])
  })

  it('shows what another tab saved, and can go back to its own', () => {
    const { desk, saved } = opened()
    const theirs = { ...START, title: 'Theirs' }
    const record = toSoloRecord(RECORD, theirs)
    desk.hear({ ...record, revision: 1, updatedAt: 0, deletedAt: null })
    expect(desk.content).toEqual(theirs)
    expect(saved).toEqual([])
    desk.undo()
    expect(saved).toEqual([START])
  })
})
