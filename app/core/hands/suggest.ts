import { isEqual } from '../foundation'
import { type Lick, lickSlots, type TimedSlot } from '../line'
import {
  collisionOf,
  DEFAULT_SETTING,
  isSamePlace,
  type PlayContext,
  travelTime,
} from '../playability'
import { isHand, type SlotContent, strokeSurface, strokesInSlot, type Voice } from '../sticking'
import { barTicks, beatTicks, secondsPerTick, type Ticks } from '../time'
import { decide } from './policies'

type Hand = 'R' | 'L'

/**
 * What a choice of hands costs: a third in a row of one hand, or a way for which there is no time at
 * the lick's tempo, is worse than any double; a crossing than two.
 */
const COST = { double: 2, third: 9, late: 9, crossed: 5, unnatural: 1 } as const

/**
 * Whether a line has hands that are not decided yet.
 *
 * @example [isUndecided(lickOf('line: XLX')), isUndecided(lickOf('line: RLR'))] // [true, false]
 */
export function isUndecided(lick: Lick): boolean {
  return lick.line.slots.some((content) =>
    strokesInSlot(content).some(({ stroke }) => stroke.letter === 'X'),
  )
}

/** Where a hand struck last. */
interface Place {
  readonly tick: Ticks
  readonly voice: Voice
}

interface Choice {
  readonly cost: number
  /** The slot with its hands, and the choice for the slots before it. */
  readonly content: SlotContent | null
  readonly before: Choice | null
  readonly last: Hand | null
  readonly run: number
  readonly R: Place | null
  readonly L: Place | null
}

const NOTHING: Choice = {
  ...{ cost: 0, content: null, before: null },
  ...{ last: null, run: 0, R: null, L: null },
}

/**
 * A lick with its undecided hands suggested: the decided ones stay, in squeezes too, hands in neighbouring slots
 * alternate where they can, three in a row, crossings and ways without time are avoided, and on a tie
 * the hands fall as in natural sticking, counted from the barline. Exact over all choices, by dynamic
 * programming over the last hand, its run, and where each hand is. A squeeze of which no hand is decided is one
 * hand's; in one that has decided hands each of the others is chosen.
 * Example: `start: 1e`, `XXX` are LRL; `{LX}` is `{LR}` or `{LL}`, never `{RL}`.
 */
export function suggestHands(lick: Lick, setting: PlayContext = DEFAULT_SETTING): Lick {
  const beat = beatTicks(lick.frame.meter)
  const perTick = secondsPerTick(lick.frame.tempo, beat) * 1000
  const long = Math.max(beat, LONG_AGO_MS / perTick)
  let states: Choice[] = [NOTHING]
  for (const slot of lickSlots(lick)) {
    const best = new Map<string, Choice>()
    for (const state of states) {
      for (const content of optionsFor(slot.content)) {
        const next = taken(state, slot, content, lick, setting)
        const places = [next.R, next.L].map((place) => placeKey(place, slot.tick, long))
        const key = `${next.last}${next.run} ${places.join(' ')}`
        const known = best.get(key)
        if (!known || next.cost < known.cost) best.set(key, next)
      }
    }
    states = [...best.values()]
  }
  const best = states.reduce((a, b) => (b.cost < a.cost ? b : a))
  const slots: SlotContent[] = []
  for (let at: Choice | null = best; at?.content; at = at.before) slots.push(at.content)
  return { ...lick, line: { ...lick.line, slots: slots.reverse() } }
}

/** No way takes a hand so long: where it was before that costs nothing any more. */
const LONG_AGO_MS = 2000

/** What of a hand's last place still matters at a tick; nothing of one that was left long ago. */
function placeKey(place: Place | null, tick: Ticks, long: Ticks): string {
  return place && tick - place.tick <= long ? `${place.tick}${place.voice}` : ''
}

