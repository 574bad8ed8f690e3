import fc from 'fast-check'
import { expect, it } from 'vitest'
import { showControls } from '.'

it.each([
  ['abc\u202Edef', 'abc⟨202E⟩def'],
  ['\u2066a\u2069', '⟨2066⟩a⟨2069⟩'],
  ['a\u200Bb', 'a⟨200B⟩b'],
  ['tab\tand\nrow', 'tab\tand\nrow'],
  ['żółć 漢字 🥁', 'żółć 漢字 🥁'],
])('%j is shown as %j', (text, shown) => expect(showControls(text)).toBe(shown))

it('leaves none, and is the same again when repeated (law)', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'binary' }), (text) => {
      const shown = showControls(text)
      expect(shown).not.toMatch(/[\u200E\u200F\u202A-\u202E\u2066-\u2069]/)
      expect(showControls(shown)).toBe(shown)
    }),
  )
})
