import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { CHANGES } from '../change-list'
import { lineTicks, timedSlots } from '../line'
import { formatLine, parseLine } from '../notation'
import { type SlotContent, strokesInSlot } from '../sticking'
import {
  accentsOf,
  addAfter,
  addAt,
  alternate,
  append,
  changeLick,
  cut,
  doubleLimb,
  doubleUp,
  fillGaps,
  fillTo,
  findPhrase,
  formatPhrase,
  layAccents,
  mirrorFeet,
  mirrorHands,
  moveAccents,
  type Phrase,
  phraseOf,
  regroup,
  replaceLimb,
  reverse,
  rotate,
  setGraces,
  setLevel,
  someToFeet,
  squeezeDoubles,
  toFeet,
  toHands,
} from '.'

const read = (line: string): Phrase => {
  const found = findPhrase(line)
  if (!found) throw new Error(`${line}: cannot be read`)
  return found
}
const changed = (line: string, change: (phrase: Phrase) => Phrase) =>
  formatPhrase(change(read(line)))
const phrase = random.lick.map(({ line: { slots, groups } }): Phrase => ({ slots, groups }))
const law = (check: (p: Phrase) => void) => fc.assert(fc.property(phrase, check), { numRuns: 100 })

describe('order', () => {
  it.each([
    ['RLLRRL', 1, 'LLRRLR'],
    ['RLLRRL', 2, 'LRRLRL'],
    ['RLLRRL', -1, 'LRLLRR'],
  ])('%s begun %i later is %s', (line, steps, expected) =>
    expect(changed(line, (p) => rotate(p, steps))).toBe(expected),
  )

  it('mirrors and reverses as drummers do', () => {
    expect(changed('RLLRRL', mirrorHands)).toBe('LRRLLR')
    expect(changed('RLLRRL', reverse)).toBe('LRRLLR')
    expect(changed('RKH J', mirrorFeet)).toBe('RJH K')
    expect(changed('RLRR', alternate)).toBe('RLRR LRLL')
  })

  it('comes round: inversions, mirrors, reversals (law)', () => {
    law((p) => {
      const { length } = p.slots
      let turned = p
      for (let i = 0; i < Math.min(length, 60); i += 1) turned = rotate(turned, 1)
      expect(length <= 60 ? turned : rotate(p, length)).toEqual(p)
      expect(mirrorHands(mirrorHands(p))).toEqual(p)
      expect(mirrorFeet(mirrorFeet(p))).toEqual(p)
      expect(reverse(reverse(p))).toEqual(p)
      const twice = alternate(p)
      expect(cut(twice, length)).toEqual(p)
      expect(phraseOf({ ...twice, gridChanges: [] }, { from: length, to: 2 * length })).toEqual(
        mirrorHands(p),
      )
    })
  })

  it('cuts and fills to the exact length (law)', () => {
    fc.assert(
      fc.property(phrase, fc.nat(80), (p, length) => {
        if (p.slots.length === 0) return
        const full = fillTo(p, length)
        expect(full.slots).toHaveLength(length)
        expect(full.groups.reduce((sum, size) => sum + size, 0)).toBe(length)
        expect(full.slots.every((slot, i) => slot === p.slots[i % p.slots.length])).toBe(true)
      }),
      { numRuns: 100 },
    )
  })

  it('moves hands to feet and back', () => {
    expect(changed('RLLR LRRL', toFeet)).toBe('KJJK JKKJ')
    expect(changed('KJJK JKKJ', toHands)).toBe('RLLR LRRL')
    expect(changed('RLLR', (p) => someToFeet(p, 2))).toBe('RLJK')
  })
})

describe('limbs', () => {
  it.each<[string, string, (p: Phrase) => Phrase]>([
    ['RLLRL', '(RK)LL(RK)L', (p) => doubleLimb(p, 'R', 'K')],
    ['RLLRL', 'RKKRK', (p) => replaceLimb(p, 'L', 'K')],
    ['RLLRL', 'RLKRL', (p) => replaceLimb(p, 'L', 'K', 2)],
    ['RLLRL', 'RLLRLK', (p) => append(p, 'K')],
    ['RLLRL', 'RKLLRKL', (p) => addAfter(p, 'R', 'K')],
    ['RLLRL', '(RK)LLR(LK)', (p) => addAt(p, 'K', (slot) => slot % 4 === 0)],
    ['RLLRK', 'RLLR{KK}', (p) => doubleUp(p, (letter) => letter === 'K')],
    ['R--RR--R--RR--R-', 'RLLRRLLRLLRRLLRL', (p) => fillGaps(p, 'L')],
    ['RLLRRLLRLLRRLLRL', 'RLL{RL}RLLRLL{RL}RLLRL', (p) => squeezeDoubles(p, 'R')],
    ['(LK)R', 'KR', (p) => replaceLimb(p, 'L', 'K')],
    ['fR:t1/snL', 'KL', (p) => replaceLimb(p, 'R', 'K')],
  ])('%s becomes %s', (line, expected, change) => expect(changed(line, change)).toBe(expected))

  it('keep the slots: replaced, squeezed, doubled (law)', () => {
    law((p) => {
      for (const change of [
        replaceLimb(p, 'L', 'K'),
        squeezeDoubles(p, 'both'),
        doubleUp(p, () => true),
        fillGaps(p, 'R'),
      ]) {
        expect(change.slots).toHaveLength(p.slots.length)
        expect(change.groups).toEqual(p.groups)
      }
      expect(fillGaps(p, 'K').slots.every(({ kind }) => kind !== 'rest')).toBe(true)
    })
  })
})

