import fc from 'fast-check'
import { describe, expect, it, test } from 'vitest'
import { formatSlot } from '../notation'
import { ALL_GRIDS, gridTicks, toMeter } from '../time'
import { type DrumPart, findVoice, partToLick } from '.'
import { EXACT, findGapGrids, findGrids, partsOf } from './grids'

const instrument = (key: string, voice: DrumPart['instruments'][number]['voice']) => ({
  key,
  name: key,
  midi: null,
  place: null,
  voice,
})

/** A part of taps in milliseconds at a tempo, each on an instrument. */
function played(
  tempo: number,
  taps: readonly (readonly [ms: number, on: string, level?: 'ghost' | 'tap' | 'accent'])[],
): DrumPart {
  const perMs = (10080 * tempo) / 60_000
  return {
    title: 'taps',
    tempo,
    meter: toMeter(4, 4),
    notes: taps.map(([ms, on, level = 'tap']) => ({
      tick: ms * perMs,
      instrument: on,
      level,
      letter: null,
      grace: false,
    })),
    instruments: [
      instrument('sn', 'sn'),
      instrument('bd', 'bd'),
      instrument('t1', 't1'),
      instrument('c1', 'c1'),
      instrument('odd', null),
    ],
    exact: false,
    resolution: 1,
    leftOut: [],
  }
}
const slots = (part: DrumPart, wish = {}) =>
  partToLick(part, wish)
    .lick.line.slots.map((slot) => formatSlot(slot))
    .join(' ')

describe('a played part', () => {
  it('finds the coarsest grid that explains the taps, with each error (C70)', () => {
    const part = played(100, [
      [3, 'sn'],
      [149, 'sn'],
      [305, 'bd'],
      [451, 'sn'],
      [615, 'sn'],
      [740, 'bd'],
    ])
    const { lick, offsetsMs } = partToLick(part)
    expect(lick.frame.grid).toEqual({ value: 16, tuplet: null })
    expect(slots(part)).toBe('R L K L R K')
    expect(offsetsMs).toEqual([3, -1, 5, 1, 15, -10])
  })

  it('puts a soft stroke just before a louder one to it as a grace, and what is together together', () => {
    const part = played(100, [
      [0, 'sn'],
      [121, 'sn', 'ghost'],
      [151, 'sn', 'accent'],
      [300, 'sn'],
      [304, 'bd'],
      [450, 'sn'],
    ])
    const { lick } = partToLick(part)
    expect(lick.line.slots[1]).toMatchObject({
      strokes: [{ graces: 1, level: 'accent' }],
    })
    expect(lick.line.slots[2]).toMatchObject({ strokes: [{}, { letter: 'K' }] })
  })

  it('can be laid on another grid; strokes that share a slot of it do so in their order', () => {
    const part = played(100, [
      [0, 'sn'],
      [150, 'sn'],
      [300, 'bd'],
      [450, 'sn'],
    ])
    const eighth = partToLick(part, { grid: { value: 8, tuplet: null } })
    expect(eighth.lick.line.slots.map(({ kind }) => kind)).toEqual(['squeeze', 'squeeze'])
    expect(eighth.offsetsMs.every((off) => off === 0)).toBe(true)
  })

  it('takes a crash on the last barline as the landing, and leaves out what has no drum', () => {
    const part = played(60, [
      [0, 'sn'],
      [1000, 'odd'],
      [2000, 'bd'],
      [4000, 'c1', 'accent'],
      [4000, 'bd', 'accent'],
    ])
    const { lick, leftOut } = partToLick(part)
    expect(lick.frame.landing).toMatchObject({ kind: 'crash', at: 'bar' })
    expect(lick.line.slots).toHaveLength(4)
    expect(leftOut).toEqual(['odd: 1 stroke.'])
    const mapped = partToLick(part, { voices: new Map([['odd', 'cb']]) })
    expect(mapped.leftOut).toEqual([])
    expect(partToLick(part, { voices: new Map([['bd', null]]) }).leftOut).toHaveLength(2)
  })

  it('takes a crash just off the barline as a stroke where it is written, and as the landing where it is played', () => {
    // A sixty-fourth of a septuplet before the barline: 27 ms, which a player may be early, and on its slot.
    const slot = 750 / 28
    const written = played(80, [
      [2250, 'sn'],
      [3000 - slot, 'c1'],
    ])
    expect(partToLick(written)).toMatchObject({
      offsetsMs: [0, 0],
      lick: { frame: { landing: { kind: 'none' } } },
    })
    const early = played(60, [
      [0, 'sn'],
      [1010, 'sn'],
      [1991, 'sn'],
      [3985, 'c1', 'accent'],
      [3987, 'bd', 'accent'],
    ])
    expect(partToLick(early)).toMatchObject({
      offsetsMs: [0, 10, -9, -15],
      lick: { frame: { landing: { kind: 'crash', at: 'bar' } } },
    })
  })

  it('leaves out a third hand, and tells it', () => {
    const part = played(100, [
      [0, 'sn'],
      [0, 't1'],
      [0, 'c1'],
      [150, 'sn'],
    ])
    expect(partToLick(part).leftOut).toEqual([
      '1 stroke that two hands and two feet cannot add at one time.',
    ])
  })

  it('is an empty lick where nothing is struck', () => {
    expect(partToLick(played(100, [])).lick.line.slots).toEqual([])
  })
})

