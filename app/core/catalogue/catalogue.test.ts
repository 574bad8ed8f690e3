import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { findPhrase, formatPhrase, mirrorHands, type Phrase, rotate } from '../changes'
import {
  CATALOGUE,
  findCells,
  formsUpToHands,
  inversionsOf,
  namesInLine,
  namesOf,
  namingWords,
  traitsOf,
} from '.'

const phrase = (line: string): Phrase => {
  const found = findPhrase(line)
  if (!found) throw new Error(`${line}: cannot be read`)
  return found
}
const name = (line: string) => {
  const [first] = namesOf(phrase(line))
  return first ? namingWords(first) : null
}

describe('the catalogue', () => {
  it('has the forty rudiments in their order, and every cell once', () => {
    expect(CATALOGUE.filter(({ rudiment }) => rudiment !== null)).toHaveLength(40)
    expect(CATALOGUE[39]?.name).toBe('Triple ratamacue')
    expect(new Set(CATALOGUE.map(({ id }) => id)).size).toBe(CATALOGUE.length)
    expect(new Set(CATALOGUE.map(({ name: said }) => said)).size).toBe(CATALOGUE.length)
  })

  it.each([
    ['five-stroke-roll', 5],
    ['nine-stroke-roll', 9],
    ['thirteen-stroke-roll', 13],
    ['seventeen-stroke-roll', 17],
    ['eleven-stroke-roll', 11],
  ])('%s has as many strokes as its name says', (id, count) => {
    const cell = CATALOGUE.find((known) => known.id === id)
    const { strokes } = traitsOf(cell?.phrase ?? phrase(''))
    expect(strokes / (cell?.phrase.groups.length ?? 1)).toBe(count)
  })

  it('has cells with kicks for every length from two to nine', () => {
    for (let slots = 2; slots <= 9; slots += 1) {
      expect(findCells(CATALOGUE, { slots, kick: true }).length).toBeGreaterThan(0)
    }
  })

  it('is searched by words, sticking, length and what is in it', () => {
    expect(findCells(CATALOGUE, { words: 'swiss' }).map(({ id }) => id)).toEqual([
      'swiss-army-triplet',
    ])
    expect(findCells(CATALOGUE, { words: 'rllrk' }).map(({ id }) => id)).toContain('linear-rllrk')
    const asked = findCells(CATALOGUE, { kick: true, family: 'linear', diddle: true, slots: 5 })
    expect(asked.map(({ id }) => id)).toEqual(['linear-rllrk', 'linear-rlrrk'])
    expect(findCells(CATALOGUE, { leads: 'L', family: 'diddle' })[0]?.phrase.slots[0]).toEqual(
      phrase('>L').slots[0],
    )
    expect(findCells(CATALOGUE, { words: '???' })).toEqual([])
  })
})

describe('names', () => {
  it.each([
    ['RLRRLRLL', 'Single paradiddle'],
    ['RLLR LRRL', 'Single paradiddle, first inversion'],
    ['RRLR LLRL', 'Single paradiddle, second inversion'],
    ['RLRL LRLR', 'Single paradiddle, third inversion'],
    ['LRLR RLRL', 'Single paradiddle, third inversion, left lead'],
    ['fLRLR RLRL', 'Single paradiddle, third inversion, left lead, flam on 1'],
    ['RLRR', 'Single paradiddle'],
    ['RLRRLRLL*2', 'Single paradiddle, 2 times'],
    ['>fRLRR >fLRLL', 'Flam paradiddle'],
    ['fRRL', 'Swiss army triplet'],
    ['RLRLRL', 'Single stroke roll, 3 times'],
    ['RLLRRL', 'Six stroke roll'],
    ['RLRRLL', 'Single paradiddle-diddle'],
    ['RLLRK', 'Five, double and kick'],
    ['LLRRKLRL', null],
  ])('%s is %s', (line, expected) => expect(name(line)).toBe(expected))

  it('are given to groups and to the whole, also where only some have one', () => {
    const { whole, groups } = namesInLine(phrase('RLLRK RLK J'))
    expect(whole).toBeNull()
    expect(groups.map((found) => found?.cell.id ?? null)).toEqual([
      'linear-rllrk',
      'linear-rlk',
      null,
    ])
  })

  it('find every cell from any stroke and by either hand (law)', () => {
    fc.assert(
      fc.property(fc.constantFrom(...CATALOGUE), fc.nat(40), fc.boolean(), (cell, steps, other) => {
        const turned = rotate(cell.phrase, steps)
        const names = namesOf(other ? mirrorHands(turned) : turned)
        expect(names.map((found) => found.cell.id)).toContain(cell.id)
      }),
      { numRuns: 200 },
    )
  })
})

describe('forms', () => {
  it.each([
    ['RLLRRL', 6, 6],
    ['RLRL', 2, 1],
    ['RRK', 3, 3],
    ['RRLLRLLRRL', 10, 5],
  ])('%s has %i inversions, %i up to swapped hands', (line, all, upToHands) => {
    expect(inversionsOf(phrase(line))).toHaveLength(all)
    expect(formsUpToHands(phrase(line))).toBe(upToHands)
  })

  it('number the mirrors among them', () => {
    expect(inversionsOf(phrase('RRLLRLLRRL'))[5]?.mirrorOf).toBe(0)
    expect(formatPhrase(rotate(phrase('RLLRRL'), 1))).toBe('LLRRLR')
    expect(formatPhrase(rotate(phrase('RLLRRL'), 2))).toBe('LRRLRL')
  })
})

describe('what a name says', () => {
  const named = (line: string) => namesOf(findPhrase(line) as Phrase).map(namingWords)

  it('counts the inversion of the whole cell, also where half of it is played', () => {
    expect(named('LRRLRLLR')[0]).toMatch(/paradiddle/i)
    expect(named('RLLRLRRL').some((name) => /inversion/.test(name))).toBe(true)
  })

  it('asks for ghosts where the cell has them: RLLR is no accent and ghosts', () => {
    expect(named('RLLR').join()).not.toMatch(/ghost/i)
  })
})
