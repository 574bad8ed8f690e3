import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { mapStrokes } from '../changes'
import {
  DEFAULT_KIT,
  DEFAULT_PLAYER,
  findPiece,
  KIT_PRESETS,
  type Kit,
  mirrorKit,
  mirrorPlayer,
  type Player,
} from '../kit'
import { EMPTY_LICK, frameTicks, type Lick } from '../line'
import { TICKS_PER_QUARTER } from '../time'
import {
  DEFAULT_SETTING,
  feetUnderHands,
  handCollisions,
  movesOf,
  type Reading,
  speedLimit,
  travelTime,
} from '.'

const limit = (text: string, reading: Reading = 'line') => speedLimit(lickOf(text), reading)
const bpm = (text: string, reading: Reading = 'line') =>
  Math.round((limit(text, reading).bpm ?? 0) * 10) / 10

describe('the speed limit', () => {
  it('is set by the foot’s double, and into a landing by its third stroke (C47)', () => {
    expect(bpm('RLKK*4')).toBe(136.4)
    expect(limit('RLKK*4').bottleneck).toMatchObject({ limb: 'RF', needMs: 110, kind: 'double' })
    expect(bpm('RLKK*4', 'landing')).toBe(107.1)
    expect(limit('RLKK*4', 'landing').bottleneck).toMatchObject({
      needMs: 140,
      kind: 'triple',
      toTick: 40320,
    })
  })

  it('knows the foot on both sides of the landing, and the seam of the loop', () => {
    expect(bpm('start: 3\nline: RLLRLRLK', 'landing')).toBeGreaterThan(112)
    expect(bpm('start: 3\nline: RLLRLRKK', 'landing')).toBeLessThan(112)
    const seam = 'meter: 2/4\nlead: 0\ngroove: none\nlanding: none\nline: KKRLLRLK'
    expect([bpm(seam), bpm(seam, 'loop')]).toEqual([136.4, 107.1])
    expect(limit(seam, 'loop').bottleneck).toMatchObject({ limb: 'RF' })
  })

  it('counts a grace by its own hand (hard case 5)', () => {
    const moves = movesOf(lickOf('RLKLfR'), 'line', DEFAULT_SETTING)
    const grace = moves.find(({ toTick, limb }) => toTick === 10080 && limb === 'LH')
    const rebound = DEFAULT_PLAYER.LH.double
    expect(grace).toMatchObject({ fromTick: 7560, kind: 'double', leadMs: 30 })
    expect(grace?.needMs).toBeCloseTo(rebound + 30, 9)
  })

  // By hand from the constants: a third of a run, a grace as a rebound, strokes pressed into the head.
  it.each([
    ['RRRL*4', 'line', 142.9],
    ['fLLR*4', 'line', 136.4],
    ['{RRR}{LLL}*4', 'line', 102.9],
    ['RLKK*4', 'landing', 107.1],
  ] as const)('of %s, %s, is %d', (line, reading, expected) => {
    expect(bpm(line, reading)).toBe(expected)
  })

  it('lets fills that are played every night pass at their tempos', () => {
    // A multiple bounce roll, flam taps, a paradiddle over the toms.
    expect(bpm('{RRR}{LLL}{RRR}{LLL}*4')).toBeGreaterThan(90)
    expect(bpm('fRRfLL*4')).toBeGreaterThan(120)
    expect(bpm('R:t1L:snR:t1R:t1 L:snR:f1L:snL:sn*2')).toBeGreaterThan(100)
  })

  it('counts what sounds: the hi-hat on the 1 is the crash that replaces it', () => {
    const text = 'start: 3\nline: RRLKRLLR:f1'
    expect(bpm(text, 'loop')).toBeGreaterThan(62.9)
    const moves = movesOf(lickOf(text), 'loop', DEFAULT_SETTING)
    expect(
      moves.some(
        ({ limb, toTick, toSurface }) => limb === 'RH' && toTick === 40320 && toSurface === 'hh',
      ),
    ).toBe(false)
  })

  it('says nothing where no limb strikes twice, and of a hand that is not decided', () => {
    expect(limit('RLK')).toEqual({ bpm: null, bottleneck: null, next: [] })
    expect(limit('XXXX').bpm).toBeNull()
  })

  it('is in beats of the metre', () => {
    const [six, four] = [limit('meter: 6/8\nline: RR'), limit('RR')]
    expect((six.bpm ?? 0) * 1.5).toBeCloseTo(four.bpm ?? 1, 9)
    expect(limit('RR').bottleneck).toMatchObject({ limb: 'RH', needMs: 80 })
  })

  it('counts every move by what it costs', () => {
    expect(travelTime(DEFAULT_KIT, 'sn', 'xs')).toBe(0)
    expect(travelTime(DEFAULT_KIT, 'sn', 'sn')).toBe(0)
    const near = travelTime(DEFAULT_KIT, 't1', 't2')
    expect(travelTime(DEFAULT_KIT, 'f1', 'hh')).toBeGreaterThan(near)
    expect(near).toBeGreaterThan(13)
  })

  it('equals a search over tempos: enough time at it, too little above (law)', () => {
    fc.assert(
      fc.property(
        random.lick,
        fc.constantFrom<Reading>('line', 'landing', 'loop'),
        (lick, reading) => {
          const { bpm: fastest } = speedLimit(lick, reading)
          if (fastest === null) return
          const { beat } = frameTicks(lick.frame)
          const moves = movesOf(lick, reading, DEFAULT_SETTING)
          const enough = (tempo: number) =>
            moves.every(({ fromTick, toTick, needMs }) => {
              const quarters = (tempo * beat) / TICKS_PER_QUARTER
              return ((toTick - fromTick) / TICKS_PER_QUARTER) * (60000 / quarters) >= needMs
            })
          let [low, high] = [0, fastest * 4]
          for (let i = 0; i < 60; i += 1) {
            const middle = (low + high) / 2
            if (enough(middle)) low = middle
            else high = middle
          }
          expect(low / fastest).toBeCloseTo(1, 9)
        },
      ),
      { numRuns: 80 },
    )
  })

  it('never rises with slower limbs, nor falls with nearer drums (law)', () => {
    const slower = (player: Player): Player =>
      ({
        ...player,
        ...Object.fromEntries(
          (['RH', 'LH', 'RF', 'LF'] as const).map((limb) => [
            limb,
            Object.fromEntries(Object.entries(player[limb]).map(([key, ms]) => [key, ms * 1.3])),
          ]),
        ),
      }) as Player
    const nearer = (kit: Kit): Kit => ({
      ...kit,
      pieces: kit.pieces.map((piece) => ({
        ...piece,
        x: piece.x / 2,
        y: piece.y / 2,
        height: piece.height / 2,
      })),
    })
    fc.assert(
      fc.property(random.lick, (lick) => {
        const usual = speedLimit(lick, 'line').bpm ?? 0
        const slow = speedLimit(lick, 'line', { kit: DEFAULT_KIT, player: slower(DEFAULT_PLAYER) })
        const near = speedLimit(lick, 'line', { kit: nearer(DEFAULT_KIT), player: DEFAULT_PLAYER })
        expect(slow.bpm ?? 0).toBeLessThanOrEqual(usual * (1 + 1e-12))
        expect(near.bpm ?? 0).toBeGreaterThanOrEqual(usual * (1 - 1e-12))
      }),
      { numRuns: 80 },
    )
  })

  it('is the same for a mirrored player at a mirrored kit (law)', () => {
    const OTHER = { R: 'L', L: 'R' } as const
    const mirrored = (lick: Lick): Lick => ({
      ...lick,
      ostinatos: [],
      pickup: EMPTY_LICK.pickup,
      line: {
        ...lick.line,
        slots: mapStrokes(lick.line.slots, (stroke) =>
          stroke.letter === 'R' || stroke.letter === 'L'
            ? { ...stroke, letter: OTHER[stroke.letter] }
            : stroke,
        ),
      },
    })
    const { RF, LF } = DEFAULT_PLAYER
    const player = { ...mirrorPlayer(DEFAULT_PLAYER), RF, LF }
    fc.assert(
      fc.property(random.lick, (lick) => {
        const plain = speedLimit({ ...lick, pickup: EMPTY_LICK.pickup, ostinatos: [] }, 'line').bpm
        const other = speedLimit(mirrored(lick), 'line', {
          kit: mirrorKit(DEFAULT_KIT),
          player,
        }).bpm
        if (plain === null) expect(other).toBeNull()
        else expect((other ?? 0) / plain).toBeCloseTo(1, 9)
      }),
      { numRuns: 80 },
    )
  })
})

