import { describe, expect, it } from 'vitest'
import { EMPTY_LICK } from '~/core/line'
import { MOST_RUNGS, type PracticeSessionRecord } from '~/storage'
import { SessionWriter } from './session-writer'
import { newPlan } from './use-plan'
import { planFault } from './use-stored'

const session = (id: string, seconds: number) =>
  ({ id, seconds }) as unknown as PracticeSessionRecord

describe('sessions as they go on', () => {
  it('have a saver each, which is let go when the next begins', () => {
    const said: string[] = []
    const writer = new SessionWriter({
      open: (id) => {
        said.push(`open ${id}`)
        return { id, change: ({ seconds }) => void said.push(`${id} ${seconds}`) }
      },
      close: ({ id }) => void said.push(`close ${id}`),
    })
    writer.save(session('a', 1))
    writer.save(session('a', 2))
    writer.save(session('b', 1))
    writer.close()
    writer.close()
    expect(said).toEqual(['open a', 'a 1', 'a 2', 'close a', 'open b', 'b 1', 'close b'])
  })
})

describe('a plan', () => {
  const rungs = (count: number) => Array.from({ length: count }, (_, i) => 60 + i)

  it('may have every ladder that can be read again, and no longer one', () => {
    expect(planFault({ ...newPlan('x', EMPTY_LICK, 1), rungs: rungs(44) })).toBe('')
    expect(planFault({ ...newPlan('x', EMPTY_LICK, 1), rungs: rungs(MOST_RUNGS) })).toBe('')
    expect(planFault({ ...newPlan('x', EMPTY_LICK, 1), rungs: rungs(MOST_RUNGS + 1) })).toMatch(
      /at most 128 tempos/,
    )
  })

  it.each([
    { rungs: [] },
    { rungs: [4] },
    { repeats: 0 },
    { steps: [{ part: 'x'.repeat(61), skipped: false, form: null }] },
  ])('%j is refused in words', (changed) =>
    expect(planFault({ ...newPlan('x', EMPTY_LICK, 1), ...changed })).toMatch(
      /nothing was changed\.$/,
    ),
  )
})
