import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { recogniseFile } from '~/codecs/any-file'
import { toSections } from '~/core/solo'
import { toMeter } from '~/core/time'
import { lickOf } from '../../../tests/support/licks'
import * as random from '../../../tests/support/solos'
import { formatSolo, parseSolo } from '.'

const written = random.soloOf([
  random.parts.groove(2),
  random.parts.lick(lickOf('title: Fill\nstart: 3\nline: RLRL RLRL')),
  random.parts.others(4),
  {
    kind: 'flow',
    id: 'flow',
    name: 'loose',
    sources: [
      {
        name: 'five',
        line: lickOf('line: RLLRK').line,
        grid: { value: 16, tuplet: null },
        weight: 2,
      },
    ],
    meter: toMeter(4, 4),
    grid: { value: 16, tuplet: null },
    bars: 4,
    phrase: 2,
    mostInRow: 2,
    tail: 'singles',
    seed: 9,
  },
])

describe('a solo as a file', () => {
  it('is read back as it was, whatever is in it', () => {
    fc.assert(
      fc.property(random.solo, (solo) => {
        const read = parseSolo(formatSolo(solo))
        expect(read).toEqual({ ok: true, value: solo })
      }),
      { numRuns: 150 },
    )
    expect(parseSolo(formatSolo(written))).toEqual({ ok: true, value: written })
    expect(toSections(written)).toHaveLength(5)
  })

  it('is known by what is in it', () => {
    const bytes = new TextEncoder().encode(formatSolo(written))
    expect(recogniseFile(bytes)).toMatchObject({ ok: true, value: { kind: 'solo', title: 'Solo' } })
  })

  it('is refused in words where it is broken, newer, or none', () => {
    const text = formatSolo(written)
    const refused = (changed: string) => {
      const read = parseSolo(changed)
      return read.ok ? 'read' : `${read.error.code}: ${read.error.message}`
    }
    expect(refused(text.slice(0, -9))).toMatch(/^not-json: .* cut off/)
    expect(refused('{}')).toBe('not-a-solo: The file is not a solo.')
    expect(refused(text.replace('"version": 1', '"version": 2'))).toMatch(
      /^newer: .* newer version/,
    )
    expect(refused(text.replace(/line: RLRL[^\\]*/, 'line: RLQ'))).toMatch(
      /^broken: Part 2: its text can’t be read: line \d+, character 9/,
    )
    expect(refused(text.replace('"bars": 4', '"bars": 65'))).toBe(
      'broken: Part 3: “bars” is more than 64.',
    )
    expect(refused(text.replace('"id": "flow"', '"id": "Fill"'))).toMatch(/an id of its own/)
    const long = random.soloOf(
      Array.from({ length: 9 }, (_, i) => ({ ...random.parts.groove(64), id: `p${i}` })),
    )
    expect(refused(formatSolo(long))).toMatch(/longer than 512 bars/)
  })
})
