import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { parts, solo, soloOf } from '../../../tests/support/solos'
import { frameTicks, type Lick, landingStrokes, strokeEvents } from '../line'
import { eventsBetween, toPerformance, toSequence } from '../performance'
import { DEFAULT_SETTING, movesOf, movesOfStrokes } from '../playability'
import { toMeter } from '../time'
import {
  columnsOf,
  draftSolo,
  judgeSolo,
  playableSolo,
  remediesOf,
  type SoloPart,
  STAGES,
  shapeOf,
  soloLength,
  stageBars,
  toSections,
} from '.'
import { soloStrokes } from './joins'

const { groove, others, lick, run } = parts
const fives = lickOf('tempo: 100\nline: RLLRK')
const OPTIONS = { loop: false, countIn: true } as const

describe('a solo as bars', () => {
  it('has groove, a lick, bars for the others and fives that end on the barline (C68)', () => {
    const whole = soloOf([
      groove(3),
      lick(lickOf('line: RLRL RLRL RLRL RLRL')),
      others(4),
      run(fives, 5),
      groove(3, 'eighths', 'end'),
    ])
    const sections = toSections(whole)
    expect(soloLength(whole, sections)).toEqual({ bars: 16, ticks: 16 * 40320, seconds: 38.4 })
    const fiveSection = sections[3]
    expect(fiveSection?.lick.line.groups).toEqual(Array.from({ length: 16 }, () => 5))
    expect(
      judgeSolo(whole, sections, DEFAULT_SETTING).joins.map(({ tick }) => tick / 40320),
    ).toEqual([3, 4, 8, 13])
  })

  it('has no gap and no overlap, and every section begins on a barline, whatever the parts', () => {
    fc.assert(
      fc.property(solo, (whole) => {
        const sections = toSections(whole)
        let [tick, bars] = [0, 0]
        for (const section of sections) {
          expect([section.from, section.barsBefore]).toEqual([tick, bars])
          expect(section.ticks).toBe(section.bars * frameTicks(section.lick.frame).bar)
          expect(section.bars).toBeGreaterThanOrEqual(1)
          tick += section.ticks
          bars += section.bars
        }
        const { barlines, roundTicks } = toSequence(sections, OPTIONS)
        expect(roundTicks).toBe(tick)
        expect(barlines).toHaveLength(bars)
        expect(soloLength(whole, sections)).toMatchObject({ bars, ticks: tick })
      }),
      { numRuns: 60 },
    )
  })

  it('keeps every onset of a part in its place when one before it is edited, but for whole bars', () => {
    fc.assert(
      fc.property(solo, solo, fc.nat(5), (whole, other, at) => {
        const index = at % whole.parts.length
        const swapped = { ...whole, parts: whole.parts.with(index, other.parts[0] as never) }
        const [before, after] = [toSections(whole), toSections(swapped)]
        const last = <T>(all: readonly T[]) => all.at(-1) as T
        if (last(before).part === index) return
        const [a, b] = [last(before), last(after)]
        expect(b.lick).toEqual(a.lick)
        const rest = before.filter(({ part }) => part > index)
        const same = after.filter(({ part }) => part > index)
        const moved = (same[0]?.from ?? 0) - (rest[0]?.from ?? 0)
        expect(same.map(({ from }) => from - moved)).toEqual(rest.map(({ from }) => from))
      }),
      { numRuns: 60 },
    )
  })

  it('is led by the other hand with all that hands play: every stroke is the mirrored one (law)', () => {
    const OTHER = { RH: 'LH', LH: 'RH', XH: 'XH', RF: 'RF', LF: 'LF' } as const
    const held = lickOf('pickup: RL\nlanding: (>L:c1K)\nunder: @1/4 R:rd\nline: RLLK RLRL')
    const sections = (one: Lick, otherHand: boolean) =>
      toSections(soloOf([{ ...lick(one), otherHand, end: 'land' } as SoloPart]))
    const strokes = (one: Lick, otherHand: boolean) =>
      sections(one, otherHand).flatMap((section) =>
        [...strokeEvents(section.lick), ...landingStrokes(section.lick)].map(
          ({ tick, limb, surface, grace, graceLimb }) => ({
            tick,
            limb,
            surface,
            grace,
            graceLimb,
          }),
        ),
      )
    const sorted = (list: ReturnType<typeof strokes>) =>
      list.map((one) => JSON.stringify(one)).sort()
    const mirrors = (one: Lick) =>
      expect(sorted(strokes(one, true))).toEqual(
        sorted(
          strokes(one, false).map((stroke) => ({
            ...stroke,
            limb: OTHER[stroke.limb],
            graceLimb: stroke.graceLimb && OTHER[stroke.graceLimb],
          })),
        ),
      )
    mirrors(held)
    const drawn = random.lick.filter(({ frame }) =>
      ['strokes', 'none', 'last'].includes(frame.landing.kind),
    )
    fc.assert(
      fc.property(drawn, (one) => {
        mirrors(one)
      }),
      { numRuns: 60 },
    )
  })

  it('goes at one tempo, told in beats of each metre', () => {
    const whole = soloOf([groove(1), lick(lickOf('meter: 6/8\nline: RLRLRL')), groove(1)])
    const tempos = toSections(whole).map(({ lick: { frame } }) => Math.round(frame.tempo * 10) / 10)
    expect(tempos).toEqual([100, 66.7, 100])
  })

  it('lands where groove follows, and goes straight on where the next part strikes on the one', () => {
    const fill = lickOf('start: 3\nline: RLRL RLRL')
    const full = lickOf('line: RLRL RLRL RLRL RLRL')
    const landings = (ends: SoloLandings) =>
      toSections(soloOf(ends)).map(({ lick: { frame } }) => frame.landing.kind)
    expect(landings([lick(fill), groove(1)])).toEqual(['crash', 'none'])
    expect(landings([lick(fill), lick(full)])).toEqual(['none', 'crash'])
    expect(landings([lick(full, 2), lick(fill)])).toEqual(['none', 'crash', 'crash'])
    expect(landings([lick(fill, 1, { end: 'land' }), lick(full)])).toEqual(['crash', 'crash'])
    expect(landings([lick(fill, 1, { end: 'straight-on' }), groove(1)])).toEqual(['none', 'none'])
  })
})
type SoloLandings = Parameters<typeof soloOf>[0]

