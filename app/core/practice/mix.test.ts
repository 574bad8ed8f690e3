import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { frameTicks, type Lick, lineEvents, lineTicks, sumOf } from '../line'
import { formatLine } from '../notation'
import { toMedley } from '../performance'
import { gridTicks } from '../time'
import {
  type FlowWishes,
  fillsBar,
  type Mix,
  type MixSource,
  type Stretch,
  TAILS,
  toMix,
  toStretch,
  withWishes,
} from '.'

const source = (text: string, weight = 1): MixSource => {
  const { line, frame } = lickOf(text)
  return { name: text, line, grid: frame.grid, weight }
}
const mix = (part: Partial<Mix> = {}): Mix => ({
  frame: lickOf('tempo: 90\nline: R').frame,
  ostinatos: [],
  sources: [source('RLLRK'), source('RLK')],
  bars: 1,
  mostInRow: 9,
  tail: 'rest',
  seed: 1,
  ...part,
})
const written = ({ lick }: { lick: Lick }) => formatLine(lick.line)

describe('mixing', () => {
  it('fills every phrase to the barline, each piece where it is said to be', () => {
    const phraseAt = toMix(mix())
    for (let i = 0; i < 30; i += 1) {
      const { lick, pieces, made } = phraseAt(i)
      expect(sumOf(lick)).toMatchObject({ fits: true, bars: 1 })
      expect(made).toBe(0)
      for (const { source: which, slot } of pieces) {
        const size = which === 0 ? 5 : 3
        expect(pieces.some((one) => one.slot === slot + size) || slot + size === 16).toBe(true)
      }
    }
  })

  it('is the same for the same seed in whatever order it is asked for, and another for another', () => {
    const all = Array.from({ length: 12 }, (_, i) => written(toMix(mix())(i)))
    const phraseAt = toMix(mix())
    expect(written(phraseAt(11))).toBe(all[11])
    expect(written(phraseAt(3))).toBe(all[3])
    const other = Array.from({ length: 12 }, (_, i) => written(toMix(mix({ seed: 2 }))(i)))
    expect(other).not.toEqual(all)
  })

  it('makes up what is left: rests, singles by the other hand, kicks', () => {
    const fives = (tail: Mix['tail']) =>
      written(toMix(mix({ sources: [source('RLLRR')], tail }))(0))
    expect(fives('rest')).toBe('RLLRR*3 -')
    expect(fives('singles')).toBe('RLLRR*3 L')
    expect(fives('kicks')).toBe('RLLRR*3 K')
  })

  it('keeps licks on their own grids', () => {
    const sources = [source('grid: 1/16t\nline: RLRLLK'), source('RLLR')]
    const lines = Array.from({ length: 8 }, (_, i) => toMix(mix({ sources }))(i))
    expect(lines.every(({ lick }) => lineTicks(lick.line, lick.frame.grid) === 40320)).toBe(true)
    expect(lines.some((one) => written(one).includes('@1/16t'))).toBe(true)
  })

  it('refuses a grid that does not come out in the bar', () => {
    const frame = lickOf('meter: 5/8\ngrid: 1/4\nline: R').frame
    expect(fillsBar({ frame })).toBe(false)
    expect(() => toMix(mix({ frame }))).toThrow(RangeError)
  })

  it('ends on the barline for any licks, weights, and seed, without too many in a row (law)', () => {
    const sources = fc.array(fc.tuple(random.lick, fc.nat(4)), { maxLength: 3 })
    const rules = fc.record({
      bars: fc.integer({ min: 1, max: 4 }),
      mostInRow: fc.integer({ min: 1, max: 3 }),
      tail: fc.constantFrom(...TAILS),
      seed: fc.nat(),
    })
    fc.assert(
      fc.property(sources, rules, random.lick, (list, some, { frame }) => {
        const all = mix({
          ...some,
          frame,
          sources: list.map(
            ([
              {
                line,
                frame: { grid },
              },
              weight,
            ]) => ({ name: '', line, grid, weight }),
          ),
        })
        if (!fillsBar(all)) return
        const phraseAt = toMix(all)
        const { bar } = frameTicks(frame)
        const order: number[] = []
        for (let i = 0; i < 4; i += 1) {
          const { lick, pieces, made } = phraseAt(i)
          expect(lineTicks(lick.line, frame.grid)).toBe(all.bars * bar)
          order.push(...pieces.map((piece) => piece.source), ...(made > 0 ? [-1] : []))
        }
        for (let i = some.mostInRow; i < order.length; i += 1) {
          const run = order.slice(i - some.mostInRow, i + 1)
          if (run[0] !== -1) expect(new Set(run).size).toBeGreaterThan(1)
        }
      }),
      { numRuns: 40 },
    )
  })

  it('sounds round by round, every stroke at its tick', () => {
    const phraseAt = toMix(mix())
    const medley = toMedley((round) => phraseAt(round).lick, { countIn: true })
    expect(medley).toMatchObject({ loop: true, roundTicks: 40320, countInTicks: 40320 })
    for (const round of [0, 1, 5, 2]) {
      const strokes = medley.round(round).filter(({ kind }) => kind === 'stroke')
      expect(strokes.map(({ tick }) => tick)).toEqual(
        Array.from({ length: 16 }, (_, i) => i * 2520),
      )
    }
    expect(medley.round(3)).toBe(medley.round(3))
  })
})

