import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lickOf } from '../../../tests/support/licks'
import { parseXml, type XmlNode } from '../xml'
import { formatMusicXml, parseMusicXml } from '.'
import { playedOut } from './repeats'

/** Measures as short as a test wants them: `|: b`, `c :|`, `c :|3`, `1[ c`, `d ]`. */
function measuresOf(...written: string[]): XmlNode[] {
  return written.map((text) => {
    const name = /[a-z]/.exec(text)?.[0] ?? ''
    const times = /:\|(\d*)/.exec(text)
    const ending = /([\d,]+)\[/.exec(text)
    const xml = [
      text.includes('|:') && '<barline><repeat direction="forward"/></barline>',
      ending && `<barline><ending number="${ending[1]}" type="start"/></barline>`,
      `<note n="${name}"/>`,
      text.includes(']') && '<barline><ending number="1" type="stop"/></barline>',
      times &&
        `<barline><repeat direction="backward"${times[1] ? ` times="${times[1]}"` : ''}/></barline>`,
    ]
    return parseXml(`<measure>${xml.filter(Boolean).join('')}</measure>`)?.[0] as XmlNode
  })
}
const played = (...written: string[]) =>
  playedOut(measuresOf(...written))
    .measures.map(({ children }) => children.find(({ name }) => name === 'note')?.attributes.n)
    .join('')

describe('repeats of a score', () => {
  it('are played out, as often as they say, from the sign or the beginning', () => {
    expect(played('a', '|: b', 'c :|', 'd')).toBe('abcbcd')
    expect(played('a', 'b :|', 'c')).toBe('ababc')
    expect(played('|: a :|4', 'b')).toBe('aaaab')
    expect(played('a :|', 'b', 'c :|', 'd')).toBe('aabcbcd')
    expect(played('a', '|: b', 'c')).toBe('abc')
  })

  it('have endings of their own', () => {
    expect(played('a', '|: b', '1[ c ] :|', '2[ d ]', 'e')).toBe('abcbde')
    expect(played('a', '1[ b', 'c ] :|', '2[ d', 'e ]', 'f', 'g :|', 'h')).toBe('abcadefgfgh')
    expect(played('a', '1,2[ b ] :|', '3[ c ]', 'd')).toBe('ababacd')
    expect(played('a', '1[ b ] :|', '2[ c ] :|', 'd')).toBe('abacd')
  })

  it('end, whatever the signs are, and leave a part without them as it is (law)', () => {
    const sign = fc.constantFrom(
      '',
      '|:',
      ':|',
      ':|64',
      ':|0',
      '1[',
      '2[',
      '9,1[',
      ']',
      '|: 1[ ] :|',
    )
    fc.assert(
      fc.property(fc.array(sign, { maxLength: 24 }), (signs) => {
        const written = measuresOf(...signs.map((one) => `a ${one}`))
        const { measures } = playedOut(written)
        expect(measures.length).toBeLessThanOrEqual(4096 + written.length)
        if (signs.every((one) => one === '')) expect(measures).toEqual(written)
      }),
    )
  })

  it('stand for bars of groove that are alike, and are read as those bars', () => {
    const lick = lickOf('lead: 4\nline: RLRL*4')
    const [whole, short] = [false, true].map((repeats) =>
      formatMusicXml(lick, { beaming: 'beat', repeats }),
    )
    expect(short?.match(/<measure /g)).toHaveLength(3)
    expect(short).toContain('<repeat direction="backward" times="4"/>')
    const [one, other] = [whole, short].map((xml) => parseMusicXml(xml ?? ''))
    expect(other).toEqual(one)
    expect(other?.ok).toBe(true)
  })
})
