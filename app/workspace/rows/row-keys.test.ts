import { describe, expect, it } from 'vitest'
import { lineTextOf, valuesOf } from '~/codecs/lick-text'
import { DEFAULT_KIT } from '~/core/kit'
import { workspaceOf } from '../../../tests/support/workspace'
import { type PressedKey, RowKeys } from './row-keys'

/** A ruler that is typed on: every key a tenth of a second after the one before. */
function typedOn(text: string) {
  const workspace = workspaceOf(text)
  const keys = new RowKeys(workspace)
  const done: string[] = []
  const context = {
    kit: DEFAULT_KIT,
    grooves: [],
    play: () => done.push('play'),
  }
  let at = 0
  const press = (key: string, held: Partial<PressedKey> = {}) => {
    at += 100
    return keys.press({ key, shiftKey: false, ctrlKey: false, at, ...held }, context)
  }
  return {
    workspace,
    press,
    done,
    line: () => lineTextOf(workspace.document.history.text),
    pins: () => workspace.document.voicing.pins.map(({ slot, surface }) => `${slot} ${surface}`),
  }
}

describe('the keys of the ruler', () => {
  it('go from row to row and type in each', () => {
    const { workspace, press, line, pins } = typedOn('line: RLLR\nunder: @1/4 H')
    press('Home')
    press('K')
    expect(line()).toBe('KLLR')
    press('ArrowDown')
    for (const key of ['f', 't', '3']) press(key)
    expect(pins()).toEqual(['1 f1', '2 t1'])
    press('ArrowDown')
    press('k')
    expect(valuesOf(workspace.document.history.text, 'under')).toEqual(['@1/4 k'])
    press('3')
    expect(workspace.state().notice?.message).toMatch(/No hand plays here/)
    press('9')
    expect(workspace.state().notice?.message).toMatch(/number 9/)
  })

  it('take the second letter of a name in time only', () => {
    const { press, pins, workspace } = typedOn('line: RLLR')
    workspace.mark(0, 0)
    press('ArrowDown')
    press('s')
    press('n', { at: 5000 })
    expect(pins()).toEqual([])
    press('z', { at: 5100 })
    expect(workspace.state().notice?.message).toMatch(/“nz”/)
  })

  it('move by slots and groups, and mark with Shift', () => {
    const { workspace, press } = typedOn('line: RLL RLR')
    press('Home')
    press('ArrowRight', { ctrlKey: true })
    expect(workspace.state().selection.range).toEqual({ from: 3, to: 4 })
    press('End', { shiftKey: true })
    expect(workspace.state().selection.range).toEqual({ from: 3, to: 6 })
  })

  it('leave alone what means nothing, and chords', () => {
    const { press, done, line } = typedOn('line: RL')
    expect([press('q'), press('r', { ctrlKey: true }), press('F5')]).toEqual([false, false, false])
    // Space plays: nothing of the line takes it.
    expect(press(' ')).toBe(false)
    expect(line()).toBe('RL')
    // Escape is the page's, wherever the focus is.
    expect([press('Enter'), press('Escape'), done]).toEqual([true, false, ['play']])
  })

  it('clear a voice in its own row, and step back without removing', () => {
    const { workspace, press, pins, line } = typedOn('line: RLLR')
    workspace.mark(1, 1)
    press('ArrowDown')
    press('3')
    press('Backspace')
    expect(workspace.state().selection.range).toEqual({ from: 1, to: 2 })
    press('Delete')
    expect([pins(), line()]).toEqual([[], 'RLLR'])
  })
})
