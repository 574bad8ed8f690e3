import { describe, expect, it } from 'vitest'
import { DEFAULT_KIT } from '~/core/kit'
import { PLAIN_VOICING, type Voicing, voicingPresets } from '~/core/voicing'
import { formatVoicing, parseVoicing, turnVoicing } from '.'

const all: Voicing = {
  rules: [
    ...voicingPresets(DEFAULT_KIT).flatMap(({ rules }) => rules),
    {
      hands: 'RH',
      which: { kind: 'every' },
      action: { kind: 'draw', surfaces: ['t1', 'f1'], per: 'stroke', twice: false, seed: 41 },
      on: true,
    },
  ],
  pins: [{ slot: 4, surface: 'sn' }],
  notes: [{ slot: 3, text: 'low wrist' }],
  about: 'Keep the left low.\nBreathe before 3.',
}

const NONE = 'none of this version’s'

describe('voicings as JSON', () => {
  it('are read back the same; nothing is written for none', () => {
    expect(parseVoicing(formatVoicing(all))).toEqual({ ok: true, value: all })
    const { notes: _, about: _about, ...bare } = all
    expect(parseVoicing(formatVoicing(bare))).toEqual({ ok: true, value: bare })
    expect(formatVoicing(PLAIN_VOICING)).toBe('')
    expect(parseVoicing('')).toEqual({ ok: true, value: PLAIN_VOICING })
  })

  it.each([
    ['{', 'no JSON'],
    ['[]', NONE],
    ['{"rules":[],"pins":[],"notes":[{"slot":1,"text":" "}]}', NONE],
    ['{"rules":[],"pins":[{"slot":-1,"surface":"sn"}]}', NONE],
    ['{"rules":[{"hands":"feet","which":{"kind":"every"},"on":true}],"pins":[]}', NONE],
    [
      '{"rules":[{"hands":"RH","which":{"kind":"every"},"action":{"kind":"put","surface":"zz"},"on":true}],"pins":[]}',
      NONE,
    ],
    [
      '{"rules":[{"hands":"RH","which":{"kind":"every"},"action":{"kind":"draw","surfaces":[],"per":"stroke","twice":true,"seed":-1},"on":true}],"pins":[]}',
      NONE,
    ],
    [`"${' '.repeat(70_000)}"`, '64 KiB'],
  ])('refuse %.60s, saying why', (json, why) => {
    const read = parseVoicing(json)
    expect(!read.ok && read.error).toContain(why)
  })

  it('are turned for a left-handed player, and back', () => {
    const json = formatVoicing(all)
    expect(turnVoicing(json)).not.toBe(json)
    expect(turnVoicing(turnVoicing(json))).toBe(json)
    expect(turnVoicing('{')).toBe('{')
  })
})
