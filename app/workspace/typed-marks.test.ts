import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lineTextOf } from '~/codecs/lick-text'
import { formatVoicing } from '~/codecs/voicing'
import { CHANGES } from '~/core/change-list'
import { phraseOf, toPhrase } from '~/core/changes'
import { changedSpan, joinSpans } from '~/core/editing'
import { type BenchDocument, openDocument, runCommand } from './document'
import { applyChange } from './edits/change-edits'
import { type Edit, insertPhrase, replaceRange } from './edits/edits'

const noted = (line: string, ...slots: number[]) =>
  openDocument({
    text: `title: Ring\nline: ${line}\n`,
    draft: null,
    voicing: formatVoicing({
      rules: [],
      pins: slots.map((slot) => ({ slot, surface: 'sn' })),
      notes: slots.map((slot) => ({ slot, text: `note ${slot}` })),
    }),
  })
const notesOf = ({ voicing }: BenchDocument) =>
  (voicing.notes ?? []).map(({ slot, text }) => `${slot}: ${text.replace('note ', '')}`)
const pinsOf = ({ voicing }: BenchDocument) => voicing.pins.map(({ slot }) => slot)
const lineOf = ({ history }: BenchDocument) => lineTextOf(history.text)

/** A selection typed over letter by letter; an empty text deletes it. */
function keys(document: BenchDocument, from: number, to: number, letters: string): BenchDocument {
  const line = lineOf(document)
  const [head, tail] = [line.slice(0, from), line.slice(to)]
  if (letters === '') {
    return runCommand(document, { kind: 'type-line', typed: head + tail, caret: from })
  }
  let after = document
  for (let n = 1; n <= letters.length; n += 1) {
    const typed = head + letters.slice(0, n) + tail
    after = runCommand(after, { kind: 'type-line', typed, caret: from + n })
  }
  return after
}

describe('what was replaced', () => {
  it('is told apart by the caret where the texts alone cannot tell', () => {
    expect(changedSpan('RL', 'RLRL', 2)).toEqual({ from: 0, beforeTo: 0, afterTo: 2 })
    expect(changedSpan('RL', 'RLRL', 4)).toEqual({ from: 2, beforeTo: 2, afterTo: 4 })
  })

  it('leaves the same text around it, wherever the caret is said to be (law)', () => {
    const text = fc.string({ unit: fc.constantFrom('R', 'L', ' '), maxLength: 12 })
    fc.assert(
      fc.property(text, text, fc.nat(14), (before, after, caret) => {
        const { from, beforeTo, afterTo } = changedSpan(before, after, caret)
        expect(before.slice(0, from)).toBe(after.slice(0, from))
        expect(before.slice(beforeTo)).toBe(after.slice(afterTo))
        expect(from).toBeLessThanOrEqual(Math.min(beforeTo, afterTo))
      }),
    )
  })

  it('is joined with what was replaced before it, if it touches that (law)', () => {
    const text = fc.string({ unit: fc.constantFrom('R', 'L'), maxLength: 8 })
    fc.assert(
      fc.property(text, text, text, fc.nat(9), fc.nat(9), (one, two, three, a, b) => {
        const joined = joinSpans(changedSpan(one, two, a), changedSpan(two, three, b))
        if (!joined) return
        expect(one.slice(0, joined.from)).toBe(three.slice(0, joined.from))
        expect(one.slice(joined.beforeTo)).toBe(three.slice(joined.afterTo))
      }),
    )
    expect(joinSpans(changedSpan('RLRL', 'KRLRL', 1), changedSpan('KRLRL', 'KRLRLK', 6))).toBe(
      undefined,
    )
  })
})

