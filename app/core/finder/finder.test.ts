import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { allWays, type GridRun, slotsOfGrids } from '../../../tests/support/all-ways'
import { stickingKey } from '../catalogue'
import { findPhrase, formatPhrase, type Phrase } from '../changes'
import { toRandomStream } from '../foundation'
import { DEFAULT_SETTING } from '../playability'
import type { Letter, Limb, SlotContent } from '../sticking'
import { cellsOfPattern } from './conditions/pattern'
import { doorOf } from './door'
import { TooLarge } from './forms'
import type { Conditions, Question, Taste } from './question'
import { distance, scoresOf } from './taste'
import { Ways } from './ways'

const cell = (letters: string): Phrase => findPhrase(letters) as Phrase

/** Cells of every kind: with rests, graces, unisons, squeezes, accents and both feet. */
const CELLS = [
  'R',
  'K',
  'RL',
  '>RL',
  'RK',
  '-R',
  'RR',
  'LK',
  'RLK',
  'RLL',
  '>RLL',
  'fRL',
  '(RK)L',
  '{RL}R',
  '{RRR}L',
  'RHK',
  'dLR',
  'RLKK',
  'KJ',
  'X-',
  '{R-L}K',
  'tRLL',
  'RLRLK',
].map(cell)

/** What a slot of a pattern may be: what stands in the cells too. */
const SINGLE = ['R', 'K', '>L'].map((text) => cell(text).slots[0] as SlotContent)

const SIXTEENTHS = { value: 16, tuplet: null } as const
const TRIPLETS = { value: 8, tuplet: 't' } as const
const grids: fc.Arbitrary<readonly GridRun[]> = fc.oneof(
  { weight: 3, arbitrary: fc.integer({ min: 1, max: 7 }).map((n): GridRun[] => [[SIXTEENTHS, n]]) },
  fc
    .tuple(fc.integer({ min: 1, max: 3 }), fc.integer({ min: 1, max: 3 }))
    .map(([a, b]): GridRun[] => [
      [SIXTEENTHS, a],
      [TRIPLETS, b],
    ]),
)
const letters = fc.array(fc.constantFrom<Letter>('R', 'L', 'K', 'H'), {
  minLength: 1,
  maxLength: 2,
})
const slotNumbers = fc.array(fc.nat(6), { maxLength: 2 })

/** Each condition by itself, as it may be asked. */
const CONDITIONS: {
  readonly [Name in keyof Conditions]-?: fc.Arbitrary<NonNullable<Conditions[Name]>>
} = {
  starts: letters,
  ends: letters,
  free: fc.record({
    letter: fc.constantFrom('R', 'L', 'K'),
    tempo: fc.integer({ min: 40, max: 260 }),
    wayMs: fc.integer({ min: 0, max: 400 }),
  }),
  linear: fc.constantFrom('alone', 'layers'),
  clear: fc.constant(true),
  accents: fc.record({ must: slotNumbers, not: slotNumbers, put: fc.boolean() }),
  runs: fc.integer({ min: 1, max: 3 }),
  kicks: fc.tuple(fc.nat(3), fc.nat(3)).map(([least, more]) => ({ least, most: least + more })),
  kicksApart: fc.constant(true),
  kicksOn: slotNumbers,
  speed: fc.integer({ min: 40, max: 260 }),
  inRow: fc.integer({ min: 1, max: 2 }),
  sizes: fc.constantFrom('rising', 'falling', 'mirrored'),
  backbeat: fc.record({ letter: fc.constantFrom('R', 'L', 'K'), slots: slotNumbers }),
  fresh: fc.record({
    least: fc.integer({ min: 1, max: 4 }),
    lines: fc.array(
      fc.constantFrom(
        ...['RLRLKRL', 'RLKRLLK', 'KKRLRLL', '(RK)LRLLRL'].map((text) => cell(text).slots),
      ),
      { maxLength: 3 },
    ),
  }),
  grouping: fc.record({
    sizes: fc.array(fc.integer({ min: 1, max: 4 }), { minLength: 1, maxLength: 4 }),
    ordered: fc.boolean(),
  }),
  pattern: fc.record({
    slots: fc.array(
      fc.record({
        plain: fc.constantFrom(...SINGLE),
        put: fc.option(fc.constantFrom(...SINGLE)),
      }),
      { minLength: 7, maxLength: 7 },
    ),
    least: fc.nat(2),
    most: fc.nat(4),
    apart: fc.boolean(),
  }),
}
const NAMES = Object.keys(CONDITIONS) as (keyof Conditions)[]