describe('stretching', () => {
  const stretch = (part: Partial<Stretch> = {}): Stretch => ({
    ...mix(),
    base: source('RLLRRLLK'),
    sources: [source('RLKK'), source('RK')],
    mostBeats: 2,
    repeats: 2,
    order: 'growing',
    ...part,
  })

  it('grows by a beat after so many rounds, begins earlier, and lands on the barline', () => {
    const roundAt = toStretch(stretch())
    const rounds = Array.from({ length: 7 }, (_, i) => roundAt(i))
    expect(rounds.map(({ beats }) => beats)).toEqual([0, 0, 1, 1, 2, 2, 0])
    expect(rounds.map(({ lick }) => lick.frame.start)).toEqual(
      [2, 2, 1, 1, 0, 0, 2].map((beat) => beat * 10080),
    )
    for (const { lick, made } of rounds) {
      expect(sumOf(lick).fits).toBe(true)
      expect(made).toBe(0)
      expect(written({ lick }).startsWith('RLLRRLLK')).toBe(true)
    }
    const medley = toMedley((round) => roundAt(round).lick, { countIn: 'each' })
    expect(medley.roundTicks).toBe(3 * 40320)
    expect(medley.round(4).length).toBeGreaterThan(medley.round(0).length)
  })

  it('keeps all rounds equally long past the bar, with groove before the shorter ones', () => {
    const roundAt = toStretch(stretch({ mostBeats: 4, order: 'chance' }))
    const bars = Array.from({ length: 40 }, (_, i) => roundAt(i).lick.frame)
    for (const { lead, bars: filled } of bars) expect(lead + (filled ?? 0)).toBe(3)
    expect(new Set(bars.map(({ start }) => start)).size).toBeGreaterThan(3)
  })

  it('lands for any licks, however they are drawn, and never changes its bars (law)', () => {
    const rules = fc.record({
      mostBeats: fc.integer({ min: 1, max: 4 }),
      repeats: fc.integer({ min: 1, max: 3 }),
      order: fc.constantFrom('growing' as const, 'chance' as const),
      seed: fc.nat(),
    })
    const given = fc.array(random.lick, { minLength: 2, maxLength: 3 })
    fc.assert(
      fc.property(given, rules, (licks, some) => {
        const [base, ...cells] = licks.map(({ line, frame }) => ({
          name: '',
          line,
          grid: frame.grid,
          weight: 1,
        }))
        const { frame } = licks[0] as Lick
        if (!base || !fillsBar({ frame })) return
        const roundAt = toStretch(stretch({ ...some, frame, base, sources: cells }))
        const { bar } = frameTicks(frame)
        const all = [0, 1, 2, 7].map((round) => roundAt(round))
        const rounds = all.map(({ lick }) => lick.frame.lead + (lick.frame.bars ?? 0))
        expect(new Set(rounds).size).toBe(1)
        for (const { lick } of all) {
          const end = lick.frame.start + lineTicks(lick.line, frame.grid)
          const short = (lick.frame.bars ?? 0) * bar - end
          expect(short).toBeGreaterThanOrEqual(0)
          expect(short).toBeLessThan(gridTicks(frame.grid))
          expect(lick.frame.start).toBeGreaterThanOrEqual(0)
        }
      }),
      { numRuns: 40 },
    )
  })
})

