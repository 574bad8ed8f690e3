import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lickOf } from '../../../tests/support/licks'
import { DEFAULT_KIT, handWay, type Kit, type Piece, tomsOf } from '../kit'
import { aimOf, type Lick, lickSlots } from '../line'
import { DEFAULT_SETTING, handCollisions, isSamePlace, movesOf } from '../playability'
import { hasAccent, isHand, isOneHand, strokeLimb, strokesInSlot } from '../sticking'
import { type Pin, voiceLick } from '../voicing'
import { KIT_SHAPES, type VoiceWish, voicesFor } from './voices'

/** A kit of few surfaces, so that every way to lay a line on it can be tried. */
const SMALL: Kit = {
  ...DEFAULT_KIT,
  pieces: DEFAULT_KIT.pieces.filter(({ surface }) =>
    ['sn', 't1', 'f1', 'c1', 'bd'].includes(surface),
  ),
}
const SETTING = { ...DEFAULT_SETTING, kit: SMALL }

const wishes: fc.Arbitrary<VoiceWish> = fc.record({
  shape: fc.constantFrom(...KIT_SHAPES),
  contour: fc.array(fc.option(fc.constantFrom(0, 0.2, 0.5, 1)), { maxLength: 6 }),
  inRow: fc.integer({ min: 0, max: 3 }),
  accents: fc.boolean(),
  crossing: fc.boolean(),
  tempo: fc.integer({ min: 40, max: 220 }),
})
const lines = fc
  .array(fc.constantFrom('R', 'L', '>R', '>L', 'K', '-', '(RL)', '{RL}', '(RK)', 'RL '), {
    minLength: 1,
    maxLength: 5,
  })
  .map((slots) => slots.join(''))

/** What may be struck: drums from the snare down, and cymbals from left to right where accents are wished there. */
function offered(accents: boolean): readonly Piece[] {
  const drums = ['sn', ...tomsOf(SMALL)]
  const isDrum = ({ surface }: Piece) => drums.includes(surface)
  return [
    ...SMALL.pieces
      .filter(isDrum)
      .sort((a, b) => drums.indexOf(a.surface) - drums.indexOf(b.surface)),
    ...SMALL.pieces.filter(({ kind }) => accents && kind === 'cymbal').sort((a, b) => a.x - b.x),
  ]
}

/** Slots that a hand strikes. */
const struck = (lick: Lick) =>
  lickSlots(lick).filter(({ content }) =>
    strokesInSlot(content).some(({ stroke }) => isHand(stroke.letter)),
  )

/** The lowest cost of all ways that may be, by trying all; null where none may. */
function cheapestByTrying(lick: Lick, wish: VoiceWish): number | null {
  const pieces = offered(wish.accents)
  const slots = struck(lick)
  let best: number | null = null
  const walk = (pins: readonly Pin[]) => {
    if (pins.length < slots.length) {
      for (const { surface } of pieces)
        walk([...pins, { slot: slots[pins.length]?.index ?? 0, surface }])
      return
    }
    const rows = pins.map(({ surface }, i) => {
      let times = 1
      while (pins[i - times]?.surface === surface) times += 1
      return times
    })
    if (wish.inRow && Math.max(...rows) > wish.inRow) return
    const voiced = voiceLick(lick, { rules: [], pins })
    const met = handCollisions(voiced, SMALL, SETTING.player.arms).some(({ usual }) => !usual)
    const fast = movesOf(voiced, 'line', SETTING).some(
      ({ bpm, fromSurface, toSurface }) =>
        bpm < wish.tempo && !isSamePlace(SMALL, fromSurface, toSurface),
    )
    if ((met && !wish.crossing) || fast) return
    const cost = costOf(lick, pins, wish, pieces)
    if (best === null || cost < best) best = cost
  }
  walk([])
  return best
}

/** What a way costs, by the words of its docstring. */
function costOf(lick: Lick, pins: readonly Pin[], wish: VoiceWish, pieces: readonly Piece[]) {
  const slots = struck(lick)
  const at: Partial<Record<'RH' | 'LH', Piece>> = {}
  let cost = 0
  for (const [i, { index, group, content }] of slots.entries()) {
    const piece = pieces.find(({ surface }) => surface === pins[i]?.surface) as Piece
    const inGroup = slots.filter((one) => one.group === group)
    const [place, of] =
      wish.shape === 'figure'
        ? [inGroup.indexOf(slots[i] as (typeof slots)[number]), inGroup.length]
        : [i, slots.length]
    const share = of > 1 ? place / (of - 1) : 0
    const wished = {
      down: share,
      up: 1 - share,
      'there-and-back': 1 - Math.abs(2 * share - 1),
      figure: share,
      drawn: wish.contour?.[index] ?? null,
    }[wish.shape]
    const like = pieces.filter(({ kind }) => kind === piece.kind)
    const among = like.length > 1 ? like.indexOf(piece) / (like.length - 1) : 0
    if (wished !== null) cost += Math.round(100 * Math.abs(among - wished))
    if (wish.accents && (piece.kind === 'cymbal') !== hasAccent(content)) cost += 150
    const hands = new Set(
      strokesInSlot(content)
        .map(({ stroke }) => strokeLimb(stroke))
        .filter(isOneHand),
    )
    for (const hand of hands) {
      const from = at[hand]
      if (from && from !== piece)
        cost += Math.round(handWay(hand, from, piece, SETTING.player.arms) / 10)
      at[hand] = piece
    }
  }
  return cost
}