/** A state after a slot with its hands, each part of a squeeze at its own time. */
function taken(
  state: Choice,
  slot: TimedSlot,
  content: SlotContent,
  lick: Lick,
  setting: PlayContext,
): Choice {
  const [asked, parts] = [partsOf(slot.content), partsOf(content)]
  let next: Choice = { ...state, content, before: state }
  for (const [i, part] of parts.entries()) {
    const hand = handOf(part, asked[i] as Part)
    if (hand === null) {
      next = { ...next, last: null, run: 0 }
      continue
    }
    const run = hand === next.last ? Math.min(3, next.run + 1) : 1
    const tick = slot.tick + Math.floor((i * slot.ticks) / parts.length)
    const here: Place = { tick, voice: voiceOf(part) }
    const open = isOpen(asked[i] as Part)
    const cost =
      (run === 2 ? COST.double : run > 2 ? COST.third : 0) +
      (open && i === 0 && hand !== naturalHand(slot, lick) ? COST.unnatural : 0) +
      (open ? wayCost(next, here, hand, lick, setting) : 0)
    next = { ...next, [hand]: here, last: hand, run, cost: next.cost + cost }
  }
  return next
}

type Part = Exclude<SlotContent, { readonly kind: 'squeeze' }>

function partsOf(content: SlotContent): readonly Part[] {
  return content.kind === 'squeeze' ? content.parts : [content]
}

/** The hand of a part: of two together the one that was not decided, else the last; null for none. */
function handOf(part: Part, asked: Part): Hand | null {
  if (part.kind === 'rest' || asked.kind === 'rest') return null
  const hands = part.strokes.flatMap(({ letter }, i) =>
    letter === 'R' || letter === 'L' ? [{ letter, open: asked.strokes[i]?.letter === 'X' }] : [],
  )
  return (hands.find(({ open }) => open) ?? hands.at(-1))?.letter ?? null
}

/** The hand of a slot in natural sticking: the right on every even slot of the bar's grid. */
function naturalHand({ tick, ticks }: TimedSlot, { frame }: Lick): Hand {
  return Math.floor((tick % barTicks(frame.meter)) / ticks) % 2 === 0 ? 'R' : 'L'
}

/** What a hand's way to a stroke costs: too little time for it, or the other arm across it. */
function wayCost(
  state: Choice,
  { tick, voice }: Place,
  hand: Hand,
  { frame }: Lick,
  { kit, player }: PlayContext,
): number {
  const [own, other] = hand === 'R' ? [state.R, state.L] : [state.L, state.R]
  const limb = hand === 'R' ? 'RH' : 'LH'
  const beat = beatTicks(frame.meter)
  let cost = 0
  if (own && !isSamePlace(kit, own.voice, voice)) {
    const has = (tick - own.tick) * secondsPerTick(frame.tempo, beat) * 1000
    const way = travelTime(kit, own.voice, voice, limb, player)
    if (has < Math.max(player[limb].single, way)) cost += COST.late
  }
  if (other && tick - other.tick <= beat) {
    const [right, left] = hand === 'R' ? [voice, other.voice] : [other.voice, voice]
    const found = collisionOf(kit, right, left, false, player.arms)
    if (found && !found.usual) cost += COST.crossed
  }
  return cost
}

function voiceOf(content: SlotContent): Voice {
  const first = strokesInSlot(content).find(({ stroke }) => isHand(stroke.letter))
  return first ? strokeSurface(first.stroke) : '??'
}

function isOpen(content: SlotContent): boolean {
  return strokesInSlot(content).some(({ stroke }) => stroke.letter === 'X')
}

/** A slot with its hands decided in every way that may be suggested; itself where nothing is open. */
function optionsFor(content: SlotContent): readonly SlotContent[] {
  if (!isOpen(content)) return [content]
  const decided = strokesInSlot(content).some(
    ({ stroke: { letter } }) => letter === 'R' || letter === 'L',
  )
  if (content.kind !== 'squeeze' || !decided)
    return (['R', 'L'] as const).map((hand) => decide(content, hand)).filter(isNotTwice)
  const parts = content.parts.map((part) =>
    isOpen(part) ? (['R', 'L'] as const).map((hand) => decide(part, hand) as Part) : [part],
  )
  const all = parts.reduce<readonly (readonly Part[])[]>(
    (lists, options) => lists.flatMap((list) => options.map((part) => [...list, part])),
    [[]],
  )
  return all.map((list) => ({ kind: 'squeeze', parts: list }))
}

/** Beside a decided hand there is one way only: it is not tried twice. */
function isNotTwice(content: SlotContent, i: number, all: readonly SlotContent[]): boolean {
  return all.findIndex((other) => isEqual(other, content)) === i
}
