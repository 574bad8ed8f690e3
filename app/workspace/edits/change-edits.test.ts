import { describe, expect, it } from 'vitest'
import { CHANGES } from '~/core/change-list'
import { formatLine } from '~/core/notation'
import { lickOf } from '../../../tests/support/licks'
import { changedPhrase, groupAs, leaveOutClashing, swellEdit } from './change-edits'

describe('a swell', () => {
  it('wants two plain strokes in two slots', () => {
    const lick = lickOf('line: RL>RL {RL}')
    expect(swellEdit(lick, { from: 0, to: 1 }, 'soft', 'accent')).toBeNull()
    // Two strokes in one slot do not swell either.
    expect(swellEdit(lick, { from: 4, to: 5 }, 'soft', 'accent')).toBeNull()
    expect(swellEdit(lick, { from: 1, to: 3 }, 'soft', 'accent')).toBeNull()
    expect(swellEdit(lick, { from: 0, to: 2 }, 'soft', 'accent')?.lick.frame.swells).toEqual([
      { from: 0, to: 1, start: 'soft', end: 'accent' },
    ])
  })
})

describe('a change of what is marked', () => {
  it('knows where the beats are from the bar, not from the mark', () => {
    const lick = lickOf('line: RLRL RLRL')
    const change = CHANGES.find(({ id }) => id === 'kick-on-beats')
    if (!change) throw new Error('no such change')
    const made = (from: number, to: number) =>
      formatLine({ ...changedPhrase(lick, { from, to }, change), gridChanges: [] })
    expect(made(2, 8)).toMatch(/^RL \(RK\)LRL$/)
    expect(made(0, 4)).toMatch(/^\(RK\)LRL$/)
  })
})

describe('groups of given sizes', () => {
  it('leave what is over as a last one, and fill up with rests', () => {
    const grouped = (sizes: readonly number[]) =>
      formatLine(groupAs(lickOf('line: RLRLRLRL'), { from: 0, to: 8 }, sizes).lick.line)
    expect(grouped([3, 3])).toBe('RLR LRL RL')
    expect(grouped([5, 4])).toBe('RLRLR LRL-')
  })
})

describe('clashing strokes', () => {
  it('are left out with the graces that the limb plays', () => {
    const lick = lickOf('under: @1/16 L:rd\nline: RfR')
    expect(formatLine(leaveOutClashing(lick, 'LH').lick.line)).toBe('R*2'.replace('R*2', 'RR'))
  })
})
