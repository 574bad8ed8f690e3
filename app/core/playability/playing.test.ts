import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { DEFAULT_KIT, distance, findPiece, KIT_PRESETS, type Kit, type Piece } from '../kit'
import { type Lick, lineEvents } from '../line'
import { SURFACES, type Surface } from '../sticking'
import { voiceLick } from '../voicing'
import {
  characterOf,
  clearSurfaces,
  DEFAULT_REACH,
  DEFAULT_SETTING,
  farStrokes,
  footLanding,
  footRuns,
  handCollisions,
  handPaths,
  landingHands,
  missingPedal,
  movesOf,
  pathLengthOf,
  raisesOf,
  speedLimit,
} from '.'

const drum = (surface: Surface, x: number): Piece => ({
  surface,
  kind: 'drum',
  x,
  y: 50,
  height: 70,
  diameter: 30,
})
const kitOf = (...pieces: Piece[]): Kit => ({ id: 'own', name: 'Own', pieces })

describe('the paths of the hands', () => {
  it('are where each hand strikes, in order, graces too', () => {
    const { RH, LH } = handPaths(lickOf('R:t1L:t2fR:f1/snKL'), DEFAULT_KIT)
    expect(RH.map(({ voice }) => voice)).toEqual(['t1', 'f1'])
    expect(LH.map(({ voice, tick }) => [voice, tick])).toEqual([
      ['t2', 2520],
      ['sn', 5040],
      ['sn', 10080],
    ])
  })

  it('are as long as their moves', () => {
    const kit = kitOf(drum('t1', -20), drum('t2', 20))
    const { RH } = handPaths(lickOf('R:t1L:t2R:t2L:t1R:t1'), kit)
    // With the hand at the tip it goes from centre to centre; the hand before the tip goes less far.
    expect(pathLengthOf('RH', RH, { shoulder: 20, grip: 0 })).toBe(80)
    expect(pathLengthOf('RH', RH)).toBeLessThan(80)
  })

  it('give the right hand 340.9 ms from tom to tom at 88 (C35)', () => {
    const lick = lickOf('R:t1L:t2R:t2L:t1')
    const [move] = movesOf(lick, 'line', DEFAULT_SETTING).filter(({ limb }) => limb === 'RH')
    const ticks = (move?.toTick ?? 0) - (move?.fromTick ?? 0)
    expect((((ticks / 10080) * 60) / 88) * 1000).toBeCloseTo(340.9, 1)
  })
})

describe('the character of a lick', () => {
  it('counts slots that sound, kicks and backbeats (C55)', () => {
    const character = characterOf(lickOf('RL-K R-LK RRLK R:t1L-K'), DEFAULT_KIT, 80)
    expect(character).toMatchObject({
      linear: true,
      soundingSlots: 13,
      slots: 16,
      strokes: 13,
      kicks: 4,
      backbeats: { kept: 1, all: 2 },
      doubles: 1,
    })
    expect(character.strokesPerSecond).toBeCloseTo(13 / 3, 10)
  })

  it('finds the longest run, and accents on and off the beat', () => {
    expect(characterOf(lickOf('R>LKKK >L>R>LK'), DEFAULT_KIT, 80)).toMatchObject({
      longestRun: { limb: 'RF', length: 3 },
      accentsOnBeat: 0,
      accentsOffBeat: 4,
    })
    expect(characterOf(lickOf('line:'), DEFAULT_KIT, 80)).toMatchObject({
      longestRun: null,
      strokesPerSecond: 0,
      travel: { RH: 0, LH: 0 },
    })
  })

  it('is of whole numbers that belong together, whatever the line (law)', () => {
    fc.assert(
      fc.property(random.lick, (lick) => {
        const one = characterOf(lick, DEFAULT_KIT, 100)
        expect(one.soundingSlots).toBeLessThanOrEqual(one.slots)
        expect(one.kicks).toBeLessThanOrEqual(one.strokes)
        expect(one.backbeats.kept).toBeLessThanOrEqual(one.backbeats.all)
        expect(one.doubles === 0).toBe((one.longestRun?.length ?? 0) < 2)
        expect(one.strokes).toBe(lineEvents(lick).length)
      }),
    )
  })
})

