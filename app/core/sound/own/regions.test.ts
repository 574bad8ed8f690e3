import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { regionFor, type SampleRegion } from '.'

const region = (file: string, more: Partial<SampleRegion> = {}): SampleRegion => ({
  ...{ surface: 'sn', file, least: 1, most: 127, gain: 1, speed: 1, offset: 0, turn: 0, turns: 1 },
  ...more,
})
const heard = (regions: readonly SampleRegion[], velocity: number, strokes: number) =>
  Array.from({ length: strokes }, (_, nth) => regionFor(regions, 'sn', velocity, nth)?.file)

describe('the region of a stroke', () => {
  it('holds its velocity, or is nearest to it', () => {
    const regions = [region('soft', { least: 1, most: 60 }), region('hard', { least: 90 })]
    expect([1, 60, 74, 76, 90, 127].map((one) => regionFor(regions, 'sn', one, 0)?.file)).toEqual([
      'soft',
      'soft',
      'soft',
      'hard',
      'hard',
      'hard',
    ])
    expect(regionFor(regions, 't1', 80, 0)).toBeUndefined()
  })

  it('takes its turn', () => {
    const turns = [0, 1, 2].map((turn) => region(`turn ${turn}`, { turn, turns: 3 }))
    expect(heard(turns, 80, 4)).toEqual(['turn 0', 'turn 1', 'turn 2', 'turn 0'])
    // A turn that nobody takes is another's.
    expect(heard(turns.slice(0, 2), 80, 3)).toEqual(['turn 0', 'turn 1', 'turn 0'])
  })

  it('is never the same twice in a row where there are two alike (law)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 6 }),
        fc.integer({ min: 1, max: 127 }),
        (count, velocity) => {
          const alike = Array.from({ length: count }, (_, i) => region(`${i}`))
          const files = heard(alike, velocity, 20)
          for (const [i, file] of files.entries()) if (i > 0) expect(file).not.toBe(files[i - 1])
        },
      ),
    )
  })
})
