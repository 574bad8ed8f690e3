import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { toRandomStream } from '../foundation'
import { decibelsOf } from '../timing'
import {
  CHIRP_EVERY_SECONDS,
  CHIRPS,
  ClockMap,
  ClockTrail,
  Loudness,
  makeChirp,
  measuredDelay,
} from '.'

describe('two clocks', () => {
  it('are mapped by what most pairs say, whatever keeps some of them late (law)', () => {
    const pair = fc.record({ device: fc.nat(100_000), late: fc.nat(40) })
    fc.assert(
      fc.property(fc.array(pair, { minLength: 1, maxLength: 20 }), fc.nat(5000), (pairs, apart) => {
        const clock = new ClockMap()
        // Two of three pairs are read at once.
        for (const [i, { device, late }] of pairs.entries())
          clock.add({ device, page: device + apart + (i % 3 === 2 ? late : 0) })
        expect(clock.toPage(77)).toBe(77 + apart)
      }),
    )
  })

  it('begin anew with a device that had stopped', () => {
    const clock = new ClockMap()
    expect(clock.known).toBe(false)
    for (let i = 0; i < 40; i += 1) clock.add({ device: i * 100, page: i * 100 + 50 })
    clock.add({ device: 4000, page: 9000 })
    expect(clock.toPage(4100)).toBe(9100)
  })
})

describe('where a device stood', () => {
  const trailOf = (pairs: readonly (readonly [device: number, page: number])[]) => {
    const trail = new ClockTrail()
    for (const [device, page] of pairs) trail.add({ device, page })
    return trail
  }

  it('is unknown before anything was read', () => {
    expect(new ClockTrail().toDevice(5)).toBeUndefined()
  })

  it('is known through a pause of the device, and beside it', () => {
    const trail = trailOf([
      [0, 100],
      [10, 110],
      [10, 150],
    ])
    expect([90, 100, 105, 110, 130, 150, 155].map((page) => trail.toDevice(page))).toEqual([
      -10, 0, 5, 10, 10, 10, 15,
    ])
  })

  it('forgets what is older than any stroke that is still to be told', () => {
    const trail = trailOf([
      [0, 0],
      [5000, 20_000],
    ])
    expect(trail.toDevice(19_000)).toBe(4000)
  })

  it('never goes back, whenever it is asked (law)', () => {
    const step = fc.record({ device: fc.nat(50), page: fc.nat(50), ago: fc.nat(400) })
    fc.assert(
      fc.property(fc.array(step, { minLength: 1, maxLength: 40 }), (steps) => {
        const trail = new ClockTrail()
        let [device, page, asked, told] = [0, 0, 0, Number.NEGATIVE_INFINITY]
        for (const step of steps) {
          device += step.device
          page += step.page
          trail.add({ device, page })
          // Each moment that is asked for is later than the one before, and none is still to come.
          asked = Math.max(asked, page - step.ago)
          const now = trail.toDevice(asked) as number
          expect(now).toBeGreaterThanOrEqual(told - 1e-9)
          expect(trail.toDevice(page)).toBe(device)
          told = now
        }
      }),
    )
  })
})

describe('a delay by chirps', () => {
  const rate = 22_050
  const played = Array.from({ length: CHIRPS }, (_, i) => (0.2 + i * CHIRP_EVERY_SECONDS) * rate)
  const echoed = (delay: number, gain: number, seed: number, of = CHIRPS) => {
    const random = toRandomStream(seed)
    const chirp = makeChirp(rate)
    const length = Math.ceil((CHIRPS * CHIRP_EVERY_SECONDS + 1) * rate)
    const heard = Float32Array.from({ length }, () => 0.05 * (random() * 2 - 1))
    for (const from of played.slice(0, of))
      for (const [i, one] of chirp.entries()) {
        const at = Math.round(from + delay * rate) + i
        heard[at] = (heard[at] as number) + one * gain
        // The floor gives it back once more, softer.
        heard[at + 200] = (heard[at + 200] as number) + one * gain * 0.5
      }
    return heard
  }

  it('is found to the sample in noise and echo', () => {
    for (const delay of [0.012, 0.085, 0.31])
      expect(measuredDelay(echoed(delay, 0.2, 3), played, rate)).toBeCloseTo(delay, 4)
  })

  it('is not told where the loudspeaker was not heard, or hardly', () => {
    expect(measuredDelay(echoed(0.05, 0, 4), played, rate)).toBeNull()
    expect(measuredDelay(echoed(0.05, 0.2, 4, 5), played, rate)).toBeNull()
    expect(measuredDelay(new Float32Array(100), played, rate)).toBeNull()
  })
})

describe('loudness without a scale', () => {
  it('takes the loudest for an accent, and the others as far below it as they are', () => {
    const loudness = new Loudness()
    expect(loudness.velocityOf(-10)).toBe(112)
    expect(loudness.velocityOf(-10 + decibelsOf(36) - decibelsOf(112))).toBe(36)
    expect(loudness.velocityOf(-4)).toBe(112)
    expect(loudness.velocityOf(-10)).toBeLessThan(112)
    expect(loudness.velocityOf(-200)).toBe(1)
  })
})
