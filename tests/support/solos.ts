import fc from 'fast-check'
import type { Lick } from '~/core/line'
import type { Solo, SoloPart } from '~/core/solo'
import { toMeter } from '~/core/time'
import * as random from './arbitraries'

const end = fc.constantFrom('auto' as const, 'land' as const, 'straight-on' as const)
const meter = fc.constantFrom(toMeter(4, 4), toMeter(3, 4), toMeter(6, 8), toMeter(7, 8))
const bars = fc.integer({ min: 1, max: 6 })
/** Licks of a few bars: a solo has many. */
const lick: fc.Arbitrary<Lick> = random.lick
  .filter(({ line }) => line.slots.length > 0)
  .map((one) => ({
    ...one,
    frame: { ...one.frame, bars: one.frame.bars && Math.min(8, one.frame.bars) },
  }))

const part: fc.Arbitrary<SoloPart> = fc
  .oneof(
    fc.record({
      kind: fc.constant('lick' as const),
      lick,
      lickId: fc.constant(null),
      times: fc.integer({ min: 1, max: 3 }),
      otherHand: fc.boolean(),
      end,
    }),
    fc.record({
      kind: fc.constant('run' as const),
      lick,
      lickId: fc.constant(null),
      bars,
      otherHand: fc.boolean(),
      end,
    }),
    fc.record({
      kind: fc.constantFrom('groove' as const, 'others' as const),
      groove: fc.constantFrom('eighths', 'none'),
      meter,
      bars,
    }),
  )
  .map((one) => ({ ...one, id: '', name: '' }))

/** A solo of licks, cells that run on, groove and bars for the others, in metres of their own. */
export const solo: fc.Arbitrary<Solo> = fc
  .record({
    meter,
    tempo: fc.integer({ min: 40, max: 200 }),
    parts: fc.array(part, { minLength: 1, maxLength: 6 }),
  })
  .map(({ parts, ...rest }) => ({
    title: 'Any',
    tags: [],
    goal: null,
    wish: [],
    ...rest,
    parts: parts.map((one, i) => ({ ...one, id: `part ${i}` })),
  }))

/** A solo of some parts, at 100 in 4/4 unless told. */
export function soloOf(parts: readonly SoloPart[], rest: Partial<Solo> = {}): Solo {
  const base = { title: 'Solo', tags: [], meter: toMeter(4, 4), tempo: 100, goal: null, wish: [] }
  return { ...base, parts, ...rest }
}

/** Parts as short as a test wants them. */
export const parts = {
  groove: (count: number, groove = 'eighths', id = `groove ${count}`): SoloPart => ({
    kind: 'groove',
    id,
    name: '',
    groove,
    meter: toMeter(4, 4),
    bars: count,
  }),
  others: (count: number): SoloPart =>
    ({ ...parts.groove(count, 'none', 'others'), kind: 'others' }) as SoloPart,
  lick: (of: Lick, times = 1, rest: Partial<SoloPart & { kind: 'lick' }> = {}): SoloPart => ({
    kind: 'lick',
    id: of.title || 'lick',
    name: '',
    lick: of,
    times,
    lickId: null,
    otherHand: false,
    end: 'auto',
    ...rest,
  }),
  run: (of: Lick, count: number): SoloPart => ({
    kind: 'run',
    id: 'run',
    name: '',
    lick: of,
    bars: count,
    lickId: null,
    otherHand: false,
    end: 'auto',
  }),
}
