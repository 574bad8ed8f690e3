import { describe, expect, it } from 'vitest'
import {
  centreOf,
  decayOf,
  likeness,
  pitchOf,
  riseOf,
} from '../../../../tests/support/sound-figures'
import { SURFACES, type Surface } from '../../sticking'
import { LAYERS, samplesOf } from '../striking'
import { renderStroke, SOUNDING, type Sounding } from '.'
import { pushOf, TIP } from './contact'
import { bessel, HEAD_RATIOS, modesOfHead } from './heads'

const RATE = 44_100
const rendered = new Map<string, Float32Array>()
function sample(surface: Sounding, velocity: number, take = 0): Float32Array {
  const key = `${surface} ${velocity} ${take}`
  const known = rendered.get(key) ?? renderStroke({ surface, velocity, take, tool: 'sticks' }, RATE)
  rendered.set(key, known)
  return known
}
const GHOST = LAYERS[0]
const STRONG = 124
const peakOf = (samples: Float32Array) =>
  samples.reduce((most, one) => Math.max(most, Math.abs(one)), 0)
const energy = (samples: Float32Array) => samples.reduce((sum, one) => sum + one * one, 0)

/** The shortest and the longest that each rings, in seconds to 60 dB: heads, hats, cymbals. */
const RINGS: Readonly<Record<Surface, readonly [number, number]>> = {
  sn: [0.15, 0.35],
  rs: [0.2, 0.4],
  xs: [0.04, 0.12],
  s2: [0.1, 0.25],
  t1: [0.45, 0.75],
  t2: [0.5, 0.8],
  t3: [0.5, 0.85],
  t4: [0.5, 0.9],
  t5: [0.5, 0.9],
  t6: [0.6, 0.95],
  f1: [0.65, 1.05],
  f2: [0.7, 1.15],
  hh: [0.06, 0.2],
  ho: [0.7, 1.5],
  hf: [0.06, 0.2],
  x2: [0.1, 0.3],
  rd: [1.5, 2.6],
  rb: [1.4, 2.4],
  c1: [1.2, 2.2],
  c2: [1.5, 2.7],
  sp: [0.5, 1.1],
  ch: [1.2, 2.1],
  cb: [0.25, 0.5],
  bd: [0.3, 0.5],
  b2: [0.3, 0.5],
}