describe('the hand for the crash', () => {
  it('is the one that can be there at the fastest tempo, on the crash in reach', () => {
    const [best, ...others] = landingHands(lickOf('start: 3\nline: RRLKRLLR'), DEFAULT_SETTING, 126)
    expect(best).toMatchObject({ hand: 'LH', crash: 'c1' })
    expect(best?.hasMs).toBeCloseTo(238.1, 1)
    for (const other of others) expect(other.bpm).toBeLessThanOrEqual(best?.bpm ?? 0)
  })

  it('is not known where hands are not decided, and any where neither struck', () => {
    const open = landingHands(lickOf('RLX'), DEFAULT_SETTING, 100)
    expect(open.length).toBeGreaterThan(0)
    expect(open.every((one) => one.open)).toBe(true)
    expect(landingHands(lickOf('RXLLR'), DEFAULT_SETTING, 100).some((one) => !one.open)).toBe(true)
    expect(landingHands(lickOf('KK'), DEFAULT_SETTING, 100)[0]?.bpm).toBe(Infinity)
    // However far back a hand struck last: at 120 a bar of sixteenths is 2000 ms.
    const far = landingHands(lickOf(`start: 1\nline: L${'R'.repeat(63)}`), DEFAULT_SETTING, 120)
    expect(far.find(({ hand }) => hand === 'LH')?.hasMs).toBeCloseTo(8000, 6)
  })

  it('has enough time exactly at its own tempo (law)', () => {
    fc.assert(
      fc.property(random.lick, (lick) => {
        for (const { bpm } of landingHands(lick, DEFAULT_SETTING, 100)) {
          if (!Number.isFinite(bpm) || bpm <= 0) continue
          const at = landingHands(lick, DEFAULT_SETTING, bpm).find((one) => one.bpm === bpm)
          expect(at?.hasMs).toBeCloseTo(at?.needMs ?? 0, 6)
        }
      }),
    )
  })
})

describe('what raises the limit', () => {
  const as = (lick: Lick) => lick

  it('is another voice, another hand, or no stroke, each with its own limit', () => {
    const lick = lickOf('R:t1LR:f1L')
    const raises = raisesOf(lick, as, 'line', DEFAULT_SETTING)
    expect(new Set(raises.map(({ kind }) => kind))).toContain('other-voice')
    const now = speedLimit(lick).bpm as number
    for (const { bpm } of raises) expect(bpm ?? Infinity).toBeGreaterThan(now)
  })

  it('takes a double away from the foot', () => {
    const [best] = raisesOf(lickOf('RLKK'), as, 'line', DEFAULT_SETTING)
    expect(best).toMatchObject({ kind: 'leave-out', slots: [3] })
    const [all] = raisesOf(lickOf('RLKK RLKK'), as, 'line', DEFAULT_SETTING)
    expect(all).toMatchObject({ kind: 'leave-out', slots: [3, 7] })
    expect(raisesOf(lickOf('RLK'), as, 'line', DEFAULT_SETTING)).toEqual([])
  })

  it('is judged as the rules voice it, and every gain is real (law)', () => {
    fc.assert(
      fc.property(random.lick, (lick) => {
        const voice = (one: Lick) =>
          voiceLick(one, {
            rules: [
              {
                hands: 'RH',
                which: { kind: 'every' },
                action: {
                  kind: 'path',
                  surfaces: ['t1', 'f1', 'rd'],
                  per: 1,
                  end: 'turn',
                  turningStroke: false,
                },
                on: true,
              },
            ],
            pins: [],
          })
        const now = speedLimit(voice(lick), 'line').bpm
        for (const raise of raisesOf(lick, voice, 'line', DEFAULT_SETTING)) {
          expect(raise.bpm).toBe(speedLimit(voice(raise.lick), 'line').bpm)
          if (raise.bpm !== null) expect(raise.bpm).toBeGreaterThan(now as number)
        }
      }),
      { numRuns: 25 },
    )
  })
})

it('a move is as far as its pieces are', () =>
  expect(distance(drum('t1', -20), drum('t2', 20))).toBe(40))

it('the foot on both sides of a landing needs what its player’s foot needs', () => {
  const lick = lickOf('start: 3\nline: RLLRLRLK')
  const { player } = DEFAULT_SETTING
  const quick = { ...player, RF: { single: 150, double: 95, triple: 120 } }
  const needs = [player, quick].map(
    (one) => footLanding(lick, { ...DEFAULT_SETTING, player: one })?.needMs,
  )
  expect(needs).toEqual([110, 95])
})

describe('a second pedal that the kit lacks', () => {
  it('is flagged, with what the lead foot would have to do (C34)', () => {
    const lick = lickOf('RLKJ')
    expect(missingPedal(lick, DEFAULT_KIT, 104)).toMatchObject({ strokes: 1, nearestTicks: 2520 })
    expect(missingPedal(lick, DEFAULT_KIT, 104)?.nearestMs).toBeCloseTo(144.2, 1)
    expect(missingPedal(lickOf('RLJ'), DEFAULT_KIT, 104)?.nearestMs).toBeNull()
  })

  it('is not missed where the kit has it, or nobody asks for it', () => {
    const eight = KIT_PRESETS.find(({ id }) => id === 'eight') as Kit
    expect(missingPedal(lickOf('RLKJ'), eight, 104)).toBeNull()
    expect(missingPedal(lickOf('RLKH'), DEFAULT_KIT, 104)).toBeNull()
  })
})

