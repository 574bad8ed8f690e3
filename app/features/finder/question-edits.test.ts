import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cellsOfLine, frameOf, toQuestion, type WrittenQuestion } from '~/codecs/question'
import { formatPhrase } from '~/core/changes'
import { PUTS, Ways } from '~/core/finder'
import { aimOf } from '~/core/line'
import { DEFAULT_SETTING } from '~/core/playability'
import { toMeter } from '~/core/time'
import { lickOf } from '../../../tests/support/licks'
import {
  FIRST_QUESTION,
  finderPath,
  loosened,
  QUESTION_ADDRESS,
  questionFor,
  questionLike,
  questionOfPattern,
  withConditions,
  withFrame,
  withPattern,
} from './question-edits'

function waysOf(written: WrittenQuestion): Ways {
  const question = toQuestion(written, DEFAULT_SETTING)
  if (!question.ok) throw new Error(question.error.code)
  return new Ways(question.value)
}

describe('a question that is changed', () => {
  it('begins as one that has ways', () => {
    expect(waysOf(FIRST_QUESTION).count).toBe(24n)
  })

  it('stands in the address, and the first one does not', () => {
    const asked = { question: FIRST_QUESTION, pick: null, from: '' }
    expect(QUESTION_ADDRESS.format(asked)).toBe('')
    expect(QUESTION_ADDRESS.open('').question).toBe(FIRST_QUESTION)
    const other = withConditions(FIRST_QUESTION, { speed: 120 })
    const [, search = ''] = finderPath(other).split('?')
    expect(QUESTION_ADDRESS.open(`?${search}`).question).toEqual(other)
    expect(QUESTION_ADDRESS.open('?q=broken').question).toBe(FIRST_QUESTION)
  })

  it('stands there with what is picked and where it was asked, and reads back the same (law)', () => {
    const picks = fc.oneof(
      fc.constant(null),
      fc.integer({ min: 0, max: 999_999 }).map((seed) => ({ kind: 'seed', seed }) as const),
      fc
        .bigInt({ min: 1n, max: 10n ** 60n })
        .map((number) => ({ kind: 'number', number }) as const),
    )
    fc.assert(
      fc.property(picks, fc.constantFrom('', 'demo-tightrope', 'a b&c=?'), (pick, from) => {
        const asked = { question: withConditions(FIRST_QUESTION, { runs: 3 }), pick, from }
        expect(QUESTION_ADDRESS.open(`?${QUESTION_ADDRESS.format(asked)}`)).toEqual(asked)
      }),
      { numRuns: 60 },
    )
    expect(QUESTION_ADDRESS.open('?draw').pick).toEqual({ kind: 'seed', seed: 0 })
    expect(QUESTION_ADDRESS.open('?draw=-1').pick).toEqual({ kind: 'seed', seed: 0 })
    expect(QUESTION_ADDRESS.open('?number=0').pick).toBeNull()
    expect(QUESTION_ADDRESS.open('?number=1e3').pick).toBeNull()
  })

  it('asks for all patterns of a rule over the space of a lick, of natural sticking or of its line', () => {
    const lick = lickOf('bars: 1\nstart: 3\nline: R-LK >RLRL')
    const counts = PUTS.map((put) => waysOf(questionOfPattern(lick, put)).count)
    // Eight slots, no two side by side: 55; seven of the line can be accented.
    expect(counts).toEqual([55n, 55n, 55n, 128n])
    const best = waysOf(questionOfPattern(lick, 'accent')).at(0n)
    expect(formatPhrase({ ...best.phrase, groups: [8] }).replaceAll('>', '')).toBe('R-LKRLRL')
    const back = withPattern(questionOfPattern(lick, 'kick'), undefined)
    expect(back.pattern).toBeUndefined()
    expect(waysOf(back).count).toBeGreaterThan(0n)
  })

  it('loses a condition that is no longer wanted, and how often cells are used', () => {
    const asked: WrittenQuestion = {
      ...withConditions(FIRST_QUESTION, { speed: 120 }),
      cells: [{ line: 'RLK', least: 2 }],
    }
    expect(withConditions(asked, { speed: undefined }).conditions).toEqual({ runs: 2 })
    const loose = loosened(asked, ['runs', 'uses'])
    expect(loose.conditions).toEqual({ speed: 120 })
    expect(loose.cells).toEqual([{ line: 'RLK' }])
  })

  it('moves to another bar: slots that are gone are not asked for, nor a start that is gone', () => {
    const late = withFrame(FIRST_QUESTION, { start: 30_240 })
    const asked = withConditions(late, { accents: { must: [0, 3], not: [], put: true } })
    const shorter = withFrame(asked, { grid: { value: 8, tuplet: null } })
    expect(shorter.conditions.accents).toEqual({ must: [0], not: [], put: true })
    expect(frameOf(withFrame(asked, { meter: toMeter(3, 4) }))?.frame.start).toBe(0)
  })

  it('takes the space and the groups of a lick, with its bars said', () => {
    const asked = questionFor(lickOf('start: 3\nline: RLLRL RLK'))
    expect(asked.cells).toEqual([{ line: 'RLLRL' }, { line: 'RLK' }])
    expect(frameOf(asked)?.frame.bars).toBe(1)
    expect(questionFor(lickOf('line:')).cells).toEqual(FIRST_QUESTION.cells)
  })
})

const groups = ['RLLRL', 'RLK', 'RLLK', '>RLRR', 'fRL', 'R-LK', 'K', '{RL}R', '(RK)L', 'RL']

describe('more like a lick', () => {
  it('asks what is true of it: the lick itself is among its ways (law)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...groups), { minLength: 1, maxLength: 4 }),
        fc.integer({ min: 40, max: 240 }),
        (parts, tempo) => {
          const typed = parts.join(' ')
          const open = lickOf(`tempo: ${tempo}\nline: ${typed}`)
          // It begins where it ends on a barline, so that it fills its space.
          const { bars, available, left } = aimOf(open)
          const start = bars * 40_320 - (available - left)
          const lick = { ...open, frame: { ...open.frame, start: start % 40_320, bars } }
          if (aimOf(lick).left !== 0) return
          const ways = waysOf({ ...questionLike(lick, DEFAULT_SETTING) })
          const own = formatPhrase({ slots: lick.line.slots, groups: lick.line.groups })
          const all = [...ways.inOrder()].slice(0, 20_000)
          expect(all.map(({ phrase }) => formatPhrase(phrase))).toContain(own)
        },
      ),
      { numRuns: 20 },
    )
  })

  it('counts each of its groups as a cell', () => {
    const lick = lickOf('line: RLLRL RLK RLLRL RLK')
    expect(questionLike(lick, DEFAULT_SETTING).cells).toEqual(cellsOfLine(lick))
  })
})
