import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { aimOf, landingStrokes, lineEvents, lineTicks } from '../line'
import { toPerformance } from '../performance'
import { endingsOf, landedBy, stoppedOn, stopsOf } from '.'

describe('other endings of a fill', () => {
  const fill = lickOf('grid: 1/16t\nstart: 3\nline: RLRLLK*2')

  it('stop on a stroke of the line: seven of them, the last on the beat (hard case 20)', () => {
    expect(stopsOf(fill, 'beats')).toEqual([6])
    const stopped = stoppedOn(fill, 6)
    expect(lineEvents(stopped).map(({ tick }) => tick)).toEqual(
      [0, 1, 2, 3, 4, 5, 6].map((slot) => 20160 + slot * 1680),
    )
    expect(aimOf(stopped)).toMatchObject({ target: 30240, left: 0 })
    expect(landingStrokes(stopped)).toEqual([])
    expect(() => stoppedOn(lickOf('line: R-L'), 1)).toThrow(RangeError)
  })

  it('land by either hand on any surface, ringing or choked, with the kick', () => {
    const landed = landedBy(fill, 'L', 'c2', true)
    expect(landingStrokes(landed).map(({ limb, surface }) => `${limb} ${surface}`)).toEqual([
      'LH c2',
      'RF bd',
    ])
    const { round, ending } = toPerformance(landed, { loop: false, countIn: false })
    const chokes = [...round(0), ...ending].filter(({ kind }) => kind === 'choke')
    expect(chokes).toHaveLength(1)
  })

  it('are all different, keep what is before them, and leave out what the fill has', () => {
    fc.assert(
      fc.property(random.lick, (lick) => {
        const endings = endingsOf(lick, { stops: 'strokes', surfaces: ['c1', 'f1'] })
        const texts = endings.map(({ lick: one }) => JSON.stringify([one.line, one.frame.landing]))
        expect(new Set(texts).size).toBe(texts.length)
        expect(texts).not.toContain(JSON.stringify([lick.line, lick.frame.landing]))
        for (const { kind, slot, lick: one } of endings) {
          const kept = kind === 'stopped' ? (slot ?? 0) + 1 : lick.line.slots.length
          expect(one.line.slots).toEqual(lick.line.slots.slice(0, kept))
          expect(one.line.groups.reduce((sum, size) => sum + size, 0)).toBe(kept)
          expect(lineTicks(one.line, one.frame.grid)).toBeLessThanOrEqual(
            lineTicks(lick.line, lick.frame.grid),
          )
        }
      }),
      { numRuns: 100 },
    )
  })
})
