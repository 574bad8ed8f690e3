import { describe, expect, it } from 'vitest'
import { stickingKey } from '../../catalogue'
import { findPhrase } from '../../changes'
import { DEFAULT_SETTING } from '../../playability'
import { Ways } from '../ways'
import { cellsOfPattern, natural, PUTS, patternOf } from './pattern'

describe('all patterns of a rule', () => {
  /** In how many ways k things stand on n places, with a gap between where they are to be apart: C(n - k + 1, k). */
  const placements = (n: number, k: number, apart: boolean): bigint => {
    const places = apart ? n - k + 1 : n
    let ways = 1n
    for (let i = 0; i < k; i += 1) ways = (ways * BigInt(places - i)) / BigInt(i + 1)
    return k > 0 && places < k ? 0n : ways
  }
  const patterns = (slots: number, least: number, most: number, apart: boolean, put = 'kick') => {
    const wish = { slots: patternOf(natural(slots, 'R'), put as 'kick'), least, most, apart }
    return new Ways({
      space: { start: 0, slots: Array(slots).fill(2520), beat: 10_080, layers: [] },
      cells: cellsOfPattern(wish.slots),
      forms: { inversions: false, mirrors: false, cut: false },
      conditions: { pattern: wish },
      taste: {},
      setting: DEFAULT_SETTING,
    })
  }

  it('are as many as there are ways to place so many things (law)', () => {
    for (const put of PUTS)
      for (const apart of [true, false])
        for (let slots = 1; slots <= 12; slots += 1)
          for (const [least, most] of [
            [0, slots],
            [1, 2],
            [3, 3],
          ] as const) {
            let sum = 0n
            for (let k = least; k <= Math.min(most, slots); k += 1)
              sum += placements(slots, k, apart)
            expect(patterns(slots, least, most, apart, put).count).toBe(sum)
          }
    expect(patterns(8, 0, 8, true).count).toBe(55n)
    expect(patterns(64, 0, 64, false).count).toBe(1n << 64n)
  })

  it('are numbered the same every time, each once, and have the groups of their beats', () => {
    const ways = patterns(6, 0, 6, true)
    const all = Array.from({ length: Number(ways.count) }, (_, i) => ways.at(BigInt(i)).phrase)
    expect(new Set(all.map(stickingKey)).size).toBe(21)
    expect(all.every(({ groups }) => groups.join(' ') === '4 2')).toBe(true)
    expect(all.map(stickingKey)).toEqual(
      all.map((_, i) => stickingKey(patterns(6, 0, 6, true).at(BigInt(i)).phrase)),
    )
  })

  it('put nothing where nothing can be', () => {
    const slots = findPhrase('R-(RK)>L')?.slots ?? []
    const put = (what: 'flam' | 'accent' | 'rest') =>
      patternOf(slots, what).map(({ put: other }) =>
        other ? stickingKey({ slots: [other], groups: [1] }) : null,
      )
    expect(put('flam')).toEqual(['fR', null, '(fRK)', '>fL'])
    expect(put('accent')).toEqual(['>R', null, '(>R>K)', '>L'])
    expect(put('rest')).toEqual(['-', null, '-', '-'])
  })
})
