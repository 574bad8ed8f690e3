import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { frameTicks, type Lick, lickSlots } from '../line'
import { eventsBetween, soundsAt, strikesOf, toPerformance } from '../performance'
import { secondsPerTick } from '../time'
import { claimsOf, expectedStrokes, type HeardStroke, proposedRating, toldOf, toldOfRound } from '.'

/** The line of a lick as the app itself sounds it, graces and all, in milliseconds from the line's first slot. */
function performed(lick: Lick): HeardStroke[] {
  const { tempo, start, grid } = lick.frame
  const perTick = secondsPerTick(tempo, frameTicks(lick.frame).beat)
  const performance = toPerformance(lick, { loop: false, countIn: false })
  const { barlineTick, countInTicks, roundTicks, endingTicks } = performance
  const from = countInTicks + barlineTick + soundsAt(lick, start, lickSlots(lick)[0]?.grid ?? grid)
  return eventsBetween(performance, 0, countInTicks + roundTicks + endingTicks)
    .flatMap((event) => {
      if (event.kind !== 'stroke' || event.layer !== 0 || event.slot < 0) return []
      if (
        event.part === 'groove' ||
        (event.part === 'landing' && lick.frame.landing.kind !== 'last')
      )
        return []
      return strikesOf(event, perTick).map(({ limb, velocity, leadMs }) => ({
        ms: (event.tick - from) * perTick * 1000 - leadMs,
        limb,
        velocity,
      }))
    })
    .sort((a, b) => a.ms - b.ms)
}

/** Licks with a stroke,, in as many bars as they need. */
const sounding = random.lick
  .filter(({ line }) => line.slots.some(({ kind }) => kind !== 'rest'))
  .map((lick) => ({ ...lick, frame: { ...lick.frame, bars: null, lead: 0 } }))

describe('the app’s own performance, fed back', () => {
  it('is told as late by nothing where triplets lean', () => {
    const lick = lickOf('tempo: 100\ngrid: 1/8t\nswing: 50 lean 50\nline: RLRLRLRLRLRL')
    const told = toldOfRound(expectedStrokes(lick, 100), performed(lick), 0)
    expect(told.limbs.map(({ meanMs }) => Math.round(meanMs))).toEqual([0, 0])
  })

  it('is told as late by nothing where eighths swing', () => {
    const lick = lickOf('tempo: 100\ngrid: 1/8\nswing: 66\nline: RLRLRLRL')
    const told = toldOfRound(expectedStrokes(lick, 100), performed(lick), 0)
    expect(told.limbs.map(({ limb, meanMs }) => [limb, Math.round(meanMs)])).toEqual([
      ['RH', 0],
      ['LH', 0],
    ])
    // Played straight, it is early on the &s, by 96 ms.
    const straight = expectedStrokes(lickOf('tempo: 100\ngrid: 1/8\nline: RLRLRLRL'), 100)
    const early = toldOf(expectedStrokes(lick, 100), straight)
    expect(early.limbs.map(({ meanMs }) => Math.round(meanMs))).toEqual([0, -96])
  })

  it('is clean with every figure 0 (law)', () => {
    fc.assert(
      fc.property(sounding, fc.boolean(), (lick, limbs) => {
        const meant = expectedStrokes(lick, lick.frame.tempo)
        const heard = performed(lick).map(({ limb, ...one }) =>
          limbs && limb !== 'XH' && limb !== undefined ? { ...one, limb } : one,
        )
        for (const told of [toldOf(meant, heard), toldOfRound(meant, heard, 0)]) {
          const figures = [
            told.missed.length,
            told.extra.length,
            ...told.strokes.map(({ offsetMs }) => offsetMs),
            ...told.gaps.map(({ ratio }) => ratio - 1),
            ...told.levels.map(({ heardDb, meantDb }) => heardDb - meantDb),
            told.lean?.share ?? 0,
            told.apartMs ?? 0,
          ]
          expect(Math.max(...figures.map(Math.abs))).toBeLessThan(1e-6)
          const rounds = [told, told, told, told]
          expect(claimsOf(rounds).claims).toEqual([])
          expect(proposedRating(rounds)).toBe('clean')
        }
      }),
      { numRuns: 500 },
    )
  })
})