describe('what is far, and what runs', () => {
  it('lists strokes beyond a reach with their distance', () => {
    const lick = lickOf('R:c2LK')
    expect(farStrokes(lick, DEFAULT_KIT, DEFAULT_REACH)).toEqual([])
    const [far, ...more] = farStrokes(lick, DEFAULT_KIT, 90)
    expect(more).toEqual([])
    expect(far).toMatchObject({ limb: 'RH', surface: 'c2', tick: 0 })
    // From the right shoulder, 20 cm from the throne's middle.
    const crash = findPiece(DEFAULT_KIT, 'c2')
    expect(far?.centimetres).toBeCloseTo(Math.hypot((crash?.x ?? 0) - 20, crash?.y ?? 0), 9)
  })

  it('lists every double and longer run of a foot, also in squeezes and under hands', () => {
    expect(footRuns(lickOf('RKKL {KK}(RK)K HH'))).toEqual([
      { limb: 'RF', fromTick: 2520, toTick: 5040, strokes: 2 },
      { limb: 'RF', fromTick: 10080, toTick: 15120, strokes: 4 },
      { limb: 'LF', fromTick: 17640, toTick: 20160, strokes: 2 },
    ])
    expect(footRuns(lickOf('RLKRLK'))).toEqual([])
  })
})

describe('ways out of a crossing', () => {
  it('leave the hands clear of each other, on surfaces of the same kind (law)', () => {
    fc.assert(
      fc.property(random.lick, fc.constantFrom('RH' as const, 'LH' as const), (lick, moved) => {
        for (const meet of handCollisions(lick, DEFAULT_KIT)) {
          for (const surface of clearSurfaces(DEFAULT_KIT, meet, moved)) {
            const [right, left] = moved === 'RH' ? [surface, meet.left] : [meet.right, surface]
            if (right === '??' || left === '??') continue
            expect(
              handCollisions(lickOf(`R:${right}L:${left}`), DEFAULT_KIT).filter(
                ({ usual }) => !usual,
              ),
            ).toEqual([])
          }
        }
      }),
    )
  })

  it('are offered nearest first', () => {
    const [meet] = handCollisions(lickOf('R:t1L:t2'), DEFAULT_KIT)
    expect(meet && clearSurfaces(DEFAULT_KIT, meet, 'RH')).toEqual(['t2', 'f1'])
    expect(meet && clearSurfaces(DEFAULT_KIT, meet, 'LH')).not.toContain('t2')
  })
})

/** The constant A of Fitts's law, in milliseconds: no move takes less. */
const QUICKEST_MOVE = 13

describe('any kit', () => {
  const centimetres = fc.integer({ min: -300, max: 300 })
  const pieces = fc
    .uniqueArray(fc.constantFrom(...SURFACES), { minLength: 1, maxLength: 25 })
    .chain((surfaces) =>
      fc.tuple(
        ...surfaces.map((surface) =>
          fc.record({
            surface: fc.constant(surface),
            kind: fc.constantFrom('drum' as const, 'cymbal' as const, 'pedal' as const),
            x: centimetres,
            y: centimetres,
            height: fc.integer({ min: 0, max: 250 }),
            diameter: fc.integer({ min: 1, max: 120 }),
          }),
        ),
      ),
    )

  it('plays any line: every figure is a number, no hand is there before Fitts’s A (law)', () => {
    fc.assert(
      fc.property(random.lick, pieces, (lick, all) => {
        const setting = { kit: kitOf(...all), player: DEFAULT_SETTING.player }
        for (const reading of ['line', 'landing', 'loop'] as const) {
          const { bpm } = speedLimit(lick, reading, setting)
          expect(bpm === null || (Number.isFinite(bpm) && bpm > 0)).toBe(true)
        }
        for (const { limb, fromSurface, toSurface, needMs, kind, leadMs } of movesOf(
          lick,
          'loop',
          setting,
        )) {
          const least = kind === 'travel' ? QUICKEST_MOVE : setting.player[limb].double * 0.5
          expect(needMs - leadMs, `${limb} ${fromSurface} ${toSurface}`).toBeGreaterThanOrEqual(
            least - 1e-9,
          )
        }
        const { travel } = characterOf(lick, setting.kit, 100)
        expect(Number.isFinite(travel.RH + travel.LH)).toBe(true)
        const { RH, LH } = handPaths(lick, setting.kit)
        const hands = lineEvents(lick).flatMap(({ limb, surface, graceLimb, graceSurface }) => [
          ...(surface === '??' ? [] : [limb]),
          ...(graceLimb && graceSurface !== '??' ? [graceLimb] : []),
        ])
        expect(RH.length + LH.length).toBe(
          hands.filter((limb) => limb === 'RH' || limb === 'LH').length,
        )
        for (const { kind, over } of handCollisions(lick, setting.kit)) {
          expect(over === null).toBe(kind === 'shared')
        }
        for (const { hasMs, needMs } of landingHands(lick, setting, 100)) {
          expect(Number.isNaN(hasMs) || Number.isNaN(needMs)).toBe(false)
        }
        missingPedal(lick, setting.kit, 100)
        farStrokes(lick, setting.kit, 100)
      }),
    )
  })
})
