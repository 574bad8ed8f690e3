import { describe, expect, it } from 'vitest'
import { valuesOf } from '~/codecs/lick-text'
import { workspaceOf } from '../../../tests/support/workspace'
import type { Workspace } from '../workspace'

const under = (one: Workspace) => [
  ...valuesOf(one.document.history.text, 'under'),
  ...valuesOf(one.document.history.text, 'under fill'),
]
const keys = (one: Workspace, typed: string) => {
  for (const key of typed)
    one.layerKey({ key: key.toLowerCase(), shiftKey: key !== key.toLowerCase() })
}

describe('keys in the row of a layer', () => {
  it('replace a slot wherever the pattern comes round, and step on', () => {
    const one = workspaceOf('line: RLRL\nunder: @1/8 HH')
    one.markLayer({ layer: 0, tick: 5040 })
    keys(one, 'k')
    expect([under(one), one.state().layer]).toEqual([['@1/8 HK'], { layer: 0, tick: 10080 }])
    keys(one, '-J')
    expect([under(one), one.state().layer?.tick]).toEqual([['@1/8 -j'], 20160])
  })

  it('set and take away a level, open and remove slots; with the last one the layer goes', () => {
    const one = workspaceOf('line: RLRL\nunder: @1/4 H\nunder fill: @1/8 KJ')
    one.markLayer({ layer: 1, tick: 0 })
    keys(one, '>')
    expect(under(one)).toEqual(['@1/4 H', '@1/8 >KJ'])
    keys(one, '>')
    one.insert()
    expect(under(one)).toEqual(['@1/4 H', '@1/8 -KJ'])
    one.remove(false)
    one.markLayer({ layer: 0, tick: 0 })
    one.remove(false)
    expect([under(one), one.state().row, one.state().layer]).toEqual([
      ['@1/8 KJ'],
      'sticking',
      null,
    ])
  })

  it('move within the layer, and from row to row', () => {
    const one = workspaceOf('line: RLRL\nunder: @1/4 H')
    one.mark(2, 2)
    one.stepRow(1)
    one.stepRow(1)
    expect([one.state().row, one.state().layer]).toEqual(['layer', { layer: 0, tick: 0 }])
    one.step(1, 'slot', false)
    expect(one.state().layer?.tick).toBe(10080)
    one.stepRow(1)
    expect(one.state().row).toBe('layer')
    one.stepRow(-1)
    expect([one.state().row, one.state().layer]).toEqual(['voices', null])
  })
})