/** A question with some conditions, small enough to be answered by trying all. */
function asking(names: fc.Arbitrary<readonly (keyof Conditions)[]>) {
  return names.chain((chosen) => {
    const wanted = Object.fromEntries(chosen.map((name) => [name, CONDITIONS[name]]))
    return fc.record({
      grids,
      start: fc.constantFrom(0, 2520, 5040),
      cells: fc.uniqueArray(fc.nat(CELLS.length - 1), { minLength: 1, maxLength: 4 }),
      uses: fc.array(fc.tuple(fc.nat(2), fc.nat(2), fc.nat(4)), { minLength: 4, maxLength: 4 }),
      forms: fc.record({ inversions: fc.boolean(), mirrors: fc.boolean(), cut: fc.boolean() }),
      layers: fc.array(
        fc.record({
          tick: fc.nat(6).map((n) => n * 2520),
          limb: fc.constantFrom<Limb>('RH', 'LH', 'RF', 'LF'),
        }),
        { maxLength: 3 },
      ),
      conditions: fc.record(wanted) as unknown as fc.Arbitrary<Conditions>,
      taste,
    })
  })
}
const weight = fc.integer({ min: -2, max: 2 })
const taste: fc.Arbitrary<Taste> = fc.record({
  kicks: weight,
  offbeats: weight,
  repeats: weight,
  doubles: weight,
  cells: fc.array(weight, { maxLength: 4 }),
  like: fc.record({ weight, slots: fc.constant(cell('RLRLKRL').slots) }),
})
type Asked = ReturnType<typeof asking> extends fc.Arbitrary<infer A> ? A : never

function questionOf({
  grids: runs,
  start,
  cells,
  uses,
  forms,
  layers,
  conditions,
  taste: liked,
}: Asked): Question {
  const slots = slotsOfGrids(runs)
  const space = { start, slots, beat: 10_080, layers }
  // Lines to differ from are as long as the space.
  const fresh = conditions.fresh && {
    fresh: {
      ...conditions.fresh,
      lines: conditions.fresh.lines.map((line) => line.slice(0, slots.length)),
    },
  }
  // A pattern is made of what stands in its slots, one by one.
  const pattern = conditions.pattern && {
    ...conditions.pattern,
    slots: conditions.pattern.slots.slice(0, slots.length),
  }
  if (pattern)
    return {
      space,
      cells: cellsOfPattern(pattern.slots),
      forms: { inversions: false, mirrors: false, cut: false },
      conditions: {
        ...conditions,
        ...fresh,
        pattern,
      },
      taste: liked,
      setting: DEFAULT_SETTING,
    }
  return {
    space,
    cells: cells.map((one, i) => {
      const [least, more, seldom] = uses[i] as [number, number, number]
      // Most cells may be used as often as they fit.
      return { phrase: CELLS[one] as Phrase, ...(seldom === 0 && { least, most: least + more }) }
    }),
    forms,
    conditions: {
      ...conditions,
      ...fresh,
    },
    taste: liked,
    setting: DEFAULT_SETTING,
  }
}

const nameOf = ({ phrase }: { readonly phrase: Phrase }) =>
  `${formatPhrase(phrase)} ${phrase.groups.join(' ')}`

