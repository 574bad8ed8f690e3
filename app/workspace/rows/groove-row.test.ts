import { describe, expect, it } from 'vitest'
import { findOwnGrooves } from '~/codecs/lick-text'
import { type Groove, grooveEvents, toOwnGrooves } from '~/core/groove'
import { aimOf, frameTicks, strokeEvents } from '~/core/line'
import { findGrid } from '~/core/time'
import { workspaceOf } from '../../../tests/support/workspace'
import { addLayer, scopeOstinato } from '../edits/pattern-edits'
import type { Workspace } from '../workspace'
import { regridMarked, scopeMarked, strikePattern, typePattern } from './pattern-row'
import { insertInRow, pressInRow, removeInRow } from './rows'

/** The grooves that a lick can be played with: those that its text carries. */
function groovesOf({ lick }: Workspace): Groove[] {
  return toOwnGrooves(findOwnGrooves(lick.unknown)).map((groove) => ({ ...groove, carried: true }))
}

const type = (one: Workspace, typed: string) => {
  for (const key of typed) typePattern(one, key, groovesOf(one))
}
const bar = (one: Workspace) => groovesOf(one)[0]?.bars['4/4']?.line

describe('keys in the row of the groove', () => {
  it('change a copy that the text of the lick carries, undone like anything else', () => {
    const one = workspaceOf('line: RLRL')
    one.editRow({ pattern: 'groove', tick: 5040 })
    type(one, 'K')
    const [carried] = groovesOf(one)
    expect([one.lick.frame.groove, carried?.name]).toEqual([carried?.id, 'Eighths, changed'])
    expect(bar(one)).toBe('(R:hhK)K(R:hhL)R:hh (R:hhK)R:hh(R:hhL)R:hh')
    expect(one.place).toEqual({ pattern: 'groove', tick: 10080 })
    type(one, '-')
    expect(bar(one)).toBe('(R:hhK)K-R:hh (R:hhK)R:hh(R:hhL)R:hh')
    expect(groovesOf(one)).toHaveLength(1)
    one.travel('undo')
    one.travel('undo')
    expect([one.lick.frame.groove, one.lick.unknown]).toEqual(['eighths', []])
  })

  it('leave a hand on the drum that it has, take a drum by its number, and add limbs', () => {
    const one = workspaceOf('line: RLRL')
    one.editRow({ pattern: 'groove', tick: 0 })
    type(one, 'RL')
    expect(bar(one)?.startsWith('R:hhL(R:hhL)')).toBe(true)
    one.editRow({ pattern: 'groove', tick: 0 })
    strikePattern(one, 'rd', groovesOf(one))
    expect(bar(one)?.startsWith('R:rdL')).toBe(true)
    one.editRow({ pattern: 'groove', tick: 0 })
    type(one, '(K')
    expect(bar(one)?.startsWith('(R:rdK)L')).toBe(true)
    pressInRow(one, '>', groovesOf(one))
    expect(one.place).toEqual({ pattern: 'groove', tick: 0 })
    expect(bar(one)?.startsWith('(>R:rd>K)L')).toBe(true)
  })

  it('keep it one bar: a slot is emptied, none is opened', () => {
    const one = workspaceOf('line: RLRL')
    one.editRow({ pattern: 'groove', tick: 35280 })
    removeInRow(one, false, groovesOf(one))
    expect(bar(one)).toBe('(R:hhK)R:hh(R:hhL)R:hh (R:hhK)R:hh(R:hhL)-')
    insertInRow(one, groovesOf(one))
    expect(one.state().notice?.message).toMatch(/one bar/)
  })

  it('go to a finer grid at the same instants, and to a coarser one where all lie on it', () => {
    const one = workspaceOf('line: RLRL')
    const events = () => grooveEvents(one.lick.frame.groove, one.lick.frame.meter, groovesOf(one))
    const before = events().map(({ tick, limb, surface }) => [tick, limb, surface])
    one.editRow({ pattern: 'groove', tick: 10080 })
    const grid = (name: string) => findGrid(name) ?? one.lick.frame.grid
    regridMarked(one, grid('1/16'), groovesOf(one))
    expect(groovesOf(one)[0]?.bars['4/4']?.grid).toBe('1/16')
    expect(events().map(({ tick, limb, surface }) => [tick, limb, surface])).toEqual(before)
    expect(one.place).toEqual({ pattern: 'groove', tick: 10080 })
    regridMarked(one, grid('1/4'), groovesOf(one))
    expect(one.state().notice?.message).toMatch(/do not lie on quarters/)
  })
})

describe('a layer under the groove alone', () => {
  const layered = (text: string) => {
    const one = workspaceOf(text)
    const made = addLayer(one.lick, '@1/4 H', 'Feet')
    if (made) one.edit(made)
    return one
  }

  it('sounds from the lead-in until the groove falls silent', () => {
    const one = layered('start: 3\nlead: 1\nline: RLRL*2')
    one.edit(scopeOstinato(one.lick, 0, 'groove'))
    expect(one.document.history.text).toContain('under groove: @1/4 H')
    const { bar: barTicks } = frameTicks(one.lick.frame)
    const own = strokeEvents(one.lick).filter(({ layer }) => layer === 1)
    expect(own.map(({ tick }) => tick)).toEqual([0, 1, 2, 3, 4, 5].map((n) => n * 10080 - barTicks))
  })

  it('keeps the keys where its row becomes another one', () => {
    const one = layered('line: RLRL*4')
    const second = addLayer(one.lick, '@1/8 KK', 'Kicks')
    if (second) one.edit(second)
    one.editRow({ pattern: 0, tick: 10080 })
    scopeMarked(one, 'groove', [])
    expect(one.lick.ostinatos.map(({ scope }) => scope)).toEqual(['all', 'groove'])
    expect(one.place).toEqual({ pattern: 1, tick: 10080 })
    type(one, 'K')
    expect(one.document.history.text).toContain('under groove: @1/4 K')
  })

  it('is together with one under the fill what sounds under both', () => {
    const both = layered('start: 2&\nline: RLRLR RLK RL')
    const ticksOf = (scope: 'all' | 'fill' | 'groove') => {
      const { lick } = scopeOstinato(both.lick, 0, scope)
      return strokeEvents(lick).flatMap(({ layer, tick }) => (layer === 1 ? [tick] : []))
    }
    expect([...ticksOf('groove'), ...ticksOf('fill')]).toEqual(ticksOf('all'))
    expect(ticksOf('all').at(-1)).toBeLessThan(aimOf(both.lick).target)
  })
})