describe('joins', () => {
  /** The longest run of one hand or foot over the line. */
  const longest = (lick: Lick) => {
    let [run, most, last] = [0, 0, '']
    for (const { limb } of lineEvents(lick)) {
      run = limb === last ? run + 1 : 1
      last = limb
      most = Math.max(most, run)
    }
    return most
  }
  const sources = [source('RRLR'), source('LRLL'), source('RLRL')]

  it('hold the longest run where cells are joined, over the barline too', () => {
    const joins = { longestRun: 2, mirrors: false }
    const phraseAt = toMix(mix({ sources, joins }))
    for (let i = 0; i < 20; i += 1) expect(longest(phraseAt(i).lick)).toBeLessThanOrEqual(2)
    const free = toMix(mix({ sources, seed: 4 }))
    const runs = Array.from({ length: 40 }, (_, i) => longest(free(i).lick))
    expect(Math.max(...runs)).toBeGreaterThan(2)
  })

  it('lead a cell with the other hand, where that is allowed', () => {
    const only = [source('RLLR')]
    const held = toMix(mix({ sources: only, joins: { longestRun: 1, mirrors: true } }))
    expect(written(held(0))).toBe('[RLLR LRRL]*2')
    // Without that the cell cannot follow itself: what is left is made up.
    const alone = toMix(mix({ sources: only, joins: { longestRun: 1, mirrors: false } }))
    expect(written(alone(0))).not.toContain('RLLR RLLR')
  })

  it('keep the feet of a lick that is drawn', () => {
    const { ostinatos } = lickOf('under: @1/4 H\nline: R')
    const withFeet = { ...source('RLRK'), ostinatos }
    expect(toMix(mix({ sources: [withFeet] }))(0).lick.ostinatos).toEqual(ostinatos)
    const base = { ...source('RLRK'), ostinatos }
    const stretch: Stretch = { ...mix(), base, mostBeats: 2, repeats: 1, order: 'growing' }
    expect(toStretch(stretch)(0).lick.ostinatos).toEqual(ostinatos)
  })
})

describe('wishes for a mix', () => {
  const of = (line: string, weight = 1) => ({
    name: line,
    line: lickOf(`line: ${line}`).line,
    grid: { value: 16, tuplet: null } as const,
    weight,
  })
  const weights = (wishes: Partial<FlowWishes>, ...sources: ReturnType<typeof of>[]) =>
    withWishes(sources, { density: 'any', register: 'any', ...wishes }).map(({ weight }) => weight)

  it('shift the weights towards strokes or space, high or low', () => {
    expect(weights({ density: 'dense' }, of('RL--'), of('RLRL'))).toEqual([3, 5])
    expect(weights({ density: 'sparse' }, of('RL--'), of('RLRL'))).toEqual([3, 1])
    expect(weights({ register: 'high' }, of('R:f1L:f1'), of('R:hhL:hh'))).toEqual([1, 5])
    expect(weights({ register: 'low' }, of('R:f1L:f1'), of('R:hhL:hh'))).toEqual([5, 1])
  })

  it('leave out what has no weight, and change nothing where there are none', () => {
    expect(weights({ density: 'dense' }, of('RL', 0), of('RK', 2))).toEqual([0, 10])
    expect(weights({}, of('RL', 3), of('RK', 2))).toEqual([3, 2])
  })
})
