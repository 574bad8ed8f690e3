import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lickOf } from '../../../tests/support/licks'
import { centreOf, decayOf } from '../../../tests/support/sound-figures'
import { SURFACES, type Surface } from '../sticking'
import {
  CLICK_SOUNDS,
  inRoom,
  layerOf,
  limited,
  ROOM_SECONDS,
  renderClick,
  renderLoops,
  renderStroke,
  responseOf,
  ringingAlong,
  type Sample,
  Striking,
  sampleKey,
  silencedBy,
  velocityGain,
} from '.'

const RATE = 44_100
const energy = (samples: Float32Array) => samples.reduce((sum, one) => sum + one * one, 0)
const impulse = (length: number, at = 0) => {
  const samples = new Float32Array(length)
  samples[at] = 1
  return samples
}

describe('striking a kit', () => {
  const strokes = fc.array(
    fc.record({
      surface: fc.constantFrom(...SURFACES),
      velocity: fc.integer({ min: 1, max: 127 }),
      limb: fc.constantFrom('RH', 'LH', 'RF', 'LF' as const),
      gap: fc.double({ min: 0, max: 1, noNaN: true }),
    }),
    { minLength: 1, maxLength: 60 },
  )

  it('never strikes the same samples twice in a row on a surface, nor the hands alike (law)', () => {
    fc.assert(
      fc.property(strokes, (all) => {
        const striking = new Striking()
        const last = new Map<string, string>()
        let seconds = 0
        for (const { gap, ...one } of all) {
          seconds += gap
          const { started } = striking.strike(one, seconds, { sn: 0 })
          for (const { sample } of started) {
            expect(last.get(sample.surface)).not.toBe(sampleKey(sample))
            last.set(sample.surface, sampleKey(sample))
          }
          expect(started[0]?.speed === 1).toBe(one.limb !== 'LH')
          expect(started[0]?.gain).toBe(velocityGain(one.velocity))
        }
      }),
    )
  })

  it('answers brighter on a cymbal that swings, and as ever when it is still again', () => {
    const layers = (surface: Surface, gaps: readonly number[]) => {
      const striking = new Striking()
      let seconds = 0
      return gaps.map((gap) => {
        seconds += gap
        const one = { surface, velocity: 80, limb: 'RH' } as const
        return striking.strike(one, seconds, {}).started[0]?.sample.velocity
      })
    }
    expect(layers('c1', [0, 0.1, 0.1, 0.1])).toEqual([80, 80, 112, 112])
    expect(layers('c1', [0, 3, 3, 3])).toEqual([80, 80, 80, 80])
    expect(layers('sn', [0, 0.1, 0.1, 0.1])).toEqual([80, 80, 80, 80])
    const choked = new Striking()
    const hard = { surface: 'c1', velocity: 124, limb: 'RH' } as const
    for (const at of [0, 0.1, 0.2]) choked.strike(hard, at, {})
    choked.still('c1')
    const after = choked.strike({ ...hard, velocity: 80 }, 0.3, {})
    expect(after.started[0]?.sample.velocity).toBe(80)
  })

  it('shakes the wires of a snare that stands beside toms and kicks, and of none that does not', () => {
    const heard = (surface: Surface, pans: object) =>
      new Striking()
        .strike({ surface, velocity: 112, limb: 'RH' }, 0, pans)
        .started.map(({ sample }) => sample.surface)
    expect(heard('t1', { sn: 0 })).toEqual(['t1', 'wires'])
    expect(heard('bd', { sn: 0 })).toEqual(['bd', 'wires'])
    expect(heard('bd', {})).toEqual(['bd'])
    expect(heard('c1', { sn: 0 })).toEqual(['c1'])
  })

  it('is louder the harder it is struck, and its closed hat chokes the open one', () => {
    expect(velocityGain(127)).toBe(1)
    expect(velocityGain(112)).toBeGreaterThan(2 * velocityGain(58))
    expect([1, 36, 46, 95, 97, 118, 127].map(layerOf)).toEqual([34, 34, 34, 80, 112, 112, 124])
    expect(['hh', 'hf', 'ho', 'sn'].map((surface) => silencedBy(surface as 'hh'))).toEqual([
      ['ho'],
      ['ho'],
      ['ho'],
      [],
    ])
  })
})

describe('the limiter (law)', () => {
  it('leaves what is soft alone, rises, is odd, and never cuts off', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.double({ min: 0.001, max: 1, noNaN: true }),
        (sample, more) => {
          expect(limited(-sample)).toBe(-limited(sample))
          if (sample <= 0.7) expect(limited(sample)).toBe(sample)
          expect(limited(sample)).toBeLessThan(1)
          expect(limited(sample + more)).toBeGreaterThanOrEqual(limited(sample))
        },
      ),
    )
  })
})

