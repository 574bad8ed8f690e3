import { describe, expect, it } from 'vitest'
import { findMeter, toMeter } from '../time'
import {
  GROOVES,
  type Groove,
  grooveBar,
  grooveEvents,
  hasGroove,
  parseGrooveBar,
  toGroove,
} from '.'

const FOUR = toMeter(4, 4)
const SAWDUST: Groove = {
  id: 'own-sawdust',
  name: 'Sawdust',
  keeper: 'hh',
  bars: { '4/4': { grid: '1/16', line: '(R:hhK)---R:hh-K- (R:hhL)---R:hh---' } },
}

describe('a groove of one’s own', () => {
  it('sounds where it was written', () => {
    const at = (surface: string) =>
      grooveEvents(SAWDUST.id, FOUR, [SAWDUST])
        .filter((event) => event.surface === surface)
        .map(({ tick }) => tick / 2520)
    expect([at('hh'), at('bd'), at('sn')]).toEqual([[0, 4, 8, 12], [0, 6], [8]])
  })

  it('is known only where it is given, and plays plainly in another metre', () => {
    expect([hasGroove(SAWDUST.id), hasGroove(SAWDUST.id, [SAWDUST])]).toEqual([false, true])
    expect(toGroove(SAWDUST.id)).toBe(GROOVES[0])
    expect(grooveBar(SAWDUST, toMeter(5, 8)).line).toBe('(R:hhK)R:hh(R:hhL)R:hhR:hh')
  })

  it.each([
    ['1/8', 'RLRLRLRL', ''],
    ['1/8', 'RLRLRLR', '1 slot missing'],
    ['1/8t', 'RLRLRLRLRLRLR', '1 slot too many'],
    ['1/8', 'RLRQ', /^at character 4: expected /],
    ['1/9', 'R', 'there is no grid 1/9'],
    ['1/8', '', '8 slots missing'],
  ])('@%s %s: %s', (grid, line, expected) => {
    const read = parseGrooveBar({ grid, line }, FOUR)
    const said = read.ok ? '' : read.error
    if (typeof expected === 'string') expect(said).toBe(expected)
    else expect(said).toMatch(expected)
  })
})

describe('grooves and the grouping of beats', () => {
  const snares = (metre: string) => {
    const meter = findMeter(metre)
    if (!meter) throw new Error(metre)
    return grooveEvents('eighths', meter)
      .filter(({ surface, dynamic }) => surface === 'sn' && dynamic !== 'ghost')
      .map(({ tick }) => tick / 5040)
  }

  it('follow it: the groups of 7/8, 9/8 and 6/8 are heard', () => {
    expect(snares('7/8 3+2+2')).not.toEqual(snares('7/8'))
    expect(snares('9/8 2+2+2+3')).not.toEqual(snares('9/8'))
    expect(snares('6/8 2+2+2')).not.toEqual(snares('6/8'))
  })
})
