import { describe, expect, it } from 'vitest'
import { formatKit } from '~/codecs/kit'
import { DEFAULT_KIT } from '~/core/kit'
import { kitDifferences } from './kit-differences'

const kit = (id: string, name: string) => ({
  id,
  version: 1 as const,
  kit: formatKit({ ...DEFAULT_KIT, id, name }),
  createdAt: 1,
})
describe('two versions of a kit', () => {
  it('are compared piece by piece', () => {
    const mine = { ...DEFAULT_KIT, id: 'kit-x', name: 'Pit' }
    const [first, second, ...rest] = mine.pieces
    if (!first || !second) throw new Error('a kit has pieces')
    const theirs = { ...mine, name: 'Ring', pieces: [{ ...first, x: first.x + 4 }, ...rest] }
    const record = (of: typeof mine) => ({ ...kit('kit-x', ''), kit: formatKit(of) })
    expect(kitDifferences(record(mine), record(mine))).toEqual([])
    const lines = kitDifferences(record(theirs), record(mine))
    expect(lines).toHaveLength(3)
    expect(lines[0]).toBe('Name: Ring in the other, Pit in yours')
    expect(lines[1]).toContain(`${first.x + 4}, ${first.y} cm`)
    expect(lines[2]).toMatch(/: only in yours$/)
  })
})
