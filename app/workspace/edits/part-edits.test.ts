import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { MAX_NAMED_PARTS } from '~/core/line'
import { strokesInSlot } from '~/core/sticking'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { nameBeats, namePart, removePart, renamePart } from './part-edits'

const named = (text: string) =>
  nameBeats(lickOf(text)).lick.parts.map(({ name, from, to }) => `${name}: ${from} to ${to}`)

describe('beats as parts', () => {
  it.each([
    ['start: 3\nline: RLRL RLRL', ['beat 3: 0 to 3', 'beat 4: 4 to 7']],
    ['start: 3&\nline: RLK RLK', ['beat 3: 0 to 1', 'beat 4: 2 to 5']],
    ['start: 3a\nline: RLK RL', ['beats 3 and 4: 0 to 4']],
    ['start: 2\nline: RLRL R--- RLRL', ['beats 2 and 3: 0 to 7', 'beat 4: 8 to 11']],
    [
      'grid: 1/8\nline: RLRLRLRL RLRLRLRL',
      [
        'bar 1, beat 1: 0 to 1',
        'bar 1, beat 2: 2 to 3',
        'bar 1, beat 3: 4 to 5',
        'bar 1, beat 4: 6 to 7',
        'bar 2, beat 1: 8 to 9',
        'bar 2, beat 2: 10 to 11',
        'bar 2, beat 3: 12 to 13',
        'bar 2, beat 4: 14 to 15',
      ],
    ],
    [
      'start: 4\ngrid: 1/8\nbars: 2\nline: RL R--- RL',
      ['bar 1, beat 4 to bar 2, beat 2: 0 to 5', 'bar 2, beat 3: 6 to 7'],
    ],
  ])('of %s', (text, parts) => expect(named(text)).toEqual(parts))

  it('leave what is a part already, and come once', () => {
    const lick = lickOf('start: 3\npart: 0..3 turn\nline: RLRL RLRL')
    const once = nameBeats(lick).lick
    expect(once.parts.map(({ name }) => name)).toEqual(['turn', 'beat 4'])
    expect(nameBeats(once).lick).toEqual(once)
  })

  it('cover the line once, each with two strokes where there are two (law)', () => {
    fc.assert(
      fc.property(random.lick, (drawn) => {
        const lick = { ...drawn, parts: [] }
        const { parts } = nameBeats(lick).lick
        const { slots } = lick.line
        expect(parts.length).toBeLessThanOrEqual(MAX_NAMED_PARTS)
        let at = 0
        for (const { from, to } of parts) {
          expect(from).toBe(at)
          at = to + 1
          const strokes = slots.slice(from, to + 1).flatMap(strokesInSlot).length
          if (parts.length > 1) expect(strokes).toBeGreaterThan(1)
        }
        if (parts.length < MAX_NAMED_PARTS) expect(at).toBe(slots.length)
      }),
    )
  })
})

describe('parts by name', () => {
  const lick = lickOf('part: 0..1 first\npart: 2..3 second\nline: RLRL RLRL')
  const parts = ({ parts: all }: typeof lick) =>
    all.map(({ name, from, to }) => `${name} ${from} ${to}`)

  it('end with their last slot, and one slot is one', () => {
    expect(parts(namePart(lick, { from: 2, to: 5 }, ' the  turn # ').lick).at(-1)).toBe(
      'the turn 2 4',
    )
    expect(parts(namePart(lick, { from: 3, to: 4 }, 'one').lick).at(-1)).toBe('one 3 3')
  })

  it('are renamed and removed one at a time', () => {
    expect(parts(renamePart(lick, 1, 'other').lick)).toEqual(['first 0 1', 'other 2 3'])
    expect(parts(removePart(lick, 0).lick)).toEqual(['second 2 3'])
  })
})
