import fc from 'fast-check'
import { describe, expect, it, test } from 'vitest'
import {
  ALL_GRIDS,
  barTicks,
  beatsPerBar,
  beatTicks,
  COUNTING_SYSTEMS,
  countSyllable,
  findGrid,
  findMeter,
  findPlace,
  type Grid,
  gridName,
  gridTicks,
  groupStarts,
  isCompound,
  type Meter,
  meterName,
  placeName,
  straightenedTick,
  swungTick,
} from '.'

const grid = (name: string) => findGrid(name) as Grid
const meter = (name: string) => findMeter(name) as Meter

describe('grids', () => {
  test.each([
    ['1/4', 10080],
    ['1/16', 2520],
    ['1/32', 1260],
    ['1/64', 630],
    ['1/8t', 3360],
    ['1/16t', 1680],
    ['1/32t', 840],
    ['1/16q', 2016],
    ['1/32q', 1008],
    ['1/16s', 1440],
    ['1/32n', 1120],
  ])('%s is %i ticks', (name, ticks) => expect(gridTicks(grid(name))).toBe(ticks))

  it('are whole ticks and are named as they are typed', () => {
    for (const one of ALL_GRIDS) {
      expect(Number.isInteger(gridTicks(one))).toBe(true)
      expect(findGrid(gridName(one))).toEqual(one)
    }
    expect(new Set(ALL_GRIDS.map(gridName)).size).toBe(25)
  })
})

describe('metres', () => {
  test.each([
    ['4/4', '1+1+1+1', 40320, 10080],
    ['6/8', '3+3', 30240, 15120],
    ['9/8', '3+3+3', 45360, 15120],
    ['7/8', '2+2+3', 35280, 5040],
    ['5/8', '2+3', 25200, 5040],
    ['3/8', '3', 15120, 5040],
    ['8/8', '2+2+2+2', 40320, 5040],
    ['15/16', '3+3+3+3+3', 37800, 7560],
    ['3/2', '1+1+1', 60480, 20160],
    ['6/8 2+2+2', '2+2+2', 30240, 5040],
  ])('%s groups as %s', (name, groups, bar, beat) => {
    const found = meter(name)
    expect([found.groups.join('+'), barTicks(found), beatTicks(found)]).toEqual([groups, bar, beat])
    expect(meterName(found)).toBe(name)
  })

  it('drop a grouping that is the usual one, and refuse one that does not add up', () => {
    expect(meterName(meter('7/8 2+2+3'))).toBe('7/8')
    expect(findMeter('7/8 2+2+2')).toBeUndefined()
    expect(findMeter('4/5')).toBeUndefined()
    expect(groupStarts(meter('7/8 3+2+2'))).toEqual([0, 15120, 25200])
    expect(isCompound(meter('3/8'))).toBe(false)
  })
})

describe('places', () => {
  test.each([
    ['2a', '3/4', 17640],
    ['3a', '5/4', 27720],
    ['2&', '4/4', 15120],
    ['4trip', '4/4', 33600],
    ['3+1/6', '4/4', 21840],
    ['2', '6/8', 15120],
    ['2', '7/8', 5040],
  ])('%s in %s is tick %i', (place, name, tick) => {
    expect(findPlace(place, meter(name))).toBe(tick)
    expect(placeName(tick, meter(name))).toBe(place)
  })

  it('come back from their names, wherever they lie (law)', () => {
    const metres = fc.constantFrom('4/4', '6/8', '7/8', '3/2', '5/16')
    fc.assert(
      fc.property(metres, fc.nat(60_479), (name, tick) => {
        const within = meter(name)
        const at = tick % barTicks(within)
        expect(findPlace(placeName(at, within), within)).toBe(at)
      }),
    )
  })

  test.each(['0', '5', '4+3/3', '2+1/0', '1+1/11', 'x', '1 &'])('%s is no place in 4/4', (place) =>
    expect(findPlace(place, meter('4/4'))).toBeUndefined(),
  )
})