describe('the room', () => {
  it('is silent before its first reflection, and falls by 60 dB in its time', () => {
    const { left, right } = responseOf(inRoom, 1, RATE)
    const first = [left, right].map((ear) => ear.findIndex((sample) => sample !== 0))
    expect(first).toEqual([Math.round(0.0053 * RATE), Math.round(0.0053 * RATE)])
    for (const ear of [left, right]) {
      const rings = decayOf(ear.slice(Math.round(0.06 * RATE)), RATE)
      expect(rings).toBeGreaterThan(0.5 * ROOM_SECONDS)
      expect(rings).toBeLessThan(1.2 * ROOM_SECONDS)
    }
  })

  it('is heard by both ears alike, and not the same', () => {
    const { left, right } = responseOf(inRoom, 1, RATE)
    expect(energy(left) / energy(right)).toBeGreaterThan(0.7)
    expect(energy(left) / energy(right)).toBeLessThan(1.4)
    const both = left.reduce((sum, one, i) => sum + one * (right[i] as number), 0)
    expect(Math.abs(both) / Math.sqrt(energy(left) * energy(right))).toBeLessThan(0.8)
  })

  it('adds up, and answers later to what is struck later (law)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 900 }),
        fc.double({ min: -1, max: 1, noNaN: true }),
        (at, size) => {
          const rate = 4000
          const dry = impulse(2000)
          dry[at] = (dry[at] as number) + size
          const whole = inRoom(dry, rate).left
          const one = inRoom(impulse(2000), rate).left
          for (let i = 0; i < 2000; i += 13) {
            const late = i >= at ? size * (one[i - at] as number) : 0
            expect(whole[i]).toBeCloseTo((one[i] as number) + late, 5)
          }
        },
      ),
      { numRuns: 20 },
    )
  })
})

describe('what rings along', () => {
  it('is a head near the pitch that is struck, softly, and on its side', () => {
    const pitched = (hertz: number) =>
      Float32Array.from({ length: RATE }, (_, i) => Math.sin((2 * Math.PI * hertz * i) / RATE))
    const tom = [{ hertz: 100, pan: 1 }]
    const near = ringingAlong(pitched(100), tom, RATE)
    const far = ringingAlong(pitched(1000), tom, RATE)
    expect(energy(near.right)).toBeGreaterThan(100 * energy(far.right))
    expect(energy(near.left)).toBeLessThan(1e-9)
    const stroke = renderStroke({ surface: 't1', velocity: 112, take: 0, tool: 'sticks' }, RATE)
    const along = ringingAlong(
      stroke,
      [
        { hertz: 172, pan: 0 },
        { hertz: 92, pan: 0 },
      ],
      RATE,
    )
    const down = 10 * Math.log10(energy(along.left) / energy(stroke))
    expect(down).toBeLessThan(-25)
    expect(down).toBeGreaterThan(-60)
  })
})

describe('clicks', () => {
  it('are four sounds, each highest on the bar, each above the kit', () => {
    const kick = renderStroke({ surface: 'bd', velocity: 112, take: 0, tool: 'sticks' }, RATE)
    for (const sound of CLICK_SOUNDS) {
      const centres = (['bar', 'group', 'beat', 'between'] as const).map((weight) => {
        const samples = renderClick(sound, weight, RATE)
        expect(Math.abs(samples.at(-1) ?? 1)).toBeLessThan(1e-3)
        return centreOf(samples, RATE)
      })
      expect([...centres].sort((a, b) => b - a)).toEqual(centres)
      expect(centres[2]).toBeGreaterThan(centreOf(kick, RATE))
    }
  })
})

describe('everything in full at 240', () => {
  it('is bent by the limiter, and never cut off', () => {
    const line = '(^R:c1^L:sn^K)'.repeat(16)
    const read = lickOf(
      `tempo: 240\nbars: 2\ngroove: none\nlanding: none\nlead: 0\nline: ${line} ${line}`,
    )
    const rate = 22_050
    const made = new Map<string, Float32Array>()
    const samples = {
      stroke: (sample: Sample) => {
        const known =
          made.get(sampleKey(sample)) ?? renderStroke({ ...sample, tool: 'sticks' }, rate)
        made.set(sampleKey(sample), known)
        return known
      },
      click: () => renderClick('tone', 'beat', rate),
    }
    const stretch = { lick: read, tempo: 240, rounds: 2 }
    const { left, right } = renderLoops([stretch], { click: true, parts: 'all' }, rate, samples)
    for (const ear of [left, right]) {
      const peak = ear.reduce((most, one) => Math.max(most, Math.abs(one)), 0)
      expect(peak).toBeGreaterThan(0.7)
      expect(peak).toBeLessThan(1)
    }
  })
})
