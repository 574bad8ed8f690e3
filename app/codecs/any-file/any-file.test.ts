import fc from 'fast-check'
import { strToU8, zipSync } from 'fflate'
import { describe, expect, it, test } from 'vitest'
import { DEMO_LICKS } from '~/demo/licks'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { formatLickText } from '../lick-text'
import { formatMidi } from '../midi'
import { formatMusicXml, formatMxl } from '../musicxml'
import { PROPOSED_TAG, partText, recogniseFile } from '.'

const encode = (text: string) => new TextEncoder().encode(text)
function part(bytes: Uint8Array) {
  const read = recogniseFile(bytes)
  if (!read.ok) throw new Error(read.error.message)
  if (read.value.kind !== 'part') throw new Error(read.value.kind)
  return read.value.part
}

describe('a file is known by what is in it', () => {
  const lick = lickOf('title: Net drop\nline: RLRK LRLK')
  const xml = formatMusicXml(lick)
  const wide = Uint8Array.from([
    0xff,
    0xfe,
    ...new Uint8Array(
      Uint16Array.from(xml.replace('UTF-8', 'UTF-16'), (c) => c.charCodeAt(0)).buffer,
    ),
  ])
  test.each([
    ['MusicXML', encode(xml)],
    ['MusicXML with a mark', encode(`\ufeff${xml}`)],
    ['MusicXML in UTF-16', wide],
    ['compressed MusicXML', formatMxl(xml)],
    ['MIDI', formatMidi(lick)],
  ])('%s', (_, bytes) => expect(part(bytes).title).toBe('Net drop'))

  test.each([
    ['a zip of something else', zipSync({ 'a.txt': strToU8('a') }), 'not a Dime Stack backup'],
    [
      'a zip whose container names what is not there',
      zipSync({
        'META-INF/container.xml': strToU8(
          '<container><rootfiles><rootfile full-path="../../etc/passwd"/></rootfiles></container>',
        ),
      }),
      'does not have the file',
    ],
    [
      'a zip of zeros without end',
      formatMxl(`<score-partwise>${' '.repeat(45 * 1024 * 1024)}</score-partwise>`),
      'too large',
    ],
    [
      'a MIDI file of film frames',
      Uint8Array.from([
        ...encode('MThd'),
        0,
        0,
        0,
        6,
        0,
        1,
        0,
        1,
        0xe7,
        40,
        ...encode('MTrk'),
        0,
        0,
        0,
        4,
        0,
        0xff,
        0x2f,
        0,
      ]),
      'frames of film',
    ],
    ['a MIDI file that is cut off', formatMidi(lick).slice(0, 9), 'damaged'],
    [
      'a MIDI file of 21 MB',
      Uint8Array.from([...encode('MThd'), ...new Uint8Array(21 * 1024 * 1024)]),
      'larger than 20 MB',
    ],
    ['HTML', encode('<html><body>RLRL</body></html>'), 'no MusicXML score'],
    ['bytes', Uint8Array.from([0xff, 0xd8, 0xff, 0xe0, 1, 2]), 'neither a backup'],
  ])('%s is refused in words', (_, bytes, words) => {
    const read = recogniseFile(bytes)
    expect(read).toMatchObject({ ok: false, error: { message: expect.stringContaining(words) } })
  })
})

describe('a lick travels in the files of other programs', () => {
  it('and is taken from there whole: every lick of the demo, in each format', () => {
    for (const { text } of DEMO_LICKS) {
      const lick = lickOf(text)
      const own = formatLickText(lick)
      for (const bytes of [
        formatMidi(lick),
        encode(formatMusicXml(lick)),
        formatMxl(formatMusicXml(lick)),
      ])
        expect(partText(part(bytes))).toMatchObject({ text: own, own: true, leftOut: [] })
    }
  })

  it('as every random lick does (law)', () => {
    fc.assert(
      fc.property(random.lick, (lick) => {
        const own = formatLickText(lick)
        const read = recogniseFile(encode(formatMusicXml(lick)))
        if (!read.ok || read.value.kind !== 'part') return
        expect(partText(read.value.part).text).toBe(own)
      }),
      { numRuns: 10 },
    )
  })

  it('but not where the notes were changed since', () => {
    const lick = lickOf('lead: 0\nlanding: none\nline: RLRK LRLK RLRL*2')
    const changed = formatMusicXml(lick).replace(
      '<fingering placement="below">K</fingering>',
      '<fingering placement="below">R</fingering>',
    )
    const read = partText(part(encode(changed)))
    expect(read.own).toBe(false)
    expect(read.text).toContain('line: RLRR:bd LRLK RLRL*2')
  })

  it('and not where something else is wished', () => {
    const bytes = formatMidi(lickOf('lead: 0\nlanding: none\nline: RLRK'))
    const laid = partText(part(bytes), { grid: { value: 32, tuplet: null } })
    expect([laid.own, laid.text.includes('grid: 1/32')]).toEqual([false, true])
    expect(laid.text).toContain(`tags: ${PROPOSED_TAG}`)
  })
})
