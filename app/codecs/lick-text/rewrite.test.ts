import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CHANGES } from '~/core/change-list'
import { changeLick, formatPhrase, phraseOf } from '~/core/changes'
import { applyTransaction, toTransaction } from '~/core/editing'
import type { Lick } from '~/core/line'
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

/** Layers of one scope are in order; those of different scopes stand where their rows do. */
const inScopes = (lick: Lick) => ({
  ...lick,
  ostinatos: [...lick.ostinatos].sort((a, b) =>
    a.scope < b.scope ? -1 : Number(a.scope > b.scope),
  ),
})

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

  it('takes a row out and puts another in behind it', () => {
    const text = 'meter: 4/4\nstart: 2&\nstop: 2\nline: RL'
    const read = reading(text)
    const after = { ...read.lick, frame: { ...read.lick.frame, stop: null, lead: 2 } }
    const splices = rewriteLick(text, read, after)
    expect(applyTransaction(text, toTransaction('change', splices))).toBe(
      'meter: 4/4\nstart: 2&\nlead: 2\nline: RL',
    )
  })

  it('lengthens the line, and puts a row behind it, where the text ends with it', () => {
    const text = 'meter: 4/4\nline: RL'
    const read = reading(text)
    const parts = [{ name: 'turn', from: 1, to: 2 }]
    const after = { ...reading('meter: 4/4\nline: RLR').lick, parts }
    const splices = rewriteLick(text, read, after)
    expect(applyTransaction(text, toTransaction('change', splices))).toBe(
      'meter: 4/4\nline: RLR\npart: 1..2 turn',
    )
  })

  it('makes any lick of any other, with either line break and without the last one (law)', () => {
    const ends = fc.constantFrom(
      (text: string) => text,
      (text: string) => text.trimEnd(),
      (text: string) => text.replaceAll('\n', '\r\n'),
    )
    fc.assert(
      fc.property(random.lick, random.lick, ends, (one, other, end) => {
        const text = end(formatLickText(one))
        const splices = rewriteLick(text, reading(text), other)
        const now = reading(applyTransaction(text, toTransaction('change', splices)))
        expect(inScopes(now.lick)).toEqual(inScopes(reading(formatLickText(other)).lick))
      }),
    )
  })

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
