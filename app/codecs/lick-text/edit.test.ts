import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { applyTransaction, toTransaction } from '~/core/editing'
import { lineTextOf, setLineText, setValues, valuesOf } from '.'

const TEXT =
  'dime-lick: 1\ntitle: Ring   # mine\nmeter: 3/4\nline: RLLK RLK # seven\nline: RL\nunder: H\n'
const edit = (text: string, splices: Parameters<typeof toTransaction>[1]) =>
  applyTransaction(text, toTransaction('edit', splices))

describe('editing a text in place', () => {
  it('replaces values and leaves comments and other rows as typed', () => {
    expect(edit(TEXT, setValues(TEXT, 'title', ['Rung']))).toBe(TEXT.replace('Ring', 'Rung'))
    expect(edit(TEXT, setValues(TEXT, 'under', ['H', '@1/4 K']))).toBe(`${TEXT}under: @1/4 K\n`)
    expect(edit(TEXT, setValues(TEXT, 'under', []))).toBe(TEXT.replace('under: H\n', ''))
  })

  it('puts a missing key where it belongs', () => {
    expect(edit(TEXT, setValues(TEXT, 'tempo', ['96']))).toContain('meter: 3/4\ntempo: 96\nline:')
    expect(edit('RLK', setValues('RLK', 'grid', ['1/8']))).toBe('grid: 1/8\nRLK')
  })

  it('gives the sticking back exactly as it was typed, blanks and comments too', () => {
    const typed = fc.string({ unit: fc.constantFrom('R', 'l', ' ', '#', '(', '\n', '>', ':') })
    fc.assert(
      fc.property(typed, (line) => {
        const text = edit(TEXT, setLineText(TEXT, line))
        // A row without a stroke says nothing yet, so its blanks are not the sticking's.
        const saying = (rows: string) =>
          rows.split('\n').filter((row) => row.replace(/(^|[ \t])#.*/, '').trim() !== '')
        expect(saying(lineTextOf(text))).toEqual(saying(line))
        expect(valuesOf(text, 'meter')).toEqual(['3/4'])
      }),
    )
  })
})