/** The groups of a pattern are its beats, whatever it was put together from. */
const namedIn =
  ({ conditions }: Question) =>
  (one: { readonly phrase: Phrase }) =>
    conditions.pattern ? stickingKey(one.phrase) : nameOf(one)

/** Count, numbers, order and draw of a question held against all that brute force finds. */
function holds(asked: Asked): void {
  const question = questionOf(asked)
  const named = namedIn(question)
  const all = allWays(question, asked.grids)
  const ways = new Ways(question)
  expect(ways.count).toBe(BigInt(all.length))
  const listed = all.map(named).sort()
  expect(all.map((_, i) => named(ways.at(BigInt(i)))).sort()).toEqual(listed)
  const ordered = [...ways.inOrder()]
  expect(ordered.map(named).sort()).toEqual(listed)
  const { form, join } = scoresOf(question.taste, question.space)
  const scoreOf = (way: (typeof all)[number]) => {
    let at = 0
    return way.forms.reduce((sum, one, i) => {
      const own = form(one, at) + join(way.cells[i - 1] ?? null, one.cell)
      at += one.slots.length
      return sum + own
    }, 0)
  }
  const scores = new Map(all.map((way) => [named(way), scoreOf(way)]))
  for (const [i, way] of ordered.entries()) {
    expect(way.score).toBe(scores.get(named(way)))
    expect(way.score).toBeLessThanOrEqual(ordered[i - 1]?.score ?? Number.POSITIVE_INFINITY)
  }
  const drawn = ways.draw(toRandomStream(asked.start + all.length))
  if (all.length === 0) expect(drawn).toBeNull()
  else expect(listed).toContain(named(drawn as Phrased))
}
type Phrased = { readonly phrase: Phrase }

describe('every way that obeys a question', () => {
  const runs = Number(process.env.QUESTIONS ?? 12)

  it.each(NAMES)('is what brute force finds, asked for %s alone (law)', (name) => {
    fc.assert(fc.property(asking(fc.constant([name])), holds), { numRuns: runs })
  })

  it('is what brute force finds, asked for two and more conditions (law)', () => {
    const several = fc.subarray(NAMES, { minLength: 2, maxLength: 4 })
    fc.assert(fc.property(asking(several), holds), { numRuns: runs * 4 })
  })

  it('is thinned as by hand: each that differs from those before it in so many slots (law)', () => {
    fc.assert(
      fc.property(asking(fc.constant([])), fc.integer({ min: 1, max: 4 }), (asked, apart) => {
        const ways = new Ways(questionOf(asked))
        const { ways: shown, complete } = ways.best(8, apart)
        const kept: Phrase[] = []
        for (const { phrase } of ways.inOrder()) {
          if (kept.length === 8) break
          if (kept.every((one) => distance(one.slots, phrase.slots) >= apart)) kept.push(phrase)
        }
        expect(complete).toBe(true)
        expect(shown.map(({ phrase }) => formatPhrase(phrase))).toEqual(kept.map(formatPhrase))
      }),
      { numRuns: runs },
    )
  })
})

const plain = (lines: readonly string[], slots: number, conditions: Conditions = {}): Question => ({
  space: { start: 0, slots: Array.from({ length: slots }, () => 2520), beat: 10_080, layers: [] },
  cells: lines.map((line) => ({ phrase: cell(line) })),
  forms: { inversions: false, mirrors: false, cut: false },
  conditions,
  taste: {},
  setting: DEFAULT_SETTING,
})

