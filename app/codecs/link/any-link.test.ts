import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import * as random from '../../../tests/support/solos'
import { formatLink, formatSetLink, formatSoloLink, parseAnyLink } from '.'

const set = {
  name: 'Before the doors',
  plan: null,
  minutes: 4,
  licks: [
    { text: 'line: RLLRK', voicing: '' },
    { text: 'title: Ring\nline: RLK', voicing: '' },
  ],
}

describe('a link', () => {
  it('carries a whole solo, whatever is in it (law)', () => {
    fc.assert(
      fc.property(random.solo, (solo) => {
        expect(parseAnyLink(`#${formatSoloLink(solo)}`)).toEqual({
          ok: true,
          value: { kind: 'solo', solo },
        })
      }),
      { numRuns: 40 },
    )
  })

  it('carries a set with its licks, and a lick as before', () => {
    expect(parseAnyLink(formatSetLink(set))).toEqual({ ok: true, value: { kind: 'set', set } })
    const [lick] = set.licks
    if (!lick) throw new Error('no lick')
    expect(parseAnyLink(formatLink(lick))).toEqual({ ok: true, value: { kind: 'lick', lick } })
  })

  it('is refused in words where it is cut off, newer, or holds what cannot be read', () => {
    const link = formatSetLink(set)
    for (let end = 4; end < link.length; end += 1)
      expect(parseAnyLink(link.slice(0, end)).ok).toBe(false)
    const newer = parseAnyLink('e2.abc')
    expect(newer.ok ? '' : newer.error).toContain('newer')
    const bad = { ...set, licks: [...set.licks, { text: 'line: RLQ', voicing: '' }] }
    expect(parseAnyLink(formatSetLink(bad))).toMatchObject({ ok: false })
  })
})