describe('strokes of the kit (law)', () => {
  it.each(SOUNDING)('%s is finite, begins at once, and ends in silence', (surface) => {
    for (const velocity of [GHOST, STRONG]) {
      const samples = sample(surface, velocity)
      expect(samples.every(Number.isFinite)).toBe(true)
      expect(peakOf(samples)).toBeGreaterThan(0.45)
      expect(peakOf(samples)).toBeLessThanOrEqual(1)
      expect(Math.abs(samples.at(-1) ?? 1)).toBeLessThan(1e-3)
      // The wires are shaken, not struck.
      expect(riseOf(samples, RATE)).toBeLessThanOrEqual(surface === 'wires' ? 8 : 3)
    }
  })

  it.each(SURFACES)('%s is brighter the harder it is struck', (surface) => {
    const centres = LAYERS.map((velocity) => centreOf(sample(surface, velocity), RATE))
    const [ghost, strong] = [centres[0] as number, centres.at(-1) as number]
    expect(strong / ghost).toBeGreaterThanOrEqual(1.5)
    expect(Math.max(...centres)).toBeLessThan(1.1 * strong)
  })

  it.each(SURFACES)('%s rings as long as such a piece does', (surface) => {
    const [least, most] = RINGS[surface]
    for (const velocity of [GHOST, 80, STRONG]) {
      const rings = decayOf(sample(surface, velocity), RATE)
      expect([surface, velocity, rings >= least, rings <= most, rings]).toEqual([
        surface,
        velocity,
        true,
        true,
        rings,
      ])
    }
  })

  it.each(SOUNDING)(
    'no two strokes of %s in a row are alike, and each is always the same',
    (one) => {
      for (const velocity of [GHOST, 80, 112])
        expect(likeness(sample(one, velocity, 0), sample(one, velocity, 1))).toBeLessThan(0.98)
      expect(renderStroke({ surface: one, velocity: 80, take: 1, tool: 'sticks' }, RATE)).toEqual(
        sample(one, 80, 1),
      )
    },
  )

  it('has toms by pitch, from high to low', () => {
    const toms = (['t1', 't2', 't3', 't4', 't5', 't6', 'f1', 'f2'] as const).map((tom) =>
      pitchOf(sample(tom, GHOST), RATE),
    )
    expect([...toms].sort((a, b) => b - a)).toEqual(toms)
  })

  it('has ghosts that are mostly wires: of what is below 500 Hz they have less than full strokes', () => {
    const below = (samples: Float32Array) => {
      let [level, sum] = [0, 0]
      const soft = 1 - Math.exp((-2 * Math.PI * 500) / RATE)
      for (const one of samples) {
        level += (one - level) * soft
        sum += level * level
      }
      return sum / energy(samples)
    }
    expect(below(sample('sn', GHOST))).toBeLessThan(below(sample('sn', 112)))
    expect(riseOf(sample('sn', GHOST), RATE)).toBeLessThanOrEqual(2)
  })

  it('has brushes that are softer to the ear than sticks, on drums and cymbals', () => {
    for (const surface of ['sn', 't1', 'f1', 'rd', 'c1', 'hh'] as const) {
      const brush = renderStroke({ surface, velocity: 112, take: 0, tool: 'brushes' }, RATE)
      expect(centreOf(brush, RATE)).toBeLessThan(centreOf(sample(surface, 112), RATE))
    }
  })

  it('is less than 40 MB in all', () => {
    const RATES = 48_000 / RATE
    const bytes = SOUNDING.flatMap(samplesOf).reduce(
      (sum, one) => sum + 4 * RATES * sample(one.surface, one.velocity, one.take).length,
      0,
    )
    expect(bytes).toBeLessThan(40e6)
  })
})

describe('the modes of a head', () => {
  it('stand in the ratios that are measured on membranes', () => {
    expect(HEAD_RATIOS.map((ratio) => Number(ratio.toFixed(2)))).toEqual([
      1, 1.59, 2.14, 2.3, 2.65, 2.92, 3.16, 3.5, 3.6,
    ])
  })

  it('swing by where the head is struck: in the centre the round ones alone, at the rim none', () => {
    const head = { hertz: 100, seconds: 1, damping: 1, air: 0 }
    const gains = (place: number) => modesOfHead(head, place).map(({ gain }) => Math.abs(gain))
    expect(gains(0).map((gain) => gain > 1e-9)).toEqual(
      [0, 1, 2, 3, 4, 5, 6, 7, 8].map((i) => [0, 3, 8].includes(i)),
    )
    for (const gain of gains(1)) expect(gain).toBeLessThan(1e-4)
  })

  it('are by Bessel functions, which equal what tables say', () => {
    expect(bessel(0, 1)).toBeCloseTo(0.765_197_686_6, 9)
    expect(bessel(1, 2)).toBeCloseTo(0.576_724_807_8, 9)
    expect(bessel(2, 5)).toBeCloseTo(0.046_565_116_3, 9)
    expect(bessel(4, 8)).toBeCloseTo(-0.105_357_434_9, 9)
  })
})

describe('the push of a stroke', () => {
  it('has one area, and is shorter the harder it is', () => {
    const lengths = [0, 0.25, 0.5, 0.75, 1].map((force) => {
      const push = pushOf(TIP, force, 'sticks', RATE, () => 0.5)
      expect(push.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 5)
      return push.length
    })
    expect([...lengths].sort((a, b) => b - a)).toEqual(lengths)
    const brush = pushOf(TIP, 0.5, 'brushes', RATE, Math.random)
    expect(brush.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 5)
    expect(brush.length).toBeGreaterThan(lengths[2] as number)
  })
})
