import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { MAX_SLOTS } from '../line'
import { parseLine } from '.'

const GRID = { value: 16, tuplet: null } as const
const context = { grid: GRID, start: 0, bar: null }

describe('groups of letters alone', () => {
  it('are read as the same slots, places and groups as letter by letter (law)', () => {
    const group = fc
      .array(fc.constantFrom(...'RLXKHJrlxkhj-'), { minLength: 1, maxLength: 12 })
      .map((letters) => letters.join(''))
    fc.assert(
      fc.property(fc.array(group, { minLength: 1, maxLength: 12 }), (groups) => {
        const plain = parseLine(groups.join(' '), context)
        // A repeat of one is read letter by letter, each two places further to the right.
        const slow = parseLine(groups.map((one) => `${one}*1`).join(' '), context)
        expect(plain.ok && slow.ok).toBe(true)
        if (!plain.ok || !slow.ok) return
        expect(plain.value.line).toEqual(slow.value.line)
        let [at, letter] = [0, 0]
        for (const one of groups) {
          for (let i = 0; i < one.length; i += 1) {
            expect(plain.value.spans[letter]).toEqual({ from: at + i, to: at + i + 1 })
            letter += 1
          }
          at += one.length + 1
        }
      }),
    )
  })

  it('are refused at the same letter where a line is too long', () => {
    const long = `${'RL'.repeat(MAX_SLOTS / 2 - 2)} RLRLRL`
    const [plain, slow] = [long, long.replaceAll(' ', '*1 ')].map((text) =>
      parseLine(text, context),
    )
    expect([plain?.ok, slow?.ok]).toEqual([false, false])
    if (plain?.ok !== false || slow?.ok !== false) return
    expect(plain.error[0]?.code).toBe('too-many-slots')
    expect(slow.error[0]?.code).toBe('too-many-slots')
    expect((slow.error[0]?.at ?? 0) - (plain.error[0]?.at ?? 0)).toBe(2)
    const bars = { ...context, bar: 40320 }
    expect(parseLine('RLRL '.repeat(600), bars).ok).toBe(false)
  })
})
