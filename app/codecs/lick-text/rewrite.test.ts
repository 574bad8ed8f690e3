import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CHANGES } from '~/core/change-list'
import { changeLick, formatPhrase, phraseOf } from '~/core/changes'
import { applyTransaction, toTransaction } from '~/core/editing'
import * as random from '../../../tests/support/arbitraries'
import { formatLickText, parseLickText } from '.'
import { rewriteLick } from './rewrite'

const reading = (text: string) => {
  const read = parseLickText(text)
  if (!read.ok) throw new Error(JSON.stringify(read.error))
  return read.value
}

/** What a text becomes when slots of its line are replaced. */
const rewritten = (text: string, from: number, to: number, typed: string) => {
  const read = reading(text)
  const phrase = reading(typed === '' ? 'line: ' : typed).lick.line
  const after = changeLick(read.lick, { from, to }, phrase)
  const splices = rewriteLick(text, read, after, { from, to, typed })
  return applyTransaction(text, toTransaction('change', splices))
}

describe('rewriting a text as another lick', () => {
  it.each([
    ['RLLRK   RLK # mine', 1, 3, 'KK', 'RKKRK   RLK # mine'],
    ['line: RLLRK RLK\nline: RR', 5, 8, 'RL RL', 'line: RLLRK RL RL\nline: RR'],
    ['RLLRK RLK', 5, 5, 'RR', 'RLLRK RR RLK'],
    ['RLLRK RLK', 8, 8, 'RR', 'RLLRK RLK RR'],
    ['RLLRK RLK', 0, 0, 'RR', 'RR RLLRK RLK'],
    ['RLLRK RLK RR', 5, 8, '', 'RLLRK RR'],
    ['RLLRK RLK', 0, 8, '', ''],
    ['RLLRK*3', 0, 5, 'LRRLK', 'LRRLK RLLRK*2'],
    ['RL | @1/16t RLK', 2, 3, 'L', 'RL | @1/16t LLK'],
  ])('%s, slots %i to %i by %s, is %s', (text, from, to, typed, expected) =>
    expect(rewritten(`meter: 2/16\n${text}`, from, to, typed)).toBe(`meter: 2/16\n${expected}`),
  )

  it('reads as the changed lick, whatever the change (law)', () => {
    fc.assert(
      fc.property(
        random.lick,
        fc.constantFrom(...CHANGES),
        fc.nat(),
        fc.nat(),
        (lick, change, a, b) => {
          const text = formatLickText(lick)
          const read = reading(text)
          const { length } = read.lick.line.slots
          const from = a % (length + 1)
          const range = { from, to: from + (b % (length - from + 1)) }
          const phrase = change.apply(phraseOf(read.lick.line, range), { onBeat: () => true })
          const after = changeLick(read.lick, range, phrase)
          const splices = rewriteLick(text, read, after, { ...range, typed: formatPhrase(phrase) })
          const now = reading(applyTransaction(text, toTransaction('change', splices)))
          expect(now.lick.line).toEqual(after.line)
          expect(now.lick.frame.swells).toEqual(after.frame.swells)
        },
      ),
      { numRuns: 120 },
    )
  })
})