describe('a question', () => {
  it('is counted beyond what a float can hold', () => {
    // Every slot is one of three; no power of two, which a float holds whatever its size.
    expect(new Ways(plain(['R', 'L', 'K'], 150)).count).toBe(3n ** 150n)
  })

  it('is drawn from evenly (chi-squared)', () => {
    const ways = new Ways(plain(['R', 'RL', 'RLK'], 8, { kicks: { least: 0, most: 1 } }))
    const [kinds, draws] = [Number(ways.count), 40_000]
    const seen = new Map<string, number>()
    const random = toRandomStream(11)
    for (let i = 0; i < draws; i += 1) {
      const name = nameOf(ways.draw(random) as Phrased)
      seen.set(name, (seen.get(name) ?? 0) + 1)
    }
    expect(seen.size).toBe(kinds)
    const mean = draws / kinds
    const chi = [...seen.values()].reduce((sum, n) => sum + (n - mean) ** 2 / mean, 0)
    // Five standard deviations over the mean of the distribution with so many degrees of freedom.
    expect(chi).toBeLessThan(kinds - 1 + 5 * Math.sqrt(2 * (kinds - 1)))
  })

  it('draws the same by the same seed', () => {
    const ways = new Ways(plain(['R', 'RL', 'RLK'], 24))
    const draw = (seed: number) => nameOf(ways.draw(toRandomStream(seed)) as Phrased)
    expect(draw(5)).toBe(draw(5))
    expect(new Set([1, 2, 3, 4, 5].map(draw)).size).toBe(5)
  })

  it('has no way where its space is empty, and no way by a wrong number', () => {
    expect(new Ways(plain(['R'], 0)).count).toBe(0n)
    const ways = new Ways(plain(['R', 'L'], 2))
    expect(() => ways.at(4n)).toThrow(RangeError)
    expect(() => ways.at(-1n)).toThrow(RangeError)
  })

  it('that is too large says what makes it so', () => {
    const grouping = { sizes: Array.from({ length: 64 }, (_, i) => 1 + (i % 8)), ordered: false }
    const lines = ['R', 'RL', 'RLK', 'RLRK', 'RLRLK', 'RLRLRK', 'RLRLRLK', 'RLRLRLRK']
    expect(() => new Ways(plain(lines, 256, { grouping }))).toThrow(TooLarge)
    expect(() => new Ways(plain(lines, 256, { grouping }))).toThrow('grouping')
    const long = Array.from(
      { length: 100 },
      (_, i) => `${'R'.repeat(i + 1)}${'L'.repeat(200 - i)}K`,
    )
    const turned = { inversions: true, mirrors: true, cut: true }
    expect(() => new Ways({ ...plain(long, 256), forms: turned })).toThrow('cells')
    // What is longer than the space is not looked at.
    expect(new Ways(plain([...long, 'RLK'], 6)).count).toBe(1n)
  })
})

describe('a door that is shut', () => {
  it('is opened by the condition that shuts it, with the ways that there are then', () => {
    const question = plain(['RLK', 'RL'], 8, { kicks: { least: 5, most: 9 }, runs: 3 })
    const { openings } = doorOf(question)
    expect(openings).toEqual([
      { without: ['kicks'], count: new Ways(plain(['RLK', 'RL'], 8)).count },
    ])
  })

  it('is opened by a pair where no single one opens it', () => {
    const question = plain(['RLK', 'RL'], 8, { starts: ['K'], ends: ['R'], runs: 3 })
    const { openings } = doorOf(question)
    expect(openings.map(({ without: bolts }) => bolts)).toEqual([['starts', 'ends']])
  })

  it('tells the nearest lengths that work', () => {
    const { openings, lengths } = doorOf(plain(['RLRLR', 'RLRLRLK'], 16))
    expect(openings).toEqual([])
    expect(lengths.map(({ slots, count }) => [slots, count])).toEqual([
      [15, 1n],
      [17, 3n],
    ])
  })

  it('is opened by how often cells are used', () => {
    const shut = plain(['RLK', 'RL'], 5)
    const question = { ...shut, cells: shut.cells.map((one) => ({ ...one, least: 2 })) }
    expect(doorOf(question).openings).toEqual([{ without: ['uses'], count: 2n }])
  })
})
