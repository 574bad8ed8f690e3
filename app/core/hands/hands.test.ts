import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import type { Lick } from '../line'
import { formatLine, formatSlot } from '../notation'
import { isHand, strokesInSlot } from '../sticking'
import {
  differingSlots,
  HAND_POLICIES,
  isUndecided,
  policyDistances,
  suggestHands,
  withPolicy,
} from '.'

const turned = (line: string, policy: (typeof HAND_POLICIES)[number]) =>
  formatLine(withPolicy(lickOf(line), policy).line)

describe('hand policies', () => {
  it.each([
    ['RLK RLRK RLK', 'cell-locked', 'RLK RLRK RLK'],
    ['RLK RLRK RLK', 'slot-locked', 'RLK LRLK LRK'],
    ['RLK RLRK RLK', 'alternating', 'RLK RLRK LRK'],
    ['RLLRK*2', 'slot-locked', 'RLRLK LRLRK'],
    ['RLLRK*2', 'alternating', 'RLRLK*2'],
    ['RLRL KRLR LKRL RLKR', 'slot-locked', 'RLRL KLRL RKRL RLKL'],
    ['RL- R', 'slot-locked', 'RL- L'],
    ['RL- L', 'alternating', 'RL- R'],
    ['{RL}R', 'alternating', '{RL}R'],
    ['{RR}L', 'slot-locked', '{RR}L'],
    ['RLK LRK', 'cell-locked', 'RLK*2'],
  ] as const)('%s, %s, is %s', (line, policy, expected) =>
    expect(turned(line, policy)).toBe(expected),
  )

  it('count slots from the barline, also where the line starts off the beat', () => {
    expect(turned('start: 1e\nline: RLR', 'slot-locked')).toBe('RLR')
    expect(formatLine(withPolicy(lickOf('start: 1e\nline: RLR'), 'slot-locked', 'R').line)).toBe(
      'LRL',
    )
  })

  it('say where the hands differ', () => {
    const lick = lickOf('RLK RLRK RLK')
    const distances = policyDistances(lick)
    expect(distances['slot-locked'].differs).toEqual([3, 4, 5, 7, 8])
    expect(distances.alternating.differs).toEqual([7, 8])
    expect(distances['cell-locked'].differs).toEqual([])
  })

  it('are settled after one turn, and move no foot and no rest (law)', () => {
    fc.assert(
      fc.property(random.lick, fc.constantFrom(...HAND_POLICIES), (lick, policy) => {
        const once = withPolicy(lick, policy, 'R')
        expect(withPolicy(once, policy, 'R').line).toEqual(once.line)
        const feet = (line: typeof lick.line) =>
          line.slots.map((slot) =>
            strokesInSlot(slot)
              .map(({ stroke, top }) =>
                isHand(stroke.letter) ? `${top}` : `${top}${stroke.letter}`,
              )
              .join(''),
          )
        expect(feet(once.line)).toEqual(feet(lick.line))
      }),
      { numRuns: 100 },
    )
  })
})

describe('hands that are not decided', () => {
  it.each([
    ['RXRX', 'RLRL'],
    ['RXLX', 'RLLR'],
    ['XXXX', 'RLRL'],
    ['RXK(RX)', 'RLK(RL)'],
    ['XLXK', 'RLRK'],
    ['RKLX', 'RKLR'],
    // A decided hand inside a squeeze stays, and those beside it are chosen around it.
    ['LL{LX}LL', 'LL{LR}LL'],
    ['{RXX}LL', '{RLR}LL'],
    ['{XL}R', '{RL}R'],
    ['{XX}LX', '{RR}LR'],
    ['{(RX)X}', '{(RL)R}'],
  ])('%s: %s is suggested', (line, expected) =>
    expect(formatLine(suggestHands(lickOf(line)).line)).toBe(expected),
  )

  it('are all decided, the others untouched (law)', () => {
    fc.assert(
      fc.property(random.lick, (lick) => {
        const decided = suggestHands(lick)
        expect(isUndecided(decided)).toBe(false)
        const open = lick.line.slots.flatMap((slot, i) =>
          strokesInSlot(slot).some(({ stroke }) => stroke.letter === 'X') ? [i] : [],
        )
        expect(differingSlots(lick, decided).every((slot) => open.includes(slot))).toBe(true)
        const strokes = ({ line }: Lick) => line.slots.flatMap(strokesInSlot)
        const after = strokes(decided)
        for (const [i, { stroke, top }] of strokes(lick).entries()) {
          expect([after[i]?.top, after[i]?.stroke]).toEqual([
            top,
            { ...stroke, letter: isOpenHand(stroke) ? after[i]?.stroke.letter : stroke.letter },
          ])
        }
      }),
      { numRuns: 100 },
    )
  })

  it('cost no more than any other choice (brute force)', () => {
    const cost = (hands: string, open: string) =>
      [...hands].reduce((sum, hand, i) => {
        const run = hand === hands[i - 1] ? (hand === hands[i - 2] ? 9 : 2) : 0
        const natural = hand === (i % 2 === 0 ? 'R' : 'L')
        return sum + run + (open[i] === 'X' && !natural ? 1 : 0)
      }, 0)
    const letters = fc.array(fc.constantFrom('R', 'L', 'X'), { minLength: 1, maxLength: 9 })
    fc.assert(
      fc.property(letters, (list) => {
        const open = list.join('')
        const places = list.flatMap((letter, i) => (letter === 'X' ? [i] : []))
        const all = Array.from({ length: 2 ** places.length }, (_, bits) => {
          const hands = [...open]
          for (const [i, place] of places.entries()) hands[place] = (bits >> i) & 1 ? 'L' : 'R'
          return cost(hands.join(''), open)
        })
        const suggested = suggestHands(lickOf(open))
          .line.slots.map((slot) => formatSlot(slot))
          .join('')
        expect(cost(suggested, open)).toBe(Math.min(...all))
      }),
      { numRuns: 150 },
    )
  })
})

const isOpenHand = ({ letter }: { readonly letter: string }) => letter === 'X'

describe('suggested hands', () => {
  const suggested = (text: string) => formatLine(suggestHands(lickOf(text)).line)

  it('follow the barline, not the start of the line', () => {
    expect(suggested('start: 1e\nline: XXX')).toBe('LRL')
    expect(suggested('line: XXX')).toBe('RLR')
  })

  it('look at surfaces and moves: the right goes on where the left would cross under it', () => {
    expect(suggested('grid: 1/4\nline: L:snR:t1X:f1')).toBe('L:snR:t1R:f1')
    expect(suggested('grid: 1/4\nline: LRX')).toBe('LRL')
  })

  it('alternate around those that are decided', () => {
    expect(formatLine(policyDistances(lickOf('XLLRR')).alternating.lick.line)).toBe('RLRLR')
  })
})
