import fc from 'fast-check'
import { zlibSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import * as random from '../../../tests/support/arbitraries'
import { formatLickText } from '../lick-text'
import { formatLink, parseLink } from '.'

const TEXT = 'title: Tightrope\nstart: 2&\nline: >R:t1llRl >R:f1lK >LK\n'
const toHash = (bytes: Uint8Array) =>
  `#1.${btoa(String.fromCharCode(...bytes))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replace(/=+$/, '')}`

describe('a lick in a link', () => {
  it('comes back as it was, in letters that an address keeps', () => {
    fc.assert(
      fc.property(random.lick, (lick) => {
        const text = formatLickText(lick)
        const link = formatLink({ text, voicing: '' })
        expect(link).toMatch(/^1\.[\w-]+$/)
        expect(parseLink(`#${link}`)).toEqual({ ok: true, value: { text, voicing: '' } })
      }),
      { numRuns: 100 },
    )
  })

  it('is short: a bar of fill with its frame takes less than two hundred letters', () => {
    expect(formatLink({ text: TEXT, voicing: '' }).length).toBeLessThan(200)
  })

  it.each([
    ['', /no lick in this link/],
    ['#', /no lick in this link/],
    ['#2.abc', /newer Dime Stack/],
    ['#hello', /incomplete/],
    ['#1.', /incomplete/],
    ['#1.***', /incomplete/],
    [toHash(zlibSync(new TextEncoder().encode('line: RL'))), /incomplete/],
    [toHash(zlibSync(new TextEncoder().encode('line: RQ\u0000'))), /cannot be read/],
    [toHash(zlibSync(new TextEncoder().encode('line: RL\u0000{"rules":7}'))), /voices/],
    [toHash(zlibSync(new Uint8Array(40_000_000))), /incomplete/],
  ])('%.24s is refused in words', (hash, words) => {
    const read = parseLink(hash)
    expect(read.ok ? '' : read.error).toMatch(words)
  })

  it('is refused whatever is cut off or changed, and never taken for another lick', () => {
    const link = formatLink({ text: TEXT, voicing: '' })
    for (let cut = 3; cut < link.length; cut += 1) {
      expect(parseLink(link.slice(0, cut)).ok).toBe(false)
    }
    fc.assert(
      fc.property(fc.nat(link.length - 3), fc.constantFrom(...'abcXYZ019-_'), (at, letter) => {
        const changed = link.slice(0, at + 2) + letter + link.slice(at + 3)
        const read = parseLink(changed)
        if (read.ok) expect(read.value.text).toBe(TEXT)
      }),
      { numRuns: 500 },
    )
  })
})
