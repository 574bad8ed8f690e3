import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { foundOf, heardIn, withoutClick } from '../../../tests/support/heard-onsets'
import { madeBesideClick, madeLine } from '../../../tests/support/made-lines'
import { type MadeStroke, RATE, type Room, recorded } from '../../../tests/support/made-sound'
import { OnsetDetector } from '.'
import { Spectrum } from './spectrum'

/** Seeds that no constant of the detector was chosen by. */
const HELD_OUT = [201, 202, 203]
const ROOM: Room = { noiseDb: -50, echoDb: -12 }

function figures(made: (seed: number) => MadeStroke[], room = ROOM) {
  return foundOf(
    HELD_OUT.map((seed) => {
      const meant = made(seed)
      return { meant, heard: heardIn(recorded(meant, room, seed)) }
    }),
  )
}
const f = ({ recall, precision }: ReturnType<typeof figures>) =>
  (2 * recall * precision) / (recall + precision)

describe('a spectrum', () => {
  it('is the sum of its definition (law)', () => {
    const spectrum = new Spectrum(32)
    const powers = new Float64Array(17)
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 32, maxLength: 32 }),
        (samples) => {
          spectrum.powersOf(samples, powers)
          for (let k = 0; k <= 16; k += 1) {
            let [re, im] = [0, 0]
            for (const [i, one] of samples.entries()) {
              re += one * Math.cos((2 * Math.PI * k * i) / 32)
              im -= one * Math.sin((2 * Math.PI * k * i) / 32)
            }
            expect(powers[k]).toBeCloseTo(re * re + im * im, 8)
          }
        },
      ),
    )
    expect(() => new Spectrum(48)).toThrow(RangeError)
  })
})

describe('strokes in sound', () => {
  it.each([4, 8, 12])(
    'are found at %i a second in a room, within 5 ms, and no others',
    (perSecond) => {
      const found = figures((seed) => madeLine(perSecond, 40, seed))
      expect(f(found)).toBeGreaterThanOrEqual(0.97)
      expect(found.error95).toBeLessThan(1.5)
    },
  )

  it('are found while a crash rings', () => {
    const crash = { seconds: 0.42, surface: 'c1', velocity: 112 } as const
    expect(f(figures((seed) => [crash, ...madeLine(8, 24, seed)]))).toBeGreaterThanOrEqual(0.93)
  })

  it('are found as ghosts after accents, softer than those', () => {
    const made = (seed: number) =>
      madeLine(8, 32, seed, ['sn']).map((one, i) => ({ ...one, velocity: i % 2 === 0 ? 112 : 36 }))
    expect(f(figures(made))).toBeGreaterThanOrEqual(0.97)
    const [seed] = HELD_OUT as [number]
    const heard = heardIn(recorded(made(seed), ROOM, seed))
    const [loud, soft] = [0, 1].map((at) =>
      heard.filter((_, i) => i % 2 === at).map(({ db }) => db),
    )
    expect(Math.min(...(loud ?? []))).toBeGreaterThan(Math.max(...(soft ?? [])) + 6)
  })

  it('are told from the app’s own click, which comes back softly', () => {
    const heard = HELD_OUT.map((seed) => {
      const { clicks, line, sounding } = madeBesideClick(6, 36, seed, 48)
      const all = heardIn(recorded(sounding, ROOM, seed))
      return { line, all, without: withoutClick(all, clicks) }
    })
    const clicked = foundOf(heard.map(({ line, all }) => ({ meant: line, heard: all })))
    const without = foundOf(heard.map(({ line, without: some }) => ({ meant: line, heard: some })))
    expect(clicked.precision).toBeLessThan(0.9)
    expect(without.precision).toBeGreaterThanOrEqual(0.97)
    expect(without.recall).toBeGreaterThanOrEqual(0.94)
  })

  it('are none in noise alone', () => {
    const noise = recorded(
      [{ seconds: 3, surface: 'sn', velocity: 1 }],
      { noiseDb: 20, echoDb: null },
      5,
    )
    expect(heardIn(noise)).toEqual([])
    expect(heardIn(new Float32Array(RATE))).toEqual([])
  })

  it('are the same in blocks of any size (law)', () => {
    const samples = recorded(madeLine(8, 6, 7), ROOM, 7)
    const whole = heardIn(samples, samples.length)
    expect(whole).toHaveLength(6)
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 3000 }), (block) => {
        expect(heardIn(samples, block)).toEqual(whole)
      }),
      { numRuns: 8 },
    )
  })

  it('are told at the latest 25 ms after they began, and lost sound is noticed', () => {
    const samples = recorded(madeLine(4, 4, 9), ROOM, 9)
    const detector = new OnsetDetector(RATE)
    for (let i = 0; i < samples.length; i += 128)
      for (const { sample } of detector.hear(samples.subarray(i, i + 128)))
        expect(((detector.heard - sample) / RATE) * 1000).toBeLessThan(25)
    expect(detector.lostAt).toBe(-1)
    detector.hear(new Float32Array(441))
    expect(detector.lostAt).toBeGreaterThan(samples.length)
    expect(() => new OnsetDetector(8000)).toThrow(RangeError)
  })
})
