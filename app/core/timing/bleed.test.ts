import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bleedOf, clicksAmong } from '.'

const CLICKS = [0, 600, 1200, 1800]
const sounds = (...all: (readonly [ms: number, attackDb: number])[]) =>
  all.map(([ms, attackDb]) => ({ ms, attackDb }))

describe('the app’s own click at a microphone', () => {
  it('is learnt in a count-in, where sounds follow it steadily', () => {
    expect(bleedOf(CLICKS, sounds([41, -33], [640, -31], [1242, -32], [1841, -31]))).toEqual({
      delayMs: 41,
      attackDb: -31,
    })
    // Headphones; a player who warms up; a count-in of which too little is heard.
    expect(bleedOf(CLICKS, [])).toBeNull()
    expect(bleedOf(CLICKS, sounds([10, -20], [700, -20], [1420, -20], [1815, -20]))).toBeNull()
    expect(bleedOf(CLICKS, sounds([41, -33], [640, -31]))).toBeNull()
    expect(bleedOf([], [])).toBeNull()
  })

  it('is told from strokes by its place and its attack', () => {
    const bleed = { delayMs: 41, attackDb: -31 }
    const heard = sounds([41, -31], [300, -14], [642, -20], [1240, -30])
    const { sounds: own, clicks } = clicksAmong(CLICKS, heard, bleed)
    // Strokes all alike are a player who went along with the count-in, however steadily.
    const along = clicksAmong(CLICKS, sounds([41, -31], [300, -31], [641, -31], [900, -30]), bleed)
    expect([along.sounds.size, along.clicks.size]).toEqual([0, 0])
    // The one between clicks and the loud one on a click are the player's.
    expect([[...own], [...clicks]]).toEqual([
      [0, 3],
      [0, 2],
    ])
  })

  it('takes each sound for one click at the most, and none that is too sharp or out of place (law)', () => {
    const bleed = { delayMs: 30, attackDb: -30 }
    const some = fc.array(
      fc.record({
        ms: fc.integer({ min: 0, max: 2000 }),
        attackDb: fc.integer({ min: -60, max: 0 }),
      }),
      { maxLength: 20 },
    )
    fc.assert(
      fc.property(some, (heard) => {
        const { sounds: own, clicks } = clicksAmong(CLICKS, heard, bleed)
        expect(own.size).toBe(clicks.size)
        for (const at of own) {
          const { ms, attackDb } = heard[at] as (typeof heard)[number]
          expect(attackDb).toBeLessThanOrEqual(-24)
          expect(CLICKS.some((click) => Math.abs(ms - click - 30) <= 8)).toBe(true)
        }
      }),
    )
  })
})
