import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { parseLickText, rewriteLick } from '~/codecs/lick-text'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { applyTransaction, toTransaction } from '../editing'
import { eventVelocity, type Lick, lineEvents, strokeVelocity } from '../line'
import { LEVELS } from '../sticking'
import { addSwell, plainStrokes, removeSwell } from '.'

const velocities = (lick: Lick) =>
  lineEvents(lick).map(({ slot, dynamic }) => strokeVelocity(dynamic, slot, lick.frame.swells))

const range = fc
  .tuple(fc.nat(40), fc.integer({ min: 1, max: 20 }))
  .map(([from, length]) => ({ from, to: from + length }))
const level = fc.constantFrom(...LEVELS)

describe('a swell over a span', () => {
  it('moves plain strokes evenly and leaves what is written (C21)', () => {
    const lick = addSwell(lickOf('RLRLR'), { from: 0, to: 5 }, 'ghost', 'accent')
    expect(velocities(lick)).toEqual([36, 55, 74, 93, 112])
    expect(lick.line).toEqual(lickOf('RLRLR').line)
  })

  it('leaves strokes with a level of their own, and counts the others', () => {
    const lick = lickOf('R>Ll{RL}-(RK)')
    expect(plainStrokes(lick, { from: 0, to: 6 })).toBe(5)
    expect(plainStrokes(lick, { from: 1, to: 3 })).toBe(0)
    expect(velocities(addSwell(lick, { from: 0, to: 6 }, 'soft', 'strong'))).toEqual([
      58, 112, 36, 98, 98, 124, 124,
    ])
  })

  it('takes the place of those wholly under it; others are heard beyond it', () => {
    const lick = lickOf('swell: 0..7 soft>tap\nswell: 3..4 ghost>accent\nline: RLRLRLRL')
    const swells = addSwell(lick, { from: 2, to: 6 }, 'tap', 'accent').frame.swells
    expect(swells.map(({ from, to }) => [from, to])).toEqual([
      [0, 7],
      [2, 5],
    ])
    expect(() => addSwell(lick, { from: 2, to: 2 }, 'tap', 'accent')).toThrow(RangeError)
  })

  it('changes the velocities of plain strokes within it and no others (law)', () => {
    fc.assert(
      fc.property(random.lick, range, level, level, (lick, over, start, end) => {
        const after = addSwell(lick, over, start, end)
        const [old, now] = [velocities(lick), velocities(after)]
        const alone = { ...lick, frame: { ...lick.frame, swells: after.frame.swells.slice(-1) } }
        for (const [i, { slot, dynamic }] of lineEvents(lick).entries()) {
          const within = slot >= over.from && slot < over.to && dynamic === 'tap'
          expect(now[i]).toBe(within ? velocities(alone)[i] : old[i])
        }
        const [added] = after.frame.swells.slice(-1)
        expect(added && removeSwell(after, added).frame.swells.includes(added)).toBe(false)
      }),
      { numRuns: 100 },
    )
  })

  it('is written into the text and read back', () => {
    const text = 'title: Roll\nline: RLRL RLRL\n'
    const reading = parseLickText(text)
    if (!reading.ok) throw new Error('the text is not read')
    const after = addSwell(reading.value.lick, { from: 4, to: 8 }, 'ghost', 'strong')
    const written = applyTransaction(
      text,
      toTransaction('swell', rewriteLick(text, reading.value, after)),
    )
    expect(written).toContain('swell: 4..7 ghost>strong')
    const again = parseLickText(written)
    expect(again.ok && again.value.lick.frame.swells).toEqual(after.frame.swells)
  })
})

describe('swells of squeezed strokes', () => {
  it('rise within the slot', () => {
    const lick = lickOf('swell: 0..3 ghost>accent\nline: {RL}{RL}{RL}{RL}')
    const velocities = lineEvents(lick).map((event) => eventVelocity(lick, event))
    expect(velocities).toEqual([...velocities].sort((a, b) => a - b))
    expect(new Set(velocities).size).toBeGreaterThan(4)
  })
})