describe('a solo as sound', () => {
  it('of one lick sounds as the lick', () => {
    const arbitrary = solo.map(({ parts: all }) => all.find(({ kind }) => kind === 'lick'))
    fc.assert(
      fc.property(arbitrary, (part) => {
        if (part?.kind !== 'lick') return
        const alone = { ...part, times: 1, otherHand: false, end: 'auto' as const }
        const { meter, tempo } = part.lick.frame
        const sections = toSections(soloOf([alone], { meter, tempo }))
        const own = { ...part.lick, frame: { ...part.lick.frame, lead: 0 } }
        const [a, b] = [toSequence(sections, OPTIONS), toPerformance(own, OPTIONS)]
        const all = (one: typeof a) => eventsBetween(one, 0, one.countInTicks + one.roundTicks * 4)
        expect(all(a)).toEqual(all(b))
        expect([a.roundTicks, a.countInTicks, a.endingTicks]).toEqual([
          b.roundTicks,
          b.countInTicks,
          b.endingTicks,
        ])
      }),
      { numRuns: 60 },
    )
  })

  it('has the strokes and the moves of the joined line, where that can be written as one', () => {
    const bar = fc.array(fc.constantFrom('R', 'L', 'K', 'r', '>L', 'R:t1', 'L:f1', '-'), {
      minLength: 16,
      maxLength: 16,
    })
    fc.assert(
      fc.property(fc.array(bar, { minLength: 2, maxLength: 4 }), (bars) => {
        const of = (slots: readonly string[], count: number) =>
          lickOf(`tempo: 100\nlead: 0\nbars: ${count}\nlanding: none\nline: ${slots.join('')}`)
        const joined = of(bars.flat(), bars.length)
        const whole = soloOf(bars.map((slots) => lick(of(slots, 1))))
        const sections = toSections(whole)
        const strokes = soloStrokes(sections, DEFAULT_SETTING)
        const said = ({ tick, limb, surface, velocity }: (typeof strokes)[number]) =>
          `${tick} ${limb} ${surface} ${velocity}`
        const alone = soloStrokes(toSections(soloOf([lick(joined)])), DEFAULT_SETTING)
        expect(strokes.map(said)).toEqual(alone.map(said))
        const moves = movesOfStrokes(strokes, 10080, DEFAULT_SETTING)
        expect(moves).toEqual(movesOf(joined, 'line', DEFAULT_SETTING))
        const { joins } = judgeSolo(whole, sections, DEFAULT_SETTING)
        for (const join of joins) {
          const across = moves.filter(
            ({ fromTick, toTick }) => fromTick < join.tick && toTick >= join.tick,
          )
          const slowest = across.length > 0 ? Math.min(...across.map(({ bpm }) => bpm)) : null
          // A limb that rests for bars moves across several joins: it is told at the last of them.
          if (slowest !== null && join.slowest)
            expect(join.slowest.bpm).toBeGreaterThanOrEqual(slowest)
        }
        const limit = Math.min(...moves.map(({ bpm }) => bpm))
        const { bottleneck } = judgeSolo(whole, sections, DEFAULT_SETTING)
        expect(bottleneck?.bpm ?? Infinity).toBe(limit)
      }),
      { numRuns: 60 },
    )
  })

  it('comes round with its last landing on its first barline', () => {
    const whole = soloOf([groove(1), lick(lickOf('start: 3\nline: RLRL RLRL'))])
    const performance = toSequence(toSections(whole), { loop: true, countIn: false })
    const crash = performance.round(1).filter(({ kind, tick }) => kind === 'stroke' && tick === 0)
    expect(crash.map((event) => (event.kind === 'stroke' ? event.surface : ''))).toEqual(
      expect.arrayContaining(['c1', 'bd']),
    )
  })
})

