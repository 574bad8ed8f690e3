import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { allWays } from '../../../tests/support/all-ways'
import { lickOf } from '../../../tests/support/licks'
import { findPhrase, formatPhrase, joinPhrases, type Phrase, phraseOf } from '../changes'
import { aimOf, EMPTY_LINE } from '../line'
import { characterOf, DEFAULT_SETTING, movesTooFast } from '../playability'
import { strokesInSlot } from '../sticking'
import { lineEndings } from './endings'
import type { Conditions } from './question'
import { Ways } from './ways'

const GROUPS = ['RLLRL', 'RLK', 'RLLK', 'RRLL', 'K', 'R', 'fRL', '{RL}R', 'RL', 'R-LK', 'RRR']
const lines = fc.array(fc.constantFrom(...GROUPS), { minLength: 1, maxLength: 4 })

describe('endings of a line', () => {
  it('fill its space, end on their limb, and play on no longer and no faster than the line (law)', () => {
    let found = 0
    fc.assert(
      fc.property(lines, fc.integer({ min: 60, max: 200 }), (groups, tempo) => {
        const lick = lickOf(`tempo: ${tempo}\nbars: 1\nline: ${groups.join(' ')}`)
        if (aimOf(lick).left <= 0) return
        const run = (one: typeof lick) =>
          characterOf(one, DEFAULT_SETTING.kit, tempo).longestRun?.length ?? 0
        const fast = (one: typeof lick) =>
          movesTooFast(one, 'line', DEFAULT_SETTING, tempo).length > 0
        for (const { phrase, ends } of lineEndings(lick, DEFAULT_SETTING)) {
          found += 1
          const whole = joinPhrases([
            phraseOf(lick.line, { from: 0, to: lick.line.slots.length }),
            phrase,
          ])
          const ended = { ...lick, line: { ...EMPTY_LINE, ...whole } }
          expect(aimOf(ended).left).toBe(0)
          const last = phrase.slots.flatMap((slot) => strokesInSlot(slot)).at(-1)
          expect(last?.stroke.letter).toBe(ends)
          expect(run(ended)).toBeLessThanOrEqual(Math.max(2, run(lick)))
          if (!fast(lick)) expect(fast(ended)).toBe(false)
        }
      }),
      { numRuns: 120 },
    )
    expect(found).toBeGreaterThan(150)
  })

  it('are none for an empty line, a full one, and a space without a whole number of slots', () => {
    for (const text of ['line:', 'line: RLRL*4', 'start: 1trip\nline: RLRL'])
      expect(lineEndings(lickOf(text), DEFAULT_SETTING)).toEqual([])
  })

  it('keep clear of the foot under them', () => {
    const lick = lickOf('bars: 1\nunder: @1/4 K\nline: RLRL RLRL')
    for (const { phrase } of lineEndings(lick, DEFAULT_SETTING)) {
      const kicks = phrase.slots.flatMap((slot, i) =>
        strokesInSlot(slot).some(({ stroke }) => stroke.letter === 'K') ? [i] : [],
      )
      expect(kicks.filter((slot) => slot % 4 === 0)).toEqual([])
    }
  })

  it('come after what is played before them, as by trying all (law)', () => {
    const conditions = fc.record<Conditions>(
      {
        runs: fc.integer({ min: 1, max: 3 }),
        speed: fc.integer({ min: 60, max: 220 }),
        kicksApart: fc.constant(true),
      },
      { requiredKeys: [] },
    )
    const cells = fc.array(fc.constantFrom(...GROUPS), { minLength: 1, maxLength: 3 })
    fc.assert(
      fc.property(
        lines,
        cells,
        conditions,
        fc.integer({ min: 1, max: 5 }),
        (past, of, asked, n) => {
          const before = (findPhrase(past.join(' ')) as Phrase).slots
          const question = {
            space: {
              start: 0,
              slots: Array.from({ length: n }, () => 2520),
              beat: 10_080,
              layers: [],
            },
            cells: of.map((line) => ({ phrase: findPhrase(line) as Phrase })),
            forms: { inversions: false, mirrors: true, cut: true },
            conditions: asked,
            taste: {},
            setting: DEFAULT_SETTING,
            before,
          }
          // What is played before has to obey by itself: else it is not looked at.
          const alone = { ...EMPTY_LINE, slots: before, groups: [before.length] }
          const past0 = { ...lickOf('line:'), line: alone }
          const { longestRun } = characterOf(past0, DEFAULT_SETTING.kit, 100)
          if (asked.runs !== undefined && (longestRun?.length ?? 0) > asked.runs) return
          if (
            asked.speed !== undefined &&
            movesTooFast(past0, 'line', DEFAULT_SETTING, asked.speed).length > 0
          )
            return
          if (asked.kicksApart && /K[^A-Z]*K/.test(past.join(''))) return
          const names = (all: readonly { phrase: Phrase }[]) =>
            all.map(({ phrase }) => `${formatPhrase(phrase)} ${phrase.groups.join(' ')}`).sort()
          const tried = allWays(question, [[{ value: 16, tuplet: null }, n]])
          expect(names([...new Ways(question).inOrder()])).toEqual(names(tried))
        },
      ),
      { numRuns: 150 },
    )
  })
})
