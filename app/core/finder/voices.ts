import { handWay, type Kit, type Piece, tomsOf } from '../kit'
import { frameTicks, type Lick, lickSlots } from '../line'
import {
  collisionOf,
  handCollisions,
  isSamePlace,
  movesTooFast,
  type PlayContext,
  travelTime,
} from '../playability'
import {
  hasAccent,
  isHand,
  isOneHand,
  type SlotContent,
  type Surface,
  strokeLimb,
  strokesInSlot,
  type Voice,
} from '../sticking'
import { secondsPerTick, type Ticks } from '../time'
import { isPlain, type Pin, type Voicing, voiceLick, voicingPresets } from '../voicing'

/** Ways over the kit: where from high to low a line is wished, from its first stroke to its last, or as drawn. */
export const KIT_SHAPES = ['down', 'up', 'there-and-back', 'figure', 'drawn'] as const
export type KitShape = (typeof KIT_SHAPES)[number]

/** How a line is wished on a kit. */
export interface VoiceWish {
  readonly shape: KitShape
  /**
   * Where each slot is wished, from 0 (the snare) to 1 (the lowest drum), for what is drawn; null or none where
   * it does not matter.
   */
  readonly contour?: readonly (number | null)[]
  /** No piece is struck in more slots in a row; as often as it comes where nothing is said. */
  readonly inRow?: number
  /** Accents on cymbals, all else on drums. */
  readonly accents: boolean
  /** Whether arms may cross. */
  readonly crossing: boolean
  /** The tempo that it has to bear, in beats a minute. */
  readonly tempo: number
}

/** A way to lay a line on a kit, and what it costs against what was wished. */
export interface FoundVoices {
  readonly voicing: Voicing
  /** The surface of each slot that a hand strikes. */
  readonly pins: readonly Pin[]
  readonly cost: number
}

type Hand = 'RH' | 'LH'

/** A slot that hands strike, all of them on one surface. */
interface HandSlot {
  readonly slot: number
  /** Of each hand its first and its last stroke in the slot, in ticks. */
  readonly strokes: ReadonlyMap<Hand, { readonly first: Ticks; readonly last: Ticks }>
  /** The hands of its first and of its last onset: those are held against what is before and after. */
  readonly first: HandOnset
  readonly last: HandOnset
  /** Whether both hands strike at one instant. */
  readonly together: boolean
  readonly accented: boolean
  /** Where it is struck already, by a voice that is written or by hand: it stays there. */
  readonly fixed: Voice | null
  /** Where from left to right it is wished, from 0 to 1; null where it does not matter. */
  readonly wished: number | null
}
interface HandOnset {
  readonly tick: Ticks
  readonly hands: readonly Hand[]
}

/** Costs: of the whole width of the kit off what is wished, of an accent on a drum, of ten centimetres of way. */
const COST = { width: 100, accent: 150, way: 1 } as const
/** So many ways are kept in each state, and shown. */
const KEPT = 6
const SHOWN = 3

/**
 * Ways to lay a line on a kit, the best first: one surface for each slot that hands strike, such that every move of
 * a hand to another piece has its time at the tempo and no arms cross, unless they may; the hi-hat over the snare is
 * no crossing. Of all such ways those that cost least, by dynamic programming over where both hands are; shown are a
 * few that differ from each other in a quarter of the slots. What is struck already, by hand or as written, stays. Each is asked of the line itself, graces and all, before
 * it is shown. Where one of the kit's usual voicings gives the same, its rules are given instead of struck slots.
 */
export function voicesFor(
  lick: Lick,
  setting: PlayContext,
  wish: VoiceWish,
  struck: readonly Pin[] = [],
): FoundVoices[] {
  const slots = handSlotsOf(lick, wish, struck)
  if (slots.length === 0) return []
  const found: FoundVoices[] = []
  const apart = Math.max(1, Math.floor(slots.length / 4))
  for (const { pins, cost } of cheapest(slots, lick, setting, wish)) {
    if (found.length === SHOWN) break
    const differs = found.every(
      (one) => one.pins.filter(({ surface }, i) => surface !== pins[i]?.surface).length >= apart,
    )
    const voicing = asRules(lick, setting.kit, pins) ?? { rules: [], pins }
    if (differs && bears(voiceLick(lick, voicing), setting, wish))
      found.push({ voicing, pins, cost })
  }
  return found
}

/** A piece that hands are laid on, and where it is among its like, from 0 to 1. */
interface KitPlace {
  readonly piece: Piece
  readonly share: number
  /** Drums on the way over the kit, cymbals for accents, and what is struck only where that is said. */
  readonly as: 'drum' | 'cymbal' | 'other'
}

