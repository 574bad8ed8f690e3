import { describe, expect, it } from 'vitest'
import { findPhrase, formatPhrase } from '../changes'
import { accentFamily, type Family, inversionFamily, PUTS, placeFamily } from '.'

const all = ({ count, at }: Family) =>
  Array.from({ length: Number(count) }, (_, i) => formatPhrase(at(BigInt(i))))
const phrase = (line: string) => findPhrase(line) ?? { slots: [], groups: [] }
const kicks = (slots: number, most = slots, adjacent = false) =>
  placeFamily({ put: 'kick', slots, lead: 'R', least: 0, most, adjacent })

describe('families', () => {
  it.each([
    [6, 6, false, 21n],
    [8, 8, false, 55n],
    [12, 12, false, 377n],
    [16, 16, false, 2584n],
    [12, 2, true, 79n],
  ])('kicks in the holes of %i slots, %i at most: %s', (slots, most, adjacent, count) =>
    expect(kicks(slots, most, adjacent).count).toBe(count),
  )

  it.each([
    [7, 7, false],
    [6, 6, true],
    [8, 2, false],
    [1, 1, true],
  ])('list every way once and no other: %i slots', (slots, most, adjacent) => {
    const brute = Array.from({ length: 2 ** slots }, (_, bits) =>
      Array.from({ length: slots }, (_unused, i) =>
        (bits >> i) & 1 ? 'K' : i % 2 === 0 ? 'R' : 'L',
      ).join(''),
    ).filter(
      (line) => (adjacent || !line.includes('KK')) && line.replace(/[^K]/g, '').length <= most,
    )
    const listed = all(kicks(slots, most, adjacent))
    expect([...listed].sort()).toEqual(brute.sort())
    expect(new Set(listed).size).toBe(listed.length)
  })

  it('begin with the fewest kicks, and are numbered the same way every time', () => {
    expect(all(kicks(4)).slice(0, 6)).toEqual(['RLRL', 'KLRL', 'RKRL', 'RLKL', 'RLRK', 'KLKL'])
    expect(() => kicks(4).at(8n)).toThrow(RangeError)
    expect(() => kicks(4).at(-1n)).toThrow(RangeError)
  })

  it.each(PUTS)('put as many %ss as are asked for, each way once (law)', (put) => {
    const isPut = { kick: /K/g, rest: /-/g, flam: /f/g }[put]
    for (const [slots, least, most] of [
      [5, 1, 2],
      [6, 2, 6],
      [4, 3, 2],
    ] as const) {
      for (const adjacent of [true, false]) {
        const listed = all(placeFamily({ put, slots, lead: 'L', least, most, adjacent }))
        const brute = Array.from({ length: 2 ** slots }, (_, bits) => bits).filter((bits) => {
          const many = bits.toString(2).replaceAll('0', '').length
          return many >= least && many <= most && (adjacent || (bits & (bits >> 1)) === 0)
        })
        expect(new Set(listed).size).toBe(listed.length)
        expect(listed.length).toBe(brute.length)
        for (const line of listed) {
          const many = line.match(isPut)?.length ?? 0
          expect(many >= least && many <= most).toBe(true)
        }
      }
    }
  })

  it('leave the hands of what is not replaced', () => {
    const one = { slots: 4, lead: 'R', least: 1, most: 1, adjacent: false } as const
    expect(all(placeFamily({ put: 'rest', ...one }))).toEqual(['-LRL', 'R-RL', 'RL-L', 'RLR-'])
    expect(all(placeFamily({ put: 'flam', ...one }))[1]).toBe('RfLRL')
  })

  it('of accents and of inversions', () => {
    expect(all(accentFamily(phrase('RLK'), 1, 2))).toEqual([
      '>RLK',
      'R>LK',
      'RL>K',
      '>R>LK',
      '>RL>K',
      'R>L>K',
    ])
    expect(all(inversionFamily(phrase('RLRL')))).toEqual(['RLRL', 'LRLR'])
    expect(accentFamily(phrase('RLRLRLRL'), 0, 8).count).toBe(256n)
  })
})