describe('dynamics and graces', () => {
  it('lays accents of another length over the line, and moves them', () => {
    expect(changed('RLRLRL', (p) => layAccents(p, [true, false, false, false]))).toBe('>RLRL>RL')
    expect(changed('>RLrLK', (p) => moveAccents(p, 1))).toBe('R>LrLK')
    expect(changed('RLLRK*3 R', (p) => layAccents(p, [false, false, true, false, false]))).toBe(
      'RL>LRK*3 R',
    )
    expect(changed('RLLRK', (p) => setLevel(p, 'ghost', ({ letter }) => letter === 'L'))).toBe(
      'RllRK',
    )
    expect(changed('fRLfLR', (p) => setGraces(p, 0, () => true))).toBe('RLLR')
    expect(changed('RKL', (p) => setGraces(p, 2, () => true))).toBe('dRKdL')
  })

  it('accents come round too (law)', () => {
    law((p) => {
      const { length } = p.slots
      expect(accentsOf(moveAccents(moveAccents(p, 1, true), -1, true))).toEqual(accentsOf(p))
      // Unless asked, nothing comes in at the other end: the first stroke has none, the others what was before them.
      const struck = (one: Phrase) =>
        accentsOf(one).filter((_, slot) => strokesInSlot(one.slots[slot] as SlotContent).length > 0)
      const before = struck(p)
      expect(struck(moveAccents(p, 1))).toEqual([false, ...before].slice(0, before.length))
      expect(struck(moveAccents(p, -1))).toEqual([...before, false].slice(1, before.length + 1))
      expect(
        accentsOf(
          layAccents(
            p,
            Array.from({ length }, () => false),
          ),
        ),
      ).not.toContain(true)
    })
  })
})

describe('changes of a lick', () => {
  it('all leave what can be written and read again (law)', () => {
    fc.assert(
      fc.property(
        random.lick,
        fc.constantFrom(...CHANGES),
        fc.nat(),
        fc.nat(),
        (lick, change, a, b) => {
          const { length } = lick.line.slots
          const from = length === 0 ? 0 : a % length
          const to = from + (length - from === 0 ? 0 : 1 + (b % (length - from)))
          const before = phraseOf(lick.line, { from, to })
          const after = change.apply(before, { onBeat: (slot) => slot % 4 === 0 })
          if (!change.grows) expect(after.slots).toHaveLength(before.slots.length)
          const { line, frame } = changeLick(lick, { from, to }, after)
          expect(line.groups.reduce((sum, size) => sum + size, 0)).toBe(line.slots.length)
          const text = formatLine(line)
          const again = parseLine(text, { grid: frame.grid, start: 0, bar: null })
          expect(again.ok && again.value.line).toEqual(line)
        },
      ),
      { numRuns: 250 },
    )
  })

  it('keep the ticks where they keep the slots, and what stands after the range on its grid (law)', () => {
    fc.assert(
      fc.property(random.lick, fc.nat(), (lick, a) => {
        const { slots } = lick.line
        const at = slots.length === 0 ? 0 : a % slots.length
        const same = changeLick(lick, { from: 0, to: at }, phraseOf(lick.line, { from: 0, to: at }))
        expect(same.line).toEqual(lick.line)
        const cutShort = changeLick(lick, { from: 0, to: at }, { slots: [], groups: [] })
        const kept = lineTicks(cutShort.line, lick.frame.grid)
        const tail = timedSlots(lick.line, lick.frame.grid, 0).slice(at)
        expect(kept).toBe(tail.reduce((sum, { ticks }) => sum + ticks, 0))
      }),
      { numRuns: 150 },
    )
  })

  it('go between groups, join with the group around them, and take swells along', () => {
    const lick = lickOf('swell: 2..4 ghost>accent\nline: RLLRK RLK')
    const into = changeLick(lick, { from: 1, to: 3 }, read('K'))
    expect(formatLine(into.line)).toBe('RKRK RLK')
    expect(into.frame.swells).toEqual([{ from: 2, to: 3, start: 'ghost', end: 'accent' }])
    expect(formatLine(changeLick(lick, { from: 5, to: 5 }, read('RR LL')).line)).toBe(
      'RLLRK RR LL RLK',
    )
    expect(formatLine(regroup(lick.line, [4, 4]))).toBe('RLLR KRLK')
    expect(() => regroup(lick.line, [4, 3])).toThrow(RangeError)
  })

  it('are each listed once', () => {
    expect(new Set(CHANGES.map(({ id }) => id)).size).toBe(CHANGES.length)
    expect(new Set(CHANGES.map(({ name }) => name)).size).toBe(CHANGES.length)
  })
})