describe('the joins of a solo', () => {
  const ends = lickOf('title: Ends left\ntempo: 180\nline: RLRL RLRL RLRL RLRK')
  const begins = lickOf('title: Begins\ntempo: 180\nline: KKRL RLRL RLRL RLRL')

  it('are read as one passage: a kick triple across the barline is told with its move', () => {
    const whole = soloOf([lick(ends), lick(begins), groove(1)], { tempo: 112 })
    const { joins, bottleneck, setBy } = judgeSolo(whole, toSections(whole), DEFAULT_SETTING)
    // The third kick of a run needs 140 ms: a sixteenth of that is 107.1 a minute.
    expect(joins[0]?.faults).toMatchObject(
      [{ kind: 'too-fast', move: { limb: 'RF', kind: 'double' } }].slice(1),
    )
    expect(bottleneck?.limb).toBe('RF')
    expect(setBy).toEqual({ kind: 'section', section: 1 })
  })

  it('tell a limb that is wanted twice at once, and what mends it', () => {
    const full = lickOf('title: Full\nline: RLRL RLRL RLRL RLRL')
    const whole = soloOf([
      lick(full, 1, { end: 'land' }),
      lick(full, 1, { id: 'again' }),
      groove(1),
    ])
    const { joins } = judgeSolo(whole, toSections(whole), DEFAULT_SETTING)
    expect(joins[0]?.faults).toMatchObject([{ kind: 'clash', limb: 'RH', tick: 40320 }])
    const found = remediesOf(whole, joins[0] as never, DEFAULT_SETTING, {
      groove: 'eighths',
      id: 'new',
      versions: () => [],
    })
    expect(found.map(({ kind }) => kind)).toEqual(
      expect.arrayContaining(['straight-on', 'groove-between']),
    )
  })

  it('offer remedies that mend, whatever the solo', () => {
    let offered = 0
    fc.assert(
      fc.property(solo, (whole) => {
        const sections = toSections(whole)
        const { joins } = judgeSolo(whole, sections, DEFAULT_SETTING)
        const bad = joins.find(({ faults, between }) => faults.length > 0 && between === 'parts')
        if (!bad) return
        const at = sections[bad.section]?.part ?? 0
        const stock = { groove: 'eighths', id: 'new', versions: () => [] }
        for (const remedy of remediesOf(whole, bad, DEFAULT_SETTING, stock)) {
          offered += 1
          const mended = { ...whole, parts: remedy.parts }
          const after = toSections(mended)
          const judged = judgeSolo(mended, after, DEFAULT_SETTING).joins
          const last = at + remedy.parts.length - whole.parts.length
          const there = judged.filter(({ section, between }) => {
            const part = after[section]?.part ?? -1
            return between === 'parts' && part >= at && part <= last
          })
          expect(there.length).toBeGreaterThan(0)
          expect(there.flatMap(({ faults }) => faults)).toEqual([])
        }
      }),
      { numRuns: 60 },
    )
    expect(offered).toBeGreaterThan(3)
  })
})

describe('the shape of a solo', () => {
  it('counts every stroke once, bar by bar', () => {
    fc.assert(
      fc.property(solo, (whole) => {
        const sections = toSections(whole)
        const strokes = soloStrokes(sections, DEFAULT_SETTING)
        const shape = shapeOf(sections, strokes)
        const { bars, ticks } = soloLength(whole, sections)
        expect(shape).toHaveLength(bars)
        const inside = strokes.filter(({ tick }) => tick < ticks)
        expect(shape.reduce((sum, bar) => sum + bar.strokes, 0)).toBe(inside.length)
        for (const { weight } of shape) expect(weight >= 0 && weight <= 1).toBe(true)
      }),
      { numRuns: 60 },
    )
  })

  it('tells strokes, loudness, kicks and register', () => {
    const whole = soloOf([lick(lickOf('landing: none\nline: RK>LK'))])
    const sections = toSections(whole)
    const [bar] = shapeOf(sections, soloStrokes(sections, DEFAULT_SETTING))
    // Taps are 80, an accent 112; the snare stands on the fifth step.
    expect(bar).toMatchObject({ strokes: 4, kicks: 2, loudness: 88, register: 5, weight: 1 })
  })
})