describe('voices that are found for a line', () => {
  it('cost as little as the best of all that may be, by trying all (law)', () => {
    let held = 0
    fc.assert(
      fc.property(lines, wishes, (line, wish) => {
        const lick = lickOf(`bars: 1\nline: ${line}`)
        if (struck(lick).length === 0 || aimOf(lick).left < 0) return
        const [best] = voicesFor(lick, SETTING, wish)
        const tried = cheapestByTrying(lick, wish)
        expect(best?.cost ?? null).toBe(tried)
        held += 1
      }),
      { numRuns: 60 },
    )
    expect(held).toBeGreaterThan(40)
  })

  it('are what they were found for on the whole kit: no arms cross, every move has its time (law)', () => {
    const long = fc.array(fc.constantFrom('RLLRL', 'RLK', '>RLRR', 'RLLK', 'fRL', '(RK)L'), {
      minLength: 1,
      maxLength: 4,
    })
    fc.assert(
      fc.property(long, wishes, (groups, wish) => {
        const lick = lickOf(`line: ${groups.join(' ')}`)
        for (const { voicing } of voicesFor(lick, DEFAULT_SETTING, wish)) {
          const voiced = voiceLick(lick, voicing)
          const met = handCollisions(voiced, DEFAULT_KIT, DEFAULT_SETTING.player.arms)
          if (!wish.crossing) expect(met.filter(({ usual }) => !usual)).toEqual([])
          const late = movesOf(voiced, 'line', DEFAULT_SETTING).filter(
            ({ bpm, fromSurface, toSurface }) =>
              bpm < wish.tempo - 1e-6 && !isSamePlace(DEFAULT_KIT, fromSurface, toSurface),
          )
          expect(late).toEqual([])
        }
      }),
      { numRuns: 25 },
    )
  })

  it('go down the kit, and put accents on cymbals', () => {
    const surfaces = (line: string, wish: Partial<VoiceWish>) => {
      const lick = lickOf(`bars: 1\nline: ${line}`)
      const all = { shape: 'down', accents: false, crossing: false, tempo: 60, ...wish } as const
      return voicesFor(lick, DEFAULT_SETTING, all)[0]?.pins.map(({ surface }) => surface)
    }
    expect(surfaces('RLRLRLRL', {})).toEqual(['sn', 'sn', 't1', 't1', 't2', 't2', 'f1', 'f1'])
    expect(surfaces('RLRLRLRL', { shape: 'up' })?.at(-1)).toBe('sn')
    const contour = [1, 1, 0, 0, 1, 1, 0, 0]
    expect(surfaces('RLRLRLRL', { shape: 'drawn', contour, crossing: true })).toEqual(
      contour.map((low) => (low === 1 ? 'f1' : 'sn')),
    )
    const rows = surfaces('RLRLRLRL', { shape: 'drawn', inRow: 2 }) ?? []
    expect(rows.every((one, i) => one !== rows[i - 1] || one !== rows[i - 2])).toBe(true)
    const cymbals = DEFAULT_KIT.pieces.filter(({ kind }) => kind === 'cymbal')
    const accented = surfaces('>RLRL>RLRL', { accents: true }) ?? []
    expect(accented.map((surface) => cymbals.some((one) => one.surface === surface))).toEqual([
      true,
      false,
      false,
      false,
      true,
      false,
      false,
      false,
    ])
  })

  it('leave what is struck already where it is, written or by hand', () => {
    const lick = lickOf('bars: 1\nline: RLR:rdLRL')
    const wish = { shape: 'down', accents: false, crossing: true, tempo: 50 } as const
    const found = voicesFor(lick, DEFAULT_SETTING, wish, [{ slot: 4, surface: 't1' }])
    expect(found.length).toBeGreaterThan(0)
    for (const { pins } of found) expect([pins[2]?.surface, pins[4]?.surface]).toEqual(['rd', 't1'])
  })

  it('are none for a line without hands', () => {
    expect(
      voicesFor(lickOf('line: KK-K'), DEFAULT_SETTING, {
        shape: 'down',
        accents: false,
        crossing: false,
        tempo: 100,
      }),
    ).toEqual([])
  })
})
