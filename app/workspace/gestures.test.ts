import { describe, expect, it } from 'vitest'
import { lineTextOf } from '~/codecs/lick-text'
import { workspaceOf } from '../../tests/support/workspace'
import { dragStart, dropText, moveStart } from './gestures'
import { removeInRow, signInRow, typeInRow } from './rows/rows'
import { checkBar, pressSticking } from './rows/sticking-row'
import type { Workspace } from './workspace'

const lineOf = ({ document }: Workspace) => lineTextOf(document.history.text)
const marked = (one: Workspace) => one.state().selection.range

describe('by pointing', () => {
  it('a pad’s sign is on what is marked and on nothing else, and at the end on the next stroke', () => {
    const one = workspaceOf('line: RLRK')
    one.mark(1, 1)
    signInRow(one, 'g', [])
    expect([lineOf(one), one.state().waiting.level]).toEqual(['RlRK', null])
    typeInRow(one, 'R', [])
    expect(lineOf(one)).toBe('RRRK')
    one.toEnd()
    signInRow(one, 'g', [])
    expect([lineOf(one), one.state().waiting.level]).toEqual(['RRRK', 'ghost'])
    typeInRow(one, 'L', [])
    expect(lineOf(one)).toBe('RRRKl')
  })

  it('a pad’s delete takes the stroke before the caret, again and again', () => {
    const one = workspaceOf('line: RLRK')
    one.toEnd()
    removeInRow(one, true, [])
    removeInRow(one, true, [])
    expect([lineOf(one), one.state().selection.range]).toEqual(['RL', null])
    one.mark(1, 1)
    removeInRow(one, true, [])
    expect([lineOf(one), one.state().selection.range]).toEqual(['L', { from: 0, to: 1 }])
  })

  it('a button does what its key does, and what is marked stays marked', () => {
    const one = workspaceOf('line: RLLR')
    one.select({ from: 1, to: 3 })
    pressSticking(one, 'K')
    expect([lineOf(one), marked(one)]).toEqual(['RKKR', { from: 1, to: 3 }])
  })

  it('the start is moved within its bar and no further', () => {
    const one = workspaceOf('line: RLLR')
    expect(dragStart(one, 5000)).toBe(5040)
    expect(one.lick.frame.start).toBe(5040)
    expect(dragStart(one, -99999)).toBe(0)
    expect(one.state().notice?.message).toMatch(/within its bar/)
    moveStart(one, -1)
    expect(one.lick.frame.start).toBe(2520)
  })

  it('a sticking is dropped, and what is none is refused', () => {
    const one = workspaceOf('line: RLLR')
    dropText(one, 4, 'RLK')
    expect(lineOf(one)).toBe('RLLR RLK')
    dropText(one, 0, 'hello')
    expect(one.state().notice?.message).toMatch(/cannot be read as a sticking/)
  })

  it('a bar check goes where a barline is, and nowhere else', () => {
    const one = workspaceOf('meter: 2/4\nline: RLRLRLRL RLK')
    one.mark(8, 8)
    checkBar(one)
    expect([lineOf(one), one.document.issues]).toEqual(['RLRLRLRL | RLK', []])
    one.mark(3, 3)
    checkBar(one)
    expect(one.state().notice?.message).toMatch(/No barline/)
  })
})
