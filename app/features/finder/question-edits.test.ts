import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cellsOfLine, frameOf, toQuestion, type WrittenQuestion } from '~/codecs/question'
import { formatPhrase } from '~/core/changes'
import { Ways } from '~/core/finder'
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
  withConditions,
  withFrame,
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
    expect(QUESTION_ADDRESS.format({ question: FIRST_QUESTION })).toBe('')
    expect(QUESTION_ADDRESS.open('').question).toBe(FIRST_QUESTION)
    const other = withConditions(FIRST_QUESTION, { speed: 120 })
    const [, search = ''] = finderPath(other).split('?')
    expect(QUESTION_ADDRESS.open(`?${search}`).question).toEqual(other)
    expect(QUESTION_ADDRESS.open('?q=broken').question).toBe(FIRST_QUESTION)
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