describe('hands in each other’s way', () => {
  const kit: Kit = {
    ...DEFAULT_KIT,
    pieces: DEFAULT_KIT.pieces.map((piece) => {
      const x = { t1: -20, t2: 20, rd: 60, sn: 0 }[piece.surface as string]
      return x === undefined ? piece : { ...piece, x }
    }),
  }

  it('cross, share a drum, and come clear (C35)', () => {
    const meets = handCollisions(lickOf('R:t1L:t2R:t2L:t1'), kit)
    expect(
      meets.map(({ kind, fromTick, toTick }) => [kind, fromTick / 2520, toTick / 2520]),
    ).toEqual([['crossed', 0, 1]])
    // A small drum is shared only by strokes together: one hand after the other has room.
    const together = handCollisions(lickOf('(R:t2L:t2)'), kit)
    expect(together.map(({ kind }) => kind)).toContain('shared')
  })

  it('are looked at over time, feet between not counted (hard case 28)', () => {
    const crossed = handCollisions(lickOf('R:rdL:snKR:t1L:sn'), kit)
    expect(crossed.map(({ fromTick, toTick }) => [fromTick / 2520, toTick / 2520])).toContainEqual([
      3, 4,
    ])
    expect(crossed.some(({ fromTick }) => fromTick === 0)).toBe(false)
  })

  it('depend on who keeps time: open-handed is clear (C37)', () => {
    const at: Kit = {
      ...kit,
      pieces: kit.pieces.map((piece) => {
        const x = { hh: -50, sn: 0, f1: 50 }[piece.surface as string]
        return x === undefined ? piece : { ...piece, x }
      }),
    }
    const crossings = (line: string) =>
      handCollisions(lickOf(`grid: 1/4\nline: ${line}`), at).filter(
        ({ kind }) => kind === 'crossed',
      ).length
    expect(crossings('R:f1(R:f1L)R:f1(R:f1L)')).toBe(0)
    expect(crossings('R:hh(R:hhL)R:hh(R:hhL)')).toBeGreaterThanOrEqual(2)
    expect(crossings('L:hh(L:hhR)L:hh(L:hhR)')).toBe(0)
  })
})

