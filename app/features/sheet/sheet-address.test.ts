import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DEFAULT_CHOICES } from '~/core/sheet'
import { formatSheetAddress, MAX_ON_SHEET, parseSheetAddress } from './sheet-address'

const read = (search: string) => parseSheetAddress(new URLSearchParams(search))

describe('the address of a sheet', () => {
  it('has only what is not as usual', () => {
    const state = {
      solo: null,
      ids: ['a', 'b'],
      title: '',
      note: '',
      under: [],
      choices: DEFAULT_CHOICES,
    }
    expect(formatSheetAddress(state)).toBe('licks=a%2Cb')
    expect(
      formatSheetAddress({
        ...state,
        choices: { ...DEFAULT_CHOICES, paper: 'Letter', stacks: false },
      }),
    ).toBe('licks=a%2Cb&paper=Letter&stacks=false')
  })

  it('is read as it was written (law)', () => {
    const state = fc.record({
      solo: fc.constantFrom(null, 'abc'),
      ids: fc.uniqueArray(fc.stringMatching(/^[a-z0-9-]{1,12}$/), { maxLength: 8 }),
      title: fc.string({ maxLength: 60 }),
      note: fc.string({ maxLength: 200 }),
      under: fc.constantFrom([], ['parts'], ['versions'], ['parts', 'versions']),
      choices: fc.record({
        paper: fc.constantFrom('A4', 'Letter'),
        size: fc.constantFrom('small', 'normal', 'large'),
        mostSystems: fc.constantFrom(null, 1, 4, 20),
        stacks: fc.boolean(),
        sticking: fc.constantFrom('below', 'above', 'none'),
        footLetters: fc.boolean(),
        counts: fc.boolean(),
        voices: fc.boolean(),
        groove: fc.constantFrom('notes', 'slashes', 'none'),
        beaming: fc.constantFrom('beat', 'group'),
        ladder: fc.boolean(),
        key: fc.boolean(),
        turned: fc.boolean(),
      }),
    })
    fc.assert(
      fc.property(state, (one) => {
        expect(read(formatSheetAddress(one as Parameters<typeof formatSheetAddress>[0]))).toEqual(
          one,
        )
      }),
    )
  })

  it('is as usual where it tells what is not known, and never holds more than a sheet does', () => {
    const strange = read('paper=A0&size=huge&systems=1e9&with=all&sticking=&licks=a,,a,b')
    expect(strange.choices).toEqual(DEFAULT_CHOICES)
    expect([strange.ids, strange.under]).toEqual([['a', 'b'], []])
    const many = Array.from({ length: 500 }, (_, i) => `x${i}`).join()
    expect(read(`licks=${many}`).ids).toHaveLength(MAX_ON_SHEET)
    expect(read(`title=${'t'.repeat(90_000)}`).title).toHaveLength(2000)
  })
})
