import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { nextCell, type PlanCell, type PlanSequence } from './plan'

const counts = fc.array(fc.nat(5), { minLength: 1, maxLength: 8 })
const sequence = fc.constantFrom<PlanSequence>('step', 'tempo')

/** Every cell of a plan in the order that it says, by writing them down. */
function cellsIn(rungs: readonly number[], order: PlanSequence): PlanCell[] {
  const cells = rungs.flatMap((count, step) =>
    Array.from({ length: count }, (_, rung) => ({ step, rung })),
  )
  return order === 'step' ? cells : cells.sort((a, b) => a.rung - b.rung || a.step - b.step)
}

describe('a plan that is gone through', () => {
  it.each([
    ['step', 'up the ladder', { step: 0, rung: 0 }, 'clean', { step: 0, rung: 1 }],
    ['step', 'on to the next step at the top', { step: 0, rung: 2 }, 'clean', { step: 2, rung: 0 }],
    ['step', 'to the end', { step: 2, rung: 1 }, 'clean', null],
    ['tempo', 'to the next step at the tempo', { step: 0, rung: 1 }, 'clean', { step: 2, rung: 1 }],
    ['tempo', 'up with the first step', { step: 2, rung: 1 }, 'clean', { step: 0, rung: 2 }],
    ['step', 'down where it was lost', { step: 2, rung: 1 }, 'lost', { step: 2, rung: 0 }],
    ['tempo', 'no further down', { step: 2, rung: 0 }, 'lost', { step: 2, rung: 0 }],
    ['tempo', 'nowhere where it was rough', { step: 0, rung: 1 }, 'rough', { step: 0, rung: 1 }],
  ] as const)('%s by %s goes %s', (order, _, from, rating, to) => {
    expect(nextCell(from, [3, 0, 2], order, rating)).toEqual(to)
  })

  it('comes through every cell once, in its order, with clean alone (law)', () => {
    fc.assert(
      fc.property(counts, sequence, (rungs, order) => {
        const wanted = cellsIn(rungs, order)
        const [first] = wanted
        const seen: PlanCell[] = []
        for (let cell = first ?? null; cell && seen.length <= wanted.length; ) {
          seen.push(cell)
          cell = nextCell(cell, rungs, order, 'clean')
        }
        expect(seen).toEqual(wanted)
      }),
    )
  })

  it('never leaves the plan, whatever is rated (law)', () => {
    const ratings = fc.array(fc.constantFrom('clean' as const, 'rough' as const, 'lost' as const))
    fc.assert(
      fc.property(counts, sequence, ratings, (rungs, order, list) => {
        let cell = cellsIn(rungs, order)[0] ?? null
        for (const rating of list) {
          if (!cell) break
          expect(cell.rung).toBeLessThan(rungs[cell.step] ?? 0)
          expect(cell.rung).toBeGreaterThanOrEqual(0)
          const next: PlanCell | null = nextCell(cell, rungs, order, rating)
          if (rating !== 'clean') expect(next?.step).toBe(cell.step)
          cell = next
        }
      }),
    )
  })
})