/** What hands are laid on: drums from the snare over the toms to the lowest, cymbals from left to right. */
function placesOn(kit: Kit): KitPlace[] {
  const way = ['sn', ...tomsOf(kit)]
  const drums = way.flatMap((surface) => kit.pieces.filter((one) => one.surface === surface))
  const cymbals = kit.pieces.filter(({ kind }) => kind === 'cymbal').sort((a, b) => a.x - b.x)
  const others = kit.pieces.filter(
    (one) => one.kind !== 'pedal' && !drums.includes(one) && !cymbals.includes(one),
  )
  const among = (pieces: readonly Piece[], as: KitPlace['as']) =>
    pieces.map((piece, i) => ({ piece, as, share: i / Math.max(1, pieces.length - 1) }))
  return [...among(drums, 'drum'), ...among(cymbals, 'cymbal'), ...among(others, 'other')]
}

function handSlotsOf(
  lick: Lick,
  { shape, contour = [] }: VoiceWish,
  pins: readonly Pin[],
): HandSlot[] {
  const struck = lickSlots(lick).filter(({ content }) =>
    strokesInSlot(content).some(({ stroke }) => isHand(stroke.letter)),
  )
  // The same figure in each group: the place in the group is what counts.
  const inGroup = new Map<number, number>()
  const sizes = new Map<number, number>()
  for (const { group } of struck) sizes.set(group, (sizes.get(group) ?? 0) + 1)
  return struck.map(({ index, tick, ticks, group, content }, i): HandSlot => {
    const place = inGroup.get(group) ?? 0
    inGroup.set(group, place + 1)
    const [at, of] = shape === 'figure' ? [place, sizes.get(group) ?? 1] : [i, struck.length]
    const onsets = handOnsets(content, tick, ticks)
    const strokes = new Map<Hand, { first: Ticks; last: Ticks }>()
    for (const { tick: when, hands } of onsets)
      for (const hand of hands)
        strokes.set(hand, { first: strokes.get(hand)?.first ?? when, last: when })
    const nothing = { tick, hands: [] }
    return {
      slot: index,
      strokes,
      first: onsets[0] ?? nothing,
      last: onsets.at(-1) ?? nothing,
      together: onsets.some(({ hands }) => hands.length > 1),
      accented: hasAccent(content),
      fixed:
        strokesInSlot(content).find(({ stroke }) => isHand(stroke.letter) && stroke.voice)?.stroke
          .voice ??
        pins.find((pin) => pin.slot === index)?.surface ??
        null,
      wished:
        shape === 'drawn' ? (contour[index] ?? null) : wishedAt(shape, of > 1 ? at / (of - 1) : 0),
    }
  })
}

/** The onsets of a slot at which a hand that is decided strikes. */
function handOnsets(content: SlotContent, tick: Ticks, ticks: Ticks): HandOnset[] {
  const onsets = new Map<Ticks, Hand[]>()
  for (const { stroke, top, bottom } of strokesInSlot(content)) {
    const limb = strokeLimb(stroke)
    if (!isOneHand(limb)) continue
    const when = tick + Math.floor((top * ticks) / bottom)
    onsets.set(when, [...(onsets.get(when) ?? []), limb])
  }
  return [...onsets].map(([when, hands]) => ({ tick: when, hands }))
}

function wishedAt(shape: KitShape, share: number): number {
  if (shape === 'up') return 1 - share
  return shape === 'there-and-back' ? 1 - Math.abs(2 * share - 1) : share
}

/** A way up to some slot: where both hands are, by the number of a surface, and how it came there. */
interface Laid {
  readonly cost: number
  readonly surface: number
  readonly before: Laid | null
}