describe('kits', () => {
  it.each(KIT_PRESETS.map((kit) => [kit.name, kit] as const))(
    '%s has each surface once, plays every voice, and turns round and back',
    (_name, kit) => {
      const surfaces = kit.pieces.map(({ surface }) => surface)
      expect(new Set(surfaces).size).toBe(surfaces.length)
      for (const voice of ['t1', 't6', 'f2', 'c2', 'sp', 'cb', 'b2', 'hf', 'xs'] as const) {
        expect(findPiece(kit, voice)).toBeDefined()
      }
      expect(mirrorKit(mirrorKit(kit))).toEqual(kit)
    },
  )

  it('of one drum only still plays everything', () => {
    const lone: Kit = { id: 'lone', name: 'One drum', pieces: DEFAULT_KIT.pieces.slice(0, 1) }
    expect(findPiece(lone, 'c1')?.surface).toBe('sn')
    expect(
      speedLimit(lickOf('R:t1R:f1R:c1K'), 'loop', { kit: lone, player: DEFAULT_PLAYER }).bpm,
    ).toBeGreaterThan(0)
  })
})

describe('feet under hands', () => {
  it('meet them on the same side or across (C39)', () => {
    const lick = lickOf('meter: 3/4\nline: RRL*4\nunder fill: @1/8 KJ')
    const sides = feetUnderHands(lick).map(({ tick, sameSide }) => [tick / 2520, sameSide])
    expect(sides).toEqual([
      [0, true],
      [2, true],
      [4, true],
      [6, false],
      [8, false],
      [10, false],
    ])
  })

  it('meet only where both are, at another rate (hard case 9)', () => {
    const lick = lickOf('grid: 1/8t\nline: RRL*4\nunder fill: @1/8 KJ')
    expect(feetUnderHands(lick).map(({ tick }) => tick)).toEqual([0, 10080, 20160, 30240])
  })
})
