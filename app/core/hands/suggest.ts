import { type Lick, lickSlots, type TimedSlot } from '../line'
import { collisionOf, DEFAULT_SETTING, isSamePlace, type Setting, travelTime } from '../playing'
import { isHand, type SlotContent, strokeSurface, strokesInSlot, type Voice } from '../sticking'
import { barTicks, beatTicks, secondsPerTick, type Ticks } from '../time'
import { ledBy } from './policies'

type Hand = 'R' | 'L'

/**
 * What a choice of hands costs: a third in a row of one hand, or a way for which there is no time at
 * the lick's tempo, is worse than any double; a crossing than two.
 */
const COST = { double: 2, third: 9, late: 9, crossed: 5, unnatural: 1 } as const

/** Whether a line has hands that are not decided yet. */
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
  /** The hand of the slot, and the choice for the slots before it. */
  readonly hand: Hand | null
  readonly before: Choice | null
  readonly last: Hand | null
  readonly run: number
  readonly R: Place | null
  readonly L: Place | null
}

const NOTHING: Choice = {
  ...{ cost: 0, hand: null, before: null },
  ...{ last: null, run: 0, R: null, L: null },
}

/**
 * A lick with its undecided hands suggested: the decided ones stay, hands in neighbouring slots
 * alternate where they can, three in a row, crossings and ways without time are avoided, and on a tie
 * the hands fall as in natural sticking, counted from the barline. Exact over all choices, by dynamic
 * programming over the last hand, its run, and where each hand is.
 * Example: `start: 1e`, `XXX` are LRL.
 */
export function suggestHands(lick: Lick, setting: Setting = DEFAULT_SETTING): Lick {
  const beat = beatTicks(lick.frame.meter)
  const perTick = secondsPerTick(lick.frame.tempo, beat) * 1000
  const long = Math.max(beat, LONG_AGO_MS / perTick)
  let states: Choice[] = [NOTHING]
  for (const slot of lickSlots(lick)) {
    const best = new Map<string, Choice>()
    for (const state of states) {
      for (const hand of handsFor(slot.content)) {
        const next = taken(state, slot, hand, lick, setting)
        const places = [next.R, next.L].map((place) => placeKey(place, slot.tick, long))
        const key = `${next.last}${next.run} ${places.join(' ')}`
        const known = best.get(key)
        if (!known || next.cost < known.cost) best.set(key, next)
      }
    }
    states = [...best.values()]
  }
  const best = states.reduce((a, b) => (b.cost < a.cost ? b : a))
  const hands: (Hand | null)[] = []
  for (let at: Choice | null = best; at?.before; at = at.before) hands.push(at.hand)
  const slots = lick.line.slots.map((content, i) => {
    const hand = hands[lick.line.slots.length - 1 - i]
    return hand && isOpen(content) ? ledBy(content, hand) : content
  })
  return { ...lick, line: { ...lick.line, slots } }
}

/** No way takes a hand so long: where it was before that costs nothing any more. */
const LONG_AGO_MS = 2000

/** What of a hand's last place still matters at a tick; nothing of one that was left long ago. */
function placeKey(place: Place | null, tick: Ticks, long: Ticks): string {
  return place && tick - place.tick <= long ? `${place.tick}${place.voice}` : ''
}

/** A state after one hand more, or after a slot without any. */
function taken(
  state: Choice,
  slot: TimedSlot,
  hand: Hand | null,
  lick: Lick,
  setting: Setting,
): Choice {
  const step = { hand, before: state }
  if (hand === null) return { ...state, ...step, last: null, run: 0 }
  const run = hand === state.last ? Math.min(3, state.run + 1) : 1
  const here: Place = { tick: slot.tick, voice: voiceOf(slot.content) }
  const open = isOpen(slot.content)
  const cost =
    (run === 2 ? COST.double : run > 2 ? COST.third : 0) +
    (open && hand !== naturalHand(slot, lick) ? COST.unnatural : 0) +
    (open ? wayCost(state, here, hand, lick, setting) : 0)
  return { ...state, ...step, [hand]: here, last: hand, run, cost: state.cost + cost }
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
  { kit, player }: Setting,
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

/** The hands that may be the slot's: both where it is open, its own where not; null for none. */
function handsFor(content: SlotContent): readonly (Hand | null)[] {
  const hands = strokesInSlot(content)
    .map(({ stroke }) => stroke.letter)
    .filter(isHand)
  if (hands.length === 0) return [null]
  const decided = hands.filter((letter) => letter !== 'X') as Hand[]
  if (!hands.includes('X')) return [decided.at(-1) ?? null]
  if (content.kind === 'struck' && decided[0]) return [decided[0] === 'R' ? 'L' : 'R']
  return ['R', 'L']
}
