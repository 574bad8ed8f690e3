import { describe, expect, it, test } from 'vitest'
import type { Result } from '~/core/foundation'
import { DEFAULT_KIT } from '~/core/kit'
import { parseBundle } from './bundle'
import { formatKit, kitFault } from './kit'
import { parseSolo } from './solo'

type Field = Record<string, unknown> | unknown[]

/** Every place of a JSON value, as the group or list that holds it and its name or number there. */
function placesIn(value: unknown): { holder: Field; at: string | number }[] {
  if (typeof value !== 'object' || value === null) return []
  const holder = value as Field
  const keys = Array.isArray(value) ? value.map((_, i) => i) : Object.keys(value)
  return keys.flatMap((at) => [
    { holder, at },
    ...placesIn((holder as Record<string | number, unknown>)[at]),
  ])
}

const SOLO = {
  format: 'dime-stack-solo',
  version: 1,
  title: 'Any',
  meter: '4/4',
  tempo: 90,
  parts: [
    { kind: 'groove', id: 'a', name: '', groove: 'eighths', meter: '4/4', bars: 2 },
    {
      ...{ kind: 'flow', id: 'b', name: '', meter: '4/4', grid: '1/8', bars: 2, phrase: 1 },
      ...{ mostInRow: 2, tail: 'plain', seed: 1 },
      sources: [{ name: 'a', line: 'RL', grid: '1/8', weight: 1 }],
    },
  ],
}

/** What a reader of files says of one that it refuses; empty for one that it reads. */
const faultOf =
  (parse: (json: string) => Result<unknown, { readonly message: string }>) =>
  (json: string): string => {
    const read = parse(json)
    return read.ok ? '' : read.error.message
  }

describe('what is wrong in a file', () => {
  const kit = (change: (kit: { pieces: Record<string, unknown>[]; id?: string }) => void) => {
    const changed = JSON.parse(formatKit(DEFAULT_KIT))
    change(changed)
    return kitFault(JSON.stringify(changed))
  }

  it('is told with its place, counted from 1, in words', () => {
    expect(kit(({ pieces }) => delete pieces[0]?.diameter)).toBe('Piece 1: “diameter” is missing.')
    expect(kit(({ pieces }) => Object.assign(pieces[2] ?? {}, { x: 4000 }))).toBe(
      'Piece 3: “x” is more than 300.',
    )
    expect(kit((whole) => delete whole.id)).toBe('This is not a kit file.')
    const [, flow] = SOLO.parts
    const { mostInRow: _, ...without } = flow as typeof flow & { mostInRow: number }
    expect(parseSolo(JSON.stringify({ ...SOLO, parts: [SOLO.parts[0], without] }))).toMatchObject({
      error: { message: 'Part 2: “most in row” is missing.' },
    })
  })

  test.each([
    ['kit', JSON.parse(formatKit(DEFAULT_KIT)), kitFault],
    ['solo', SOLO, faultOf(parseSolo)],
    [
      'collection',
      { format: 'dime-stack-bundle', version: 1, licks: [{ id: 'a', text: 'RL' }] },
      faultOf(parseBundle),
    ],
  ] as const)('of a %s never speaks as a program does, whatever is broken', (_, whole, parse) => {
    let refused = 0
    for (const i of placesIn(whole).keys())
      for (const put of [undefined, 7.5, 'x'.repeat(99_999), null, [], {}, -1]) {
        const broken = JSON.parse(JSON.stringify(whole))
        const { holder, at } = placesIn(broken)[i] as ReturnType<typeof placesIn>[number]
        if (put === undefined) delete (holder as Record<string | number, unknown>)[at]
        else (holder as Record<string | number, unknown>)[at] = put
        const words = parse(JSON.stringify(broken))
        if (words === '') continue
        refused += 1
        expect(words).toMatch(/^\S.*\.$/)
        expect(words).not.toMatch(/undefined|Invalid|received|[a-z]\.[a-z0-9]/)
      }
    expect(refused).toBeGreaterThan(10)
  })
})