describe('columns of a solo', () => {
  it('are shares of the greatest, and of the way from the least where nothing begins at nought', () => {
    const bar = (strokes: number, loudness: number | null) => ({
      ...{ from: 0, section: 0, kicks: 0, register: null, weight: strokes / 8 },
      strokes,
      loudness,
    })
    const shape = [bar(8, 112), bar(2, 80), bar(0, null)]
    expect(columnsOf(shape, 'strokes')).toEqual([1, 0.25, 0])
    expect(columnsOf(shape, 'loudness')).toEqual([1, 0.15, 0])
    expect(columnsOf(shape, 'kicks')).toEqual([0, 0, 0])
    expect(columnsOf(shape, 'register')).toEqual([0, 0, 0])
    expect(columnsOf([], 'weight')).toEqual([])
  })
})

describe('a solo from one idea', () => {
  const idea = {
    title: 'One five',
    cell: fives.line,
    grid: fives.frame.grid,
    meter: toMeter(4, 4),
    tempo: 100,
    groove: 'eighths',
    bars: stageBars(32),
    seed: 7,
  }

  it('shares out its bars, and they come to the whole', () => {
    expect(stageBars(32)).toEqual({
      groove: 4,
      statement: 4,
      moved: 4,
      voiced: 8,
      run: 8,
      fast: 3,
      landed: 1,
    })
    for (let bars = 1; bars <= 256; bars += 1) {
      const shared = stageBars(bars)
      expect(STAGES.reduce((sum, stage) => sum + shared[stage], 0)).toBe(bars)
      expect(shared.landed).toBeGreaterThanOrEqual(1)
    }
  })

  it('has 32 bars, the same for the same seed, another for another', () => {
    const whole = draftSolo(idea)
    expect(soloLength(whole)).toMatchObject({ bars: 32, seconds: 76.8 })
    expect(draftSolo(idea)).toEqual(whole)
    expect(draftSolo({ ...idea, seed: 8 })).not.toEqual(whole)
    expect(new Set(whole.parts.map(({ id }) => id)).size).toBe(whole.parts.length)
  })

  it('begins where it can be played: at its tempo, or at the limit that is told (law)', () => {
    for (const [seed, tempo] of [
      [1, 60],
      [2, 140],
      [3, 220],
      [4, 400],
    ] as const) {
      const whole = playableSolo(draftSolo({ ...idea, seed, tempo }), DEFAULT_SETTING)
      const { bottleneck } = judgeSolo(whole, toSections(whole), DEFAULT_SETTING)
      expect(bottleneck?.bpm ?? 400).toBeGreaterThanOrEqual(whole.tempo)
      const next = { ...whole, tempo: whole.tempo + 1 }
      const faster = judgeSolo(next, toSections(next), DEFAULT_SETTING).bottleneck
      if (whole.tempo < tempo) expect(faster?.bpm ?? 0).toBeLessThan(next.tempo)
      else expect(whole.tempo).toBe(tempo)
    }
  })

  it('is exact on its barlines for any cell, grid and metre', () => {
    const cell: fc.Arbitrary<Lick> = solo
      .map(({ parts: all }) => all.find(({ kind }) => kind === 'lick'))
      .filter((part): part is SoloPartOfLick => part?.kind === 'lick')
      .map((part) => part.lick)
    fc.assert(
      fc.property(cell, fc.integer({ min: 8, max: 64 }), fc.nat(1000), (of, bars, seed) => {
        const { grid, meter } = of.frame
        const made = { ...idea, cell: of.line, grid, meter, bars: stageBars(bars), seed }
        const whole = draftSolo(made)
        expect(soloLength(whole).bars).toBe(bars)
        const over = judgeSolo(whole, toSections(whole), DEFAULT_SETTING).joins.flatMap(
          ({ faults }) => faults.filter(({ kind }) => kind === 'over'),
        )
        expect(over).toEqual([])
      }),
      { numRuns: 60 },
    )
  })
})
type SoloPartOfLick = Extract<Parameters<typeof soloOf>[0][number], { kind: 'lick' }>
