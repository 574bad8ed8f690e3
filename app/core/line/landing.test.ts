import { describe, expect, it } from 'vitest'
import { lickOf } from '../../../tests/support/licks'
import { toPerformance } from '../performance'
import { aimOf, landingStrokes, lineEvents, pickupEvents, pickupGrid, strokeEvents, sumOf } from '.'

describe('a landing that is chosen (C63)', () => {
  it.each([
    ['grid: 1/32\nstart: 3\nlanding: last beat\nline: RLRLRLRLR', 9, 9, 30240],
    ['grid: 1/32\nstart: 3\nlanding: last beat\nline: RLRLRLRL', 8, 9, 30240],
    ['grid: 1/8t\nstart: 3\nlanding: last\nline: RLK RLK L', 7, 7, 40320],
  ])('is the line’s own last slot: %s', (text, used, available, target) => {
    const lick = lickOf(text)
    const sum = sumOf(lick)
    expect([sum.used.slots, sum.available.slots, aimOf(lick).target]).toEqual([
      used,
      available,
      target,
    ])
    if (used === available) expect(lineEvents(lick).at(-1)?.tick).toBe(target)
    // It lands by itself: nothing is added.
    expect(landingStrokes(lick)).toEqual([])
  })

  it('is any slot of the notation, at the downbeat aimed at', () => {
    const lick = lickOf('landing: (>L:c1K)\nline: RLRL*4')
    expect(landingStrokes(lick)).toMatchObject([
      { limb: 'LH', surface: 'c1', tick: 40320, dynamic: 'accent', slot: 16 },
      { limb: 'RF', surface: 'bd', tick: 40320 },
    ])
    const sounds = toPerformance(lickOf('lead: 0\nlanding: R:f1\nline: RLRL*4'), {
      loop: true,
      countIn: false,
    })
      .round(1)
      .filter(({ kind, tick }) => kind === 'stroke' && tick === 0)
    expect(sounds).toContainEqual(expect.objectContaining({ surface: 'f1', limb: 'RH' }))
  })

  it('is choked an eighth later where it says so', () => {
    const { ending } = toPerformance(lickOf('lead: 0\nlanding: R:c1 choke\nline: RLRL*4'), {
      loop: false,
      countIn: false,
    })
    expect(ending.map(({ kind, tick }) => [kind, tick])).toEqual([
      ['stroke', 0],
      ['choke', 5040],
    ])
  })
})

describe('a pickup (C64)', () => {
  it('ends where the line starts', () => {
    const lick = lickOf('start: 1\npickup: R:f1L:f1\nline: R')
    expect(strokeEvents(lick).map(({ tick, layer }) => [tick, layer])).toEqual([
      [-5040, 0],
      [-2520, 0],
      [0, 0],
    ])
    expect(sumOf(lick).used.slots).toBe(1)
  })

  it('has a grid of its own where one stands before it', () => {
    const lick = lickOf('grid: 1/16\nstart: 2\npickup: @1/8t RLR\nline: RLRL')
    expect(pickupEvents(lick).map(({ tick, grid }) => [tick, grid])).toEqual(
      [0, 3360, 6720].map((tick) => [tick, { value: 8, tuplet: 't' }]),
    )
    expect(pickupGrid(lickOf('grid: 1/8t\npickup: @1/8t RL\nline: R')).value).toBe(8)
  })

  it('is heard before the first time only', () => {
    const performance = toPerformance(lickOf('lead: 0\nstart: 3\npickup: R:f1L:f1\nline: RLRL*2'), {
      loop: true,
      countIn: false,
    })
    const floorToms = (round: number) =>
      performance.round(round).filter((event) => event.kind === 'stroke' && event.surface === 'f1')
        .length
    expect([floorToms(0), floorToms(1), floorToms(2)]).toEqual([2, 0, 0])
  })
})