describe('grids', () => {
  test.each([
    [[0, 3360, 6720], '8t'],
    [[0, 2520, 5040, 7560], '16'],
    [[0, 2016, 4032, 6048, 8064], '16q'],
    [[0, 5040], '8'],
    [[0], '4'],
  ])('%j are 1/%s', (onsets, name) => {
    const { stretches, explained } = findGrids(onsets, 10080, EXACT)
    const [only, ...more] = stretches
    expect([explained, more.length]).toEqual([true, 0])
    expect(`${only?.grid.value}${only?.grid.tuplet ?? ''}`).toBe(name)
  })

  it('explain to the tick what is written on any grid that fills a beat (law)', () => {
    const beats = ALL_GRIDS.filter((grid) => 10080 % gridTicks(grid) === 0)
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom(...beats), fc.infiniteStream(fc.boolean())), {
          minLength: 1,
          maxLength: 4,
        }),
        (given) => {
          const onsets = given.flatMap(([grid, struck], beat) =>
            Array.from(
              { length: 10080 / gridTicks(grid) },
              (_, i) => beat * 10080 + i * gridTicks(grid),
            ).filter(() => struck.next().value === true),
          )
          const { stretches, explained } = findGrids(onsets, given.length * 10080, EXACT)
          expect(explained).toBe(true)
          expect(stretches.reduce((sum, { from, to }) => sum + to - from, 0)).toBe(
            given.length * 10080,
          )
          const slotsOf = stretches.reduce(
            (sum, { from, to, grid }) => sum + (to - from) / gridTicks(grid),
            0,
          )
          const written = given.reduce((sum, [grid]) => sum + 10080 / gridTicks(grid), 0)
          // Never with more slots than it was written with, but for changes of grid that are saved.
          expect(slotsOf).toBeLessThanOrEqual(written + 6 * 2 * given.length)
        },
      ),
      { numRuns: 60 },
    )
  })

  it('explain a line of 64 bars of thirty-seconds as they do one bar', () => {
    const onsets = Array.from({ length: 64 * 32 }, (_, i) => i * 1260)
    const { stretches, explained } = findGrids(onsets, 64 * 40320, EXACT)
    expect([explained, stretches.length, stretches[0]?.grid.value]).toEqual([true, 1, 32])
  })

  it('go from stroke to stroke where a beat has several', () => {
    const found = findGapGrids([0, 1260, 2700, 4140])
    expect(found?.stretches.map(({ grid }) => `${grid.value}${grid.tuplet ?? ''}`)).toEqual([
      '32',
      '16s',
    ])
    expect(findGapGrids([0, 11])).toBeUndefined()
  })

  it('find the fewest equal parts of a slot', () => {
    expect(partsOf([0, 840, 1680], 0, 2520, EXACT)).toMatchObject({ count: 3, places: [0, 1, 2] })
    expect(partsOf([0, 403, 806, 1209, 1612], 0, 2016, EXACT)).toMatchObject({ count: 5 })
    expect(partsOf([0, 17], 0, 2520, EXACT)).toBeUndefined()
  })
})

describe('instruments', () => {
  const bare = { name: '', midi: null, place: null }
  test.each([
    [{ midi: 38 }, 'sn'],
    [{ midi: 59 }, 'rd'],
    [{ name: 'Floor Tom' }, 'f1'],
    [{ name: 'Closed Hi-Hat' }, 'hh'],
    [{ name: 'Hi-hat foot' }, 'hf'],
    [{ name: 'Kick' }, 'bd'],
    [{ name: 'Second Snare' }, 's2'],
    [{ place: { step: 9, shape: 'cross' as const } }, 'hh'],
    [{ midi: 81 }, null],
  ])('%j is %s', (told, voice) => expect(findVoice({ ...bare, ...told })).toBe(voice))
})
