import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { LineContext } from './expansion'
import { readAlong } from './read-line'

const CONTEXT: LineContext = { grid: { value: 16, tuplet: null }, start: 0, bar: 40_320 }

/** Pieces of lines, whole ones and such as are not, with everything that one can hold. */
const piece = fc.oneof(
  { weight: 4, arbitrary: fc.stringMatching(/^[RLKHr-]{1,8}$/) },
  fc.constantFrom('>RfL', '(RK)L', '{RL}K', 'R:t1l', 'RL*3', '@1/8t RLL', 'R@1/16;tL', '|'),
  fc.constantFrom('[RL K]*2', '[RLRL', ']', 'RLRL RLRL RLRL RLRL |', '[RL]RL', 'Q', '@1/16'),
)
const text = fc.array(piece, { minLength: 1, maxLength: 14 }).map((pieces) => pieces.join(' '))

/** A change of a text at one place: what is cut, and what is put there. */
const edit = fc.record({
  at: fc.nat(),
  cut: fc.nat(6),
  put: fc.oneof(
    fc.constantFrom('', 'R', ' ', 'K', '*2', '|', '[', ']', '@1/8 ', '-', '(', ')'),
    piece,
  ),
})

describe('a line that is read along another', () => {
  it('is the line that is read alone, whatever was changed since, key by key (law)', () => {
    fc.assert(
      fc.property(
        text,
        fc.array(edit, { minLength: 1, maxLength: 8 }),
        fc.constantFrom(CONTEXT, { ...CONTEXT, bar: null }, { ...CONTEXT, start: 2520 }),
        (first, edits, context) => {
          let now = first
          let known = readAlong(now, context, null)
          let last = known.ok ? known.value : null
          for (const { at, cut, put } of edits) {
            const place = at % (now.length + 1)
            now = now.slice(0, place) + put + now.slice(place + cut)
            known = readAlong(now, context, last)
            expect([now, known]).toEqual([now, readAlong(now, context, null)])
            if (known.ok) last = known.value
          }
        },
      ),
      { numRuns: 1000 },
    )
  })

  it('keeps the slots, groups and places that did not change', () => {
    const before = readAlong('RLRL (RK)LRL RLRL RRLL', CONTEXT, null)
    if (!before.ok) throw new Error('not read')
    const after = readAlong('RLRL (RK)LRL RKRL RRLL', CONTEXT, before.value)
    if (!after.ok) throw new Error('not read')
    const [old, now] = [before.value.written, after.value.written]
    expect(now.slots[4]).toBe(old.slots[4])
    expect(now.spans[4]).toBe(old.spans[4])
    expect(now.spans[12]).toBe(old.spans[12])
    expect(after.value.pieces[3]).toBe(before.value.pieces[3])
  })

  it('is refused where a change makes it longer than it may be, or moves it over a barline', () => {
    const full = readAlong('RLRL '.repeat(256).trim(), CONTEXT, null)
    if (!full.ok) throw new Error('not read')
    expect(readAlong(`R ${full.value.text}`, CONTEXT, full.value)).toMatchObject({
      ok: false,
      error: [{ code: 'too-many-bars' }],
    })
    const checked = readAlong('RLRLRLRL RLRLRLRL | RL', CONTEXT, null)
    if (!checked.ok) throw new Error('not read')
    expect(readAlong('RLRLRLRLK RLRLRLRL | RL', CONTEXT, checked.value)).toMatchObject({
      ok: false,
      error: [{ code: 'bar-check' }],
    })
  })
})