describe('counting', () => {
  test.each([
    ['1/16', '2 e & a'],
    ['1/8t', '2 trip let'],
    ['1/16t', '2 trip let & trip let'],
    ['1/16q', '2 2 3 4 5'],
    ['1/16s', '2 2 3 4 5 6 7'],
    ['1/32', '2 . e . & . a .'],
    ['1/4', '2'],
  ])('%s on beat 2 is %s', (name, words) => {
    const slot = gridTicks(grid(name))
    const said = words
      .split(' ')
      .map((_, i) => countSyllable(10080 + i * slot, grid(name), meter('4/4')))
    expect(said.join(' ')).toBe(words)
  })

  it('says so where no syllable names a slot, and counts bar after bar', () => {
    expect(countSyllable(5040, grid('1/8t'), meter('4/4'))).toBe('?')
    expect(countSyllable(40320 + 12600, grid('1/16'), meter('4/4'))).toBe('e')
    expect(countSyllable(-2520, grid('1/16'), meter('4/4'))).toBe('a')
    expect(countSyllable(17640, grid('1/16'), meter('6/8'))).toBe('trip')
  })

  it('has as many words in every counting as the beat has slots', () => {
    for (const { syllables } of COUNTING_SYSTEMS) {
      for (const [slots, words] of Object.entries(syllables)) {
        expect(words.split(' ').length).toBe(Number(slots))
      }
    }
  })
})

describe('swing', () => {
  const sixty = { percent: 60, pairs: 8 } as const
  test.each([
    [5040, 6048, sixty, '1/8'],
    [16128 - 1008, 16128, sixty, '1/16'],
    [2520, 3024, { percent: 60, pairs: 16 }, '1/16'],
    [3360, 3360, sixty, '1/8t'],
    [10080, 10080, sixty, '1/16'],
    [2520, 3024, sixty, '1/16'],
  ] as const)('puts %i at %i', (tick, sounding, swing, name) =>
    expect(swungTick(tick, grid(name), swing, meter('4/4'))).toBe(sounding),
  )

  it('leaves a last half without a partner straight', () => {
    expect(swungTick(30240 + 2520, grid('1/16'), sixty, meter('7/8'))).toBe(32760)
  })

  it.each([
    ['1/8t', [0, 5040, 7560, 10080]],
    ['1/16t', [0, 2520, 3780, 5040]],
    ['1/8', [0, 5040, 10080, 15120]],
    ['1/16q', [0, 2016, 4032, 6048]],
  ] as const)('leans in threes of %s, and nothing else', (name, sounding) => {
    const at = (i: number) =>
      swungTick(
        i * gridTicks(grid(name)),
        grid(name),
        { percent: 50, pairs: 8, lean: 50 },
        meter('4/4'),
      )
    expect([0, 1, 2, 3].map(at)).toEqual(sounding)
  })

  it('is taken back exactly, on every grid that it moves (law)', () => {
    fc.assert(
      fc.property(
        fc.nat(80_000),
        fc.integer({ min: 50, max: 75 }),
        fc.integer({ min: 34, max: 66 }),
        fc.constantFrom('1/8', '1/16', '1/8t', '1/16t', '1/4t', '1/16q'),
        fc.constantFrom('4/4', '7/8', '3/4', '6/8'),
        (tick, percent, lean, name, metre) => {
          const feel = { swing: { percent, pairs: 8, lean } as const, meter: meter(metre) }
          const sounds = swungTick(tick, grid(name), feel.swing, feel.meter)
          expect(Math.abs(straightenedTick(sounds, grid(name), feel) - tick)).toBeLessThan(1.5)
        },
      ),
    )
  })

  it('never changes the order of strokes, nor a pair (law)', () => {
    fc.assert(
      fc.property(
        fc.nat(80_000),
        fc.integer({ min: 50, max: 75 }),
        fc.constantFrom(8 as const, 16 as const),
        (tick, percent, pairs) => {
          const at = (t: number) => swungTick(t, grid('1/64'), { percent, pairs }, meter('4/4'))
          expect(at(tick + 2)).toBeGreaterThan(at(tick))
          const pair = pairs === 8 ? 10080 : 5040
          expect(at(Math.floor(tick / pair) * pair)).toBe(Math.floor(tick / pair) * pair)
        },
      ),
    )
  })
})

it('every metre has whole beats', () => {
  for (const name of ['4/4', '6/8', '7/8', '15/16', '5/8', '12/8']) {
    expect(Number.isInteger(beatsPerBar(meter(name)))).toBe(true)
  }
})
