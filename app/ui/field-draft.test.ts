import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { draftAfter, type FieldDraft, toDraft } from './field-draft'

/** A page that answers each value it is handed only some keys later, and a hand that types on. */
function typedOver(word: string, lateness: readonly number[]): FieldDraft {
  let draft = toDraft('')
  const answers: { readonly due: number; readonly value: string }[] = []
  for (let key = 0; key < word.length + 20; key += 1) {
    while (answers[0] && answers[0].due <= key) {
      const { value } = answers.shift() as { value: string }
      draft = draftAfter(draft, { kind: 'value', value })
    }
    const letter = word[key]
    if (letter === undefined) continue
    const typed = draft.typed + letter
    draft = draftAfter(draft, { kind: 'typed', typed, sent: typed.trim() })
    const last = answers.at(-1)?.due ?? 0
    answers.push({
      due: Math.max(last, key + 1 + (lateness[key % lateness.length] ?? 0)),
      value: typed.trim(),
    })
  }
  return draft
}

describe('what is typed in a field whose value comes back late', () => {
  test('no key is lost, however late the answers are', () => {
    fc.assert(
      fc.property(
        fc.string({ minLength: 1, maxLength: 16 }),
        fc.array(fc.nat(6), { minLength: 1, maxLength: 8 }),
        (word, lateness) => {
          expect(typedOver(word, lateness).typed).toBe(word)
        },
      ),
    )
  })

  test('cane stays cane while its first letters come back', () => {
    expect(typedOver('cane', [2]).typed).toBe('cane')
  })

  test('a value from elsewhere replaces what is typed', () => {
    const draft = draftAfter(toDraft('4/4'), { kind: 'typed', typed: '4/', sent: null })
    expect(draftAfter(draft, { kind: 'value', value: '3/4' })).toEqual(toDraft('3/4'))
  })

  test('leaving shows the value, unless it is still on its way', () => {
    const draft = draftAfter(toDraft('60'), { kind: 'typed', typed: ' 72', sent: '72' })
    expect(draftAfter(draft, { kind: 'left', value: '60' }).typed).toBe(' 72')
    const come = draftAfter(draft, { kind: 'value', value: '72' })
    expect(draftAfter(come, { kind: 'left', value: '72' }).typed).toBe('72')
  })
})