describe('pins and notes', () => {
  it('go with their strokes when others are typed before them', () => {
    const open = noted('RLRL RLRL', 1, 4)
    const front = keys(open, 0, 0, 'RL')
    expect([lineOf(front), notesOf(front), pinsOf(front)]).toEqual([
      'RLRLRL RLRL',
      ['3: 1', '6: 4'],
      [3, 6],
    ])
    expect(notesOf(keys(open, 9, 9, ' RL'))).toEqual(['1: 1', '4: 4'])
  })

  it('stay at their strokes while signs are typed around them', () => {
    const open = noted('RLLRK', 3, 4)
    const accented = keys(open, 3, 3, '>f')
    expect([lineOf(accented), notesOf(accented)]).toEqual(['RLL>fRK', ['3: 3', '4: 4']])
    const voiced = keys(open, 4, 4, ':t1')
    expect([lineOf(voiced), notesOf(voiced)]).toEqual(['RLLR:t1K', ['3: 3', '4: 4']])
    const together = keys(open, 3, 4, '(RK)')
    expect([lineOf(together), notesOf(together)]).toEqual(['RLL(RK)K', ['3: 3', '4: 4']])
  })

  it('are kept stroke by stroke when a group is typed over', () => {
    const open = noted('RLK RRL KLR', 3, 5, 7)
    const over = keys(open, 4, 7, 'LRK')
    expect([lineOf(over), notesOf(over)]).toEqual(['RLK LRK KLR', ['3: 3', '5: 5', '7: 7']])
    expect(notesOf(keys(open, 4, 7, 'LR'))).toEqual(['3: 3', '6: 7'])
    const longer = keys(open, 4, 7, 'LRLRK')
    expect(notesOf(longer)).toEqual(['3: 3', '5: 5', '9: 7'])
  })

  it('go with what is deleted, and come back with undo', () => {
    const open = noted('RLK RRL KLR', 3, 5, 7)
    const cut = keys(open, 3, 7, '')
    expect([lineOf(cut), notesOf(cut)]).toEqual(['RLK KLR', ['4: 7']])
    const back = runCommand(cut, { kind: 'undo' })
    expect([lineOf(back), notesOf(back), pinsOf(back)]).toEqual([
      'RLK RRL KLR',
      ['3: 3', '5: 5', '7: 7'],
      [3, 5, 7],
    ])
    expect(notesOf(runCommand(back, { kind: 'redo' }))).toEqual(['4: 7'])
  })

  it('wait at the end of the line for strokes that are typed again', () => {
    const open = noted('RLK RRL', 1, 5)
    const cut = keys(open, 3, 7, '')
    expect(notesOf(cut)).toEqual(['1: 1', '5: 5'])
    expect(notesOf(keys(cut, 3, 3, ' LLR'))).toEqual(['1: 1', '5: 5'])
  })

  it('of each round of a repeat stay in their round', () => {
    const open = noted('K [RLR]*3 L', 2, 5, 10)
    const grown = keys(open, 4, 4, 'K')
    expect([lineOf(grown), notesOf(grown)]).toEqual(['K [RKLR]*3 L', ['3: 2', '7: 5', '13: 10']])
    const once = keys(open, 8, 9, '2')
    expect([lineOf(once), notesOf(once)]).toEqual(['K [RLR]*2 L', ['2: 2', '5: 5', '7: 10']])
  })

  it('are one step to undo with the letters they moved for', () => {
    const open = noted('RLRL', 3)
    const typed = keys(open, 0, 0, 'KK')
    expect(typed.history.past).toHaveLength(1)
    const back = runCommand(typed, { kind: 'undo' })
    expect([lineOf(back), notesOf(back)]).toEqual(['RLRL', ['3: 3']])
    expect(notesOf(runCommand(back, { kind: 'redo' }))).toEqual(['5: 3'])
  })

  it('begin anew where something else is typed, and after any other command', () => {
    const open = noted('RLRL KK RLRL', 4, 8)
    const both = keys(keys(open, 12, 12, 'K'), 0, 0, 'L')
    expect(notesOf(both)).toEqual(['5: 4', '9: 8'])
    const moved = runCommand(keys(open, 0, 0, 'L'), { kind: 'set', rows: [['tempo', ['99']]] })
    expect(notesOf(keys(moved, 1, 1, 'L'))).toEqual(['6: 4', '10: 8'])
  })

  it('go with their strokes through changes of the workbench, also where the line keeps its size', () => {
    const open = noted('RLLRK RLK', 2, 6)
    const run = (edit: Edit | null) => {
      if (!edit) throw new Error('nothing to do')
      return runCommand(open, { kind: 'change', ...edit })
    }
    const { lick } = open.good
    const inserted = run(insertPhrase(lick, 5, phraseOf(lick.line, { from: 0, to: 2 }), 'Insert'))
    expect([lineOf(inserted), notesOf(inserted)]).toEqual(['RLLRK RL RLK', ['2: 2', '8: 6']])
    const cut = run(replaceRange(lick, { from: 0, to: 5 }, toPhrase([]), 'Cut'))
    expect([lineOf(cut), notesOf(cut)]).toEqual(['RLK', ['1: 6']])
    expect(notesOf(runCommand(cut, { kind: 'undo' }))).toEqual(['2: 2', '6: 6'])
    const rotate = CHANGES.find(({ id }) => id.startsWith('rotate'))
    if (!rotate) throw new Error('no rotation in the list')
    expect(pinsOf(run(applyChange(lick, { from: 0, to: 8 }, rotate)))).toEqual([1, 5])
  })

  it('take the swells along, and bring them back with undo', () => {
    const open = openDocument({
      text: 'title: Ring\nswell:  2..5   ghost>accent # roll\nline: RLRL RLRL\n',
      draft: null,
      voicing: '',
    })
    const swellsOf = ({ good }: BenchDocument) =>
      good.lick.frame.swells.map(({ from, to }) => [from, to])
    const front = keys(open, 0, 0, 'RL')
    expect([lineOf(front), swellsOf(front)]).toEqual(['RLRLRL RLRL', [[4, 7]]])
    expect(front.history.text).toContain('swell:  4..7 ghost>accent # roll')
    expect(swellsOf(keys(open, 4, 4, 'KK'))).toEqual([[2, 7]])
    expect(swellsOf(keys(open, 1, 4, ''))).toEqual([[1, 2]])
    expect(swellsOf(keys(open, 2, 7, ''))).toEqual([])
    const same = keys(open, 9, 9, ' K')
    expect(same.history.text).toContain('swell:  2..5   ghost>accent # roll')
    let back = front
    while (back.history.past.length > 0) back = runCommand(back, { kind: 'undo' })
    expect(back.history.text).toBe(open.history.text)
  })

  it('take the named parts along', () => {
    const text = 'title: Ring\nline: RLRL RLRL\npart: 2..5 middle four # hard\n'
    const open = openDocument({ text, draft: null, voicing: '' })
    const partsOf = ({ good }: BenchDocument) => good.lick.parts
    const front = keys(open, 0, 0, 'RL')
    expect(partsOf(front)).toEqual([{ name: 'middle four', from: 4, to: 7 }])
    expect(front.history.text).toContain('part: 4..7 middle four # hard')
    expect(partsOf(keys(open, 2, 7, ''))).toEqual([])
    expect(keys(open, 9, 9, ' K').history.text).toContain('part: 2..5 middle four # hard')
  })

  it('follow a stroke through any letters typed in or deleted elsewhere (law)', () => {
    const letters = fc.string({ unit: fc.constantFrom('R', 'L', 'K'), minLength: 1, maxLength: 10 })
    fc.assert(
      fc.property(
        letters,
        fc.array(fc.tuple(fc.nat(), fc.nat(), fc.boolean(), letters), { maxLength: 4 }),
        fc.nat(),
        (line, edits, at) => {
          let document = noted(line, at % line.length)
          let place = at % line.length
          let length = line.length
          for (const [a, b, inserts, text] of edits) {
            const from = a % (length + 1)
            const to = inserts ? from : Math.min(length, from + (b % 3))
            if (to < from || (from <= place && place < to)) continue
            document = keys(document, from, to, inserts ? text : '')
            const grown = inserts ? text.length : from - to
            if (from <= place && to <= place) place += grown
            length += grown
          }
          expect(document.voicing.notes?.map(({ slot }) => slot)).toEqual([place])
        },
      ),
      { numRuns: 300 },
    )
  })
})
