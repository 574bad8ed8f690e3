import { describe, expect, it } from 'vitest'
import { frameTicks } from '~/core/line'
import { COUNTING_SYSTEMS, countSyllable, gridTicks, toCounting, UNNAMED_COUNT } from '~/core/time'
import { lickOf } from '../../tests/support/licks'
import { ordinal, pickupPlace, placeIn, placeOn, placesIn, spokenPlace, startPlace } from './places'

const METRES = ['4/4', '3/4', '6/8', '9/8', '12/8', '7/8', '7/8 3+2+2', '5/8', '15/16', '3/2']
const GRIDS = ['1/4', '1/8', '1/8t', '1/16', '1/16q', '1/16t', '1/16s', '1/32', '1/32n', '1/64']
const SYSTEMS = COUNTING_SYSTEMS.flatMap(({ id }) =>
  [true, false].flatMap((inUnits) =>
    [true, false].map((byGroups) => toCounting(id, { inUnits, byGroups })),
  ),
)
const six = lickOf('meter: 6/8\ngrid: 1/16\nstart: 1\nlanding: none\nline: RLRLRLRLRLRL')
const inEighths = toCounting('e-and-a', { inUnits: true, byGroups: false })

describe('the name of a place', () => {
  it('in 6/8 is as it is counted there, in beats or in eighths', () => {
    const names = (counting = COUNTING_SYSTEMS[0]) =>
      Array.from({ length: 12 }, (_, i) => placeIn(six, i * 2520, counting)).join(' | ')
    expect(names()).toBe(
      '1 | beat 1, 2nd | beat 1, 3rd | 1& | beat 1, 5th | beat 1, 6th | 2 | beat 2, 2nd | beat 2, 3rd | 2& | beat 2, 5th | beat 2, 6th',
    )
    expect(names(inEighths)).toBe('1 | 1& | 2 | 2& | 3 | 3& | 4 | 4& | 5 | 5& | 6 | 6&')
  })

  it('has the number and the syllable of the count, and no other place of the bar has it (law)', () => {
    for (const meter of METRES) {
      for (const grid of GRIDS) {
        const lick = lickOf(`meter: ${meter}\ngrid: ${grid}\nlanding: none\nline: R`)
        const { frame } = lick
        const step = gridTicks(frame.grid)
        for (const counting of SYSTEMS) {
          const names = new Set<string>()
          let slots = 0
          let beat = '1'
          for (let tick = 0; tick < frameTicks(frame).bar; tick += step) {
            const name = placeOn(lick, tick, frame.grid, counting)
            names.add(name)
            slots += 1
            const said = countSyllable(tick, frame.grid, frame.meter, counting)
            const [, number, syllable] = /^(\d+) ?(\D*)$/.exec(name) ?? []
            // Off the positions of its grid a place has no count, and its exact name.
            if (said === UNNAMED_COUNT) continue
            if (syllable) expect(said).toBe(syllable)
            else if (number && /^\d/.test(said) && !counting.byGroups) beat = said
            if (number && !counting.byGroups && /^\d/.test(said)) expect(number).toBe(beat)
          }
          expect([meter, grid, counting.id, names.size]).toEqual([meter, grid, counting.id, slots])
        }
      }
    }
  })

  it('is the same where a line starts as where its first stroke is', () => {
    for (let start = 0; start < frameTicks(six.frame).bar; start += 2520) {
      const lick = { ...six, frame: { ...six.frame, start } }
      for (const counting of SYSTEMS)
        expect(startPlace(lick, counting)).toBe(placeIn(lick, lick.frame.start, counting))
    }
  })

  it('is told of a pick-up, on its own grid and before which bar', () => {
    const begins = (head: string) => pickupPlace(lickOf(`${head}\nline: RLRL`))
    expect(begins('pickup: RL')).toBe('on the & of 4, before bar 1')
    expect(begins('pickup: @1/8t RL')).toBe('on the trip of 4, before bar 1')
    expect(begins('start: 2\npickup: @1/8 RL')).toBe('on 1')
    expect(begins('pickup: @1/4 RLRLR')).toBe('on 4, 2 bars before bar 1')
    expect(begins('start: 2')).toBe('')
  })

  it('is no riddle where nothing counts it: a third in sixteenths, a sixth', () => {
    const lick = lickOf('grid: 1/16\nline: RLRL')
    expect(placeIn(lick, 3 * 10080 + 6720)).toBe('4 let')
    expect(placeIn(lick, 10080 + 3360)).toBe('2 trip')
    expect(placeIn(lick, 20160 + 1680)).toBe('3 and 1/6 of a beat')
  })

  it('is said as people say it', () => {
    expect(spokenPlace('2&')).toBe('the & of 2')
    expect(spokenPlace('1 let')).toBe('the let of 1')
    expect(spokenPlace('beat 1, 2nd')).toBe('beat 1, 2nd')
    expect(placesIn(six, 2520, 2520 * 3)).toBe('1 (2nd to 4th)')
    expect(placesIn(six, 0, 2520 * 5, inEighths)).toBe('1 to 3&')
    expect([1, 2, 3, 4, 11, 12, 13, 21, 112].map(ordinal).join(' ')).toBe(
      '1st 2nd 3rd 4th 11th 12th 13th 21st 112th',
    )
  })
})
