import { describe, expect, it } from 'vitest'
import { lickOf } from '../../../tests/support/licks'
import { inForm, type PracticeForm, seamRuns } from '.'

const runs = (text: string, form: PracticeForm) =>
  seamRuns(inForm(lickOf(text), form), {}).map(({ limb, strokes }) => `${limb} ${strokes}`)
const OVER: PracticeForm = { kind: 'over' }

describe('the seam of a loop (C44, hard case 16)', () => {
  it.each([
    ['RLRR', OVER, ['RH 3']],
    ['KLRRLK', OVER, ['RF 2']],
    ['start: 3\nline: KKRLLRLK', OVER, ['RF 3']],
    ['start: 3\nline: KKRLLRLK', { kind: 'bars', groove: 1, fill: 1 } as const, ['RF 2']],
    ['RLRL', OVER, []],
    ['RRRR', OVER, ['RH 16']],
  ])('of %j', (text, form, expected) => expect(runs(text, form)).toEqual(expected))

  it('of nothing is nothing', () =>
    expect(runs('groove: none\nlanding: none\nline: -', OVER)).toEqual([]))
})
