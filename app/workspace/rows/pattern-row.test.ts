import { describe, expect, it } from 'vitest'
import { valuesOf } from '~/codecs/lick-text'
import { workspaceOf } from '../../../tests/support/workspace'
import type { Workspace } from '../workspace'
import { stepRow, typePattern } from './pattern-row'
import { insertInRow, removeInRow, stepInRow } from './rows'

const under = (one: Workspace) => [
  ...valuesOf(one.document.history.text, 'under'),
  ...valuesOf(one.document.history.text, 'under fill'),
]
const keys = (one: Workspace, typed: string) => {
  for (const key of typed) typePattern(one, key, [])
}

describe('keys in the row of a layer', () => {
  it('replace a slot wherever the pattern comes round, and step on', () => {
    const one = workspaceOf('line: RLRL\nunder: @1/8 HH')
    one.editRow({ pattern: 0, tick: 5040 })
    keys(one, 'K')
    expect([under(one), one.place]).toEqual([['@1/8 HK'], { pattern: 0, tick: 10080 }])
    keys(one, '-j')
    expect([under(one), one.place?.tick]).toEqual([['@1/8 -j'], 20160])
  })

  it('set and take away a level, open and remove slots; with the last one the layer goes', () => {
    const one = workspaceOf('line: RLRL\nunder: @1/4 H\nunder fill: @1/8 KJ')
    one.editRow({ pattern: 1, tick: 0 })
    keys(one, '>')
    expect(under(one)).toEqual(['@1/4 H', '@1/8 >KJ'])
    keys(one, '>')
    insertInRow(one, [])
    expect(under(one)).toEqual(['@1/4 H', '@1/8 -KJ'])
    removeInRow(one, false, [])
    one.editRow({ pattern: 0, tick: 0 })
    removeInRow(one, false, [])
    expect([under(one), one.state().row, one.place]).toEqual([['@1/8 KJ'], 'sticking', null])
  })

  it('move within the layer, and from row to row', () => {
    const one = workspaceOf('line: RLRL\nunder: @1/4 H')
    one.mark(2, 2)
    stepRow(one, 1, [])
    stepRow(one, 1, [])
    expect(one.place).toEqual({ pattern: 0, tick: 0 })
    stepInRow(one, 1, { unit: 'slot', extend: false }, [])
    expect(one.place?.tick).toBe(10080)
    stepInRow(one, -1, { unit: 'end', extend: false }, [])
    expect(one.place?.tick).toBe(0)
    stepInRow(one, 1, { unit: 'slot', extend: false }, [])
    stepRow(one, 1, [])
    expect(one.place).toEqual({ pattern: 'groove', tick: 10080 })
    stepRow(one, 1, [])
    expect(one.place?.pattern).toBe('groove')
    stepRow(one, -1, [])
    stepRow(one, -1, [])
    expect([one.state().row, one.place]).toEqual(['voices', null])
  })
})