/** All ways in the order of their costs, as far as they are kept. */
function cheapest(
  slots: readonly HandSlot[],
  lick: Lick,
  setting: PlayContext,
  wish: VoiceWish,
): { pins: Pin[]; cost: number }[] {
  const places = placesOn(setting.kit)
  const pieces = places.map(({ piece }) => piece)
  const { beat } = frameTicks(lick.frame)
  const msPerTick = secondsPerTick(wish.tempo, beat) * 1000
  const none = pieces.length
  const { inRow = 0 } = wish
  // By where both hands are, and by what was struck last and how often where that is asked.
  const start: Laid = { cost: 0, surface: -1, before: null }
  const begun = ((none * (none + 1) + none) * (none + 1) + none) * (inRow + 1)
  let states = new Map<number, Laid[]>([[begun, [start]]])
  const lastOf = { RH: Number.NEGATIVE_INFINITY, LH: Number.NEGATIVE_INFINITY }
  let before: HandSlot | undefined
  for (const slot of slots) {
    const next = new Map<number, Laid[]>()
    for (const [state, ways] of states) {
      const times = state % (inRow + 1)
      const last = Math.floor(state / (inRow + 1)) % (none + 1)
      const hands = Math.floor(state / (inRow + 1) / (none + 1))
      const at = { RH: Math.floor(hands / (none + 1)), LH: hands % (none + 1) }
      for (let surface = 0; surface < none; surface += 1) {
        const piece = pieces[surface] as Piece
        const { as } = places[surface] as KitPlace
        if (
          slot.fixed
            ? !isAt(slot.fixed, piece)
            : as === 'other' || (as === 'cymbal' && !wish.accents)
        )
          continue
        if (inRow > 0 && surface === last && times === inRow) continue
        const step = stepCost(slot, before, at, surface)
        if (step === null) continue
        const { share } = places[surface] as KitPlace
        const off = slot.wished === null ? 0 : Math.abs(share - slot.wished)
        const own =
          step +
          Math.round(COST.width * off) +
          (wish.accents && (piece.kind === 'cymbal') !== slot.accented ? COST.accent : 0)
        const after = { ...at }
        for (const hand of slot.strokes.keys()) after[hand] = surface
        const moved = (after.RH * (none + 1) + after.LH) * (none + 1)
        const key =
          inRow > 0
            ? (moved + surface) * (inRow + 1) + (surface === last ? times + 1 : 1)
            : moved + none
        const kept = next.get(key) ?? []
        next.set(key, kept)
        for (const way of ways) kept.push({ cost: way.cost + own, surface, before: way })
      }
    }
    for (const [key, ways] of next)
      next.set(key, ways.sort((a, b) => a.cost - b.cost).slice(0, KEPT))
    states = next
    for (const [hand, { last }] of slot.strokes) lastOf[hand] = last
    // A slot whose hands are not decided is in nobody's way.
    if (slot.strokes.size > 0) before = slot
  }
  return [...states.values()]
    .flat()
    .sort((a, b) => a.cost - b.cost)
    .map((laid) => ({ pins: pinsOf(laid), cost: laid.cost }))

  function isAt(voice: Voice, piece: Piece): boolean {
    return isSamePlace(setting.kit, voice, piece.surface)
  }

  /** What it costs to strike a slot on a surface, from where the hands are; null where it cannot be. */
  function stepCost(
    slot: HandSlot,
    earlier: HandSlot | undefined,
    at: { RH: number; LH: number },
    surface: number,
  ): number | null {
    const piece = pieces[surface] as Piece
    let cost = 0
    for (const [hand, { first }] of slot.strokes) {
      const from = pieces[at[hand]]
      if (!from || isSamePlace(setting.kit, from.surface, piece.surface)) continue
      const needed = Math.max(
        setting.player[hand].single,
        travelTime(setting.kit, from.surface, piece.surface, hand, setting.player),
      )
      if ((first - lastOf[hand]) * msPerTick < needed - 1e-9) return null
      cost += Math.round((COST.way * handWay(hand, from, piece, setting.player.arms)) / 10)
    }
    if (!wish.crossing && crosses(slot, earlier, at, piece)) return null
    return cost
  }

  function crosses(
    slot: HandSlot,
    earlier: HandSlot | undefined,
    at: { RH: number; LH: number },
    piece: Piece,
  ): boolean {
    const meet = (right: Surface, left: Surface, together: boolean) => {
      const met = collisionOf(setting.kit, right, left, together, setting.player.arms)
      return met !== null && !met.usual
    }
    if (slot.together && meet(piece.surface, piece.surface, true)) return true
    if (!earlier || slot.first.tick - earlier.last.tick > beat) return false
    return slot.first.hands.some((hand) => {
      const other = hand === 'RH' ? 'LH' : 'RH'
      const there = earlier.last.hands.includes(other) ? pieces[at[other]] : undefined
      if (!there) return false
      return hand === 'RH'
        ? meet(piece.surface, there.surface, false)
        : meet(there.surface, piece.surface, false)
    })
  }

  function pinsOf(laid: Laid): Pin[] {
    const pins: Pin[] = []
    let at = slots.length - 1
    for (let one: Laid | null = laid; one?.before; one = one.before) {
      pins.push({
        slot: (slots[at] as HandSlot).slot,
        surface: (pieces[one.surface] as Piece).surface,
      })
      at -= 1
    }
    return pins.reverse()
  }
}

/** Whether a line that is laid on a kit is what it was found for: no arms cross, and no move is too fast. */
function bears(voiced: Lick, setting: PlayContext, { crossing, tempo }: VoiceWish): boolean {
  const { kit, player } = setting
  const alone = { ...voiced, ostinatos: [] }
  const met = handCollisions(alone, kit, player.arms).some(({ usual }) => !usual)
  const fast = movesTooFast(alone, 'line', setting, tempo)
  return (
    (crossing || !met) &&
    fast.every(({ fromSurface, toSurface }) => isSamePlace(kit, fromSurface, toSurface))
  )
}

/** A usual voicing of the kit that gives the same surfaces, so that a changed sticking is voiced anew. */
function asRules(lick: Lick, kit: Kit, pins: readonly Pin[]): Voicing | null {
  const struck = JSON.stringify(voiceLick(lick, { rules: [], pins }).line)
  for (const { rules } of voicingPresets(kit)) {
    const voicing = { rules, pins: [] }
    if (!isPlain(voicing) && JSON.stringify(voiceLick(lick, voicing).line) === struck)
      return voicing
  }
  return null
}
