import { describe, expect, it } from 'vitest'
import { lickOf } from '../../../tests/support/licks'
import { findOwnGrooves, formatOwnGroove } from '.'

const groove = {
  id: 'own-a1',
  name: 'Slow | and low #2',
  meter: '7/8 2+2+3',
  grid: '1/8',
  line: 'RL RL RLR',
}

describe('a groove of one’s own in a text', () => {
  it('comes back as it was, bar checks included', () => {
    const text = `groove: own-a1\nline: R\n${formatOwnGroove(groove)}`
    expect(findOwnGrooves(lickOf(text).unknown)).toEqual([
      { ...groove, name: 'Slow / and low\u00A0#2' },
    ])
    const checked = { ...groove, meter: '4/4', line: 'RLRLRLRL |' }
    expect(findOwnGrooves(lickOf(`line: R\n${formatOwnGroove(checked)}`).unknown)[0]?.line).toBe(
      'RLRLRLRL |',
    )
  })

  it.each([
    'own-groove: eighths | 4/4 | 1/8 | Slow | RLRLRLRL',
    'own-groove: own-a | 4/9 | 1/8 | Slow | RLRLRLRL',
    'own-groove: own-a | 4/4 | 1/8 | Slow | RLQ',
    'own-groove: own-a | 4/4 | 1/8',
    'own-groove: ',
  ])('%s is none', (row) => expect(findOwnGrooves(lickOf(`line: R\n${row}`).unknown)).toEqual([]))
})
