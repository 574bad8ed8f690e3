import { frameTicks, type Lick, withoutSwing } from '../line'
import type { Ticks } from '../time'
import { compareEvents, type SoundEvent, type SoundStroke, shifted } from './events'
import { frameOf, type Performance } from './performance'
import {
  endingEvents,
  ordered,
  type PlayOptions,
  type RoundParts,
  roundParts,
  yielding,
} from './round'

/** One lick in a row of licks. */
export interface Turn {
  readonly lick: Lick
  /** Whether its pick-up is played, over the end of the lick before it. */
  readonly pickup: boolean
}

/** A lick taken apart, and where in the row its round begins. */
interface Placed {
  readonly turn: Turn
  readonly parts: RoundParts
  readonly from: Ticks
}

/**
 * Licks one after the other without a break, each a round of its own metre, bars and lead: what one
 * leaves behind it, its landing before all, falls into those after it, and their groove gives way to
 * it. A tick is as long from beginning to end, whatever the metre. Law: a row of one lick sounds as
 * the lick does; a row sounds as its joined line where it can be written as one.
 * Throws RangeError for a row of none.
 *
 * @example toSequence([{ lick: groove, pickup: false }, { lick: fill, pickup: true }], options)
 */
export function toSequence(turns: readonly Turn[], options: PlayOptions): Performance {
  const placed = place(turns, options)
  const [first, last] = [placed[0], placed.at(-1)]
  if (!first || !last) throw new RangeError('a row of no licks')
  const ticks = last.from + last.parts.ticks
  const once = eventsOf(placed, null)
  const again = options.loop ? eventsOf(placed, last.parts) : once
  const early = placed.flatMap(({ turn, parts, from }) =>
    turn.pickup ? parts.pickup.map((event) => shifted(event, from)) : [],
  )
  const whole = { ticks, barlineTick: 0, pickup: early, tail: last.parts.tail }
  return {
    ...frameOf(first.turn.lick, whole, options),
    endingTicks: frameOf(last.turn.lick, whole, options).endingTicks,
    barlines: barlinesOf(placed),
    round: (index) => (index === 0 ? once : again),
    ending: endingEvents(last.turn.lick, last.parts, options),
  }
}

/**
 * The strokes of a row as they are notated, swing aside, with the landing after its end; ticks from its
 * first barline. Slots of a lick are numbered on from those before it, so that none are taken for one.
 */
export function sequenceStrokes(
  turns: readonly Turn[],
  options: Pick<PlayOptions, 'grooves' | 'swapsGroove'>,
): SoundStroke[] {
  const placed = place(turns, { ...options, loop: false, countIn: false }, true)
  const last = placed.at(-1)
  if (!last) return []
  const end = last.from + last.parts.ticks
  const events = [...eventsOf(placed, null), ...last.parts.tail.map((event) => shifted(event, end))]
  return events.filter((event) => event.kind === 'stroke').sort(compareEvents)
}

/** What each lick of a row brings, worked out once for a lick; never for one that was only passed by. */
const known = new WeakMap<Lick, Map<string, RoundParts>>()

function place(turns: readonly Turn[], options: PlayOptions, straight = false): Placed[] {
  let from = 0
  let slots = 0
  return turns.map((turn) => {
    const { lick } = turn
    const parts = numbered(partsOf(lick, options, straight), slots)
    const placed = { turn, parts, from }
    from += parts.ticks
    slots += lick.line.slots.length + 1
    return placed
  })
}

function partsOf(lick: Lick, options: PlayOptions, straight: boolean): RoundParts {
  // Grooves of the player's own may change under a lick that does not: such a row is worked out anew.
  if ((options.grooves?.length ?? 0) > 0) return made()
  const { marks, inEighths } = options.click ?? { marks: 'beats' }
  const key = `${straight} ${options.swapsGroove ?? false} ${marks} ${inEighths ?? false}`
  const ofLick = known.get(lick) ?? new Map<string, RoundParts>()
  known.set(lick, ofLick)
  const parts = ofLick.get(key) ?? made()
  ofLick.set(key, parts)
  return parts

  function made(): RoundParts {
    return roundParts(straight ? withoutSwing(lick) : lick, { ...options, countIn: false })
  }
}

/** The same with the slots of its line numbered on. */
function numbered(parts: RoundParts, by: number): RoundParts {
  if (by === 0) return parts
  const on = <E extends SoundEvent>(event: E): E =>
    event.kind === 'stroke' && event.part !== 'groove' ? { ...event, slot: event.slot + by } : event
  return {
    ...parts,
    pickup: parts.pickup.map(on),
    played: parts.played.map(on),
    tail: parts.tail.map(on),
  }
}

/** Everything of a row in order; `before` is what came round before it, null for nothing. */
function eventsOf(placed: readonly Placed[], before: RoundParts | null): SoundEvent[] {
  const [clicks, others]: [SoundEvent[], SoundEvent[]] = [[], []]
  const groove: SoundStroke[] = []
  const end = placed.reduce((sum, { parts }) => sum + parts.ticks, 0)
  if (before) others.push(...before.tail.filter(({ tick }) => tick < end))
  let quietUntil = before?.quietAfter ?? 0
  for (const [i, { turn, parts, from }] of placed.entries()) {
    clicks.push(...parts.clicks.map((event) => shifted(event, from)))
    if (turn.pickup) others.push(...parts.pickup.map((event) => shifted(event, from)))
    others.push(...parts.played.map((event) => shifted(event, from)))
    if (i < placed.length - 1) {
      const tail = parts.tail.map((event) => shifted(event, from + parts.ticks))
      others.push(...tail.filter(({ tick }) => tick < end))
    }
    const heard = parts.groove.filter(({ tick }) => tick >= quietUntil)
    groove.push(...heard.map((event) => shifted(event, from)))
    quietUntil = parts.quietAfter
  }
  return ordered([...clicks, ...yielding(groove, others), ...others], null)
}

function barlinesOf(placed: readonly Placed[]): Ticks[] {
  return placed.flatMap(({ turn, parts, from }) => {
    const { bar } = frameTicks(turn.lick.frame)
    return Array.from({ length: parts.ticks / bar }, (_, i) => from + i * bar)
  })
}
