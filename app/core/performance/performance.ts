import { type Groove, grooveEvents, swapHands } from '../groove'
import {
  type Aim,
  aimOf,
  crashHand,
  frameTicks,
  type Lick,
  NO_GROOVE,
  type StrokeEvent,
  strokeEvents,
  strokeVelocity,
  VELOCITIES,
} from '../line'
import { groupStarts, swungTick, TICKS_PER_QUARTER, type Ticks } from '../time'
import {
  compareEvents,
  type Part,
  type SoundClick,
  type SoundEvent,
  type SoundStroke,
  shifted,
} from './events'

/** How a lick is to be heard. */
export interface PlayOptions {
  readonly loop: boolean
  readonly countIn: boolean
  /** The player's own grooves, beside those that ship. */
  readonly grooves?: readonly Groove[]
  /** Whether the groove's hands change places. */
  readonly swapsGroove?: boolean
}

/**
 * A lick as it sounds: a count-in, then rounds of groove and fill, then an ending. Ticks of the
 * count-in, a round and the ending each count from their own beginning. In the first round nothing
 * has gone before; every later one begins with the landing of the round before it.
 */
export interface Performance {
  readonly loop: boolean
  readonly countIn: readonly SoundClick[]
  readonly firstRound: readonly SoundEvent[]
  readonly laterRound: readonly SoundEvent[]
  readonly ending: readonly SoundEvent[]
  readonly countInTicks: Ticks
  readonly roundTicks: Ticks
  readonly endingTicks: Ticks
  /** Where in a round the barline of the fill's bar lies. */
  readonly barlineTick: Ticks
}

/** An eighth after it, a stopped cymbal is choked. */
const CHOKE_AFTER: Ticks = TICKS_PER_QUARTER / 2

/** Builds what sounds, and when, in ticks; tempo comes in only as it is played. */
export function toPerformance(lick: Lick, options: PlayOptions): Performance {
  const { frame } = lick
  const { bar, beat } = frameTicks(frame)
  const aim = aimOf(lick)
  const barlineTick = frame.lead * bar
  const roundTicks = barlineTick + aim.bars * bar
  const silentAfter = frame.landing.kind === 'stop' ? beat : 0
  const landing = landingEvents(lick, aim)
  const played = [...strokesOf(lick), ...landing].map((event) => shifted(event, barlineTick))
  const tail = played.filter((event) => event.tick >= roundTicks)
  const inRound = played.filter((event) => event.tick < roundTicks)

  const own = options.grooves ?? []
  const byHands = (strokes: SoundStroke[]) => (options.swapsGroove ? swapHands(strokes) : strokes)
  const groove = byHands(grooveStrokes(lick, aim, silentAfter, own)).map((event) =>
    shifted(event, barlineTick),
  )
  const clicks = beatClicks(lick, roundTicks, false)
  const endGroove = frame.landing.kind === 'groove' ? byHands(grooveBarAt(lick, 0, bar, own)) : []
  const wrapped = tail.map((event) => shifted(event, -roundTicks))
  const quietUntil =
    aim.target + barlineTick === roundTicks && frame.landing.kind !== 'none' ? silentAfter : 0
  const later = yielding(
    groove.filter(({ tick }) => tick >= quietUntil),
    wrapped,
  )

  return {
    loop: options.loop,
    countIn: options.countIn ? beatClicks(lick, bar, true) : [],
    firstRound: ordered([...clicks, ...yielding(groove, inRound), ...inRound], null),
    // A line that is over by more than a whole round is cut there, or it would never end.
    laterRound: ordered(
      [...clicks, ...later, ...wrapped.filter(({ tick }) => tick < roundTicks), ...inRound],
      roundTicks,
    ),
    ending: ordered([...yielding(endGroove, wrapped), ...wrapped], null),
    countInTicks: options.countIn ? bar : 0,
    roundTicks,
    endingTicks:
      frame.landing.kind === 'groove' ? bar : Math.max(2 * beat, lastTick(wrapped) + beat),
    barlineTick,
  }
}

function lastTick(events: readonly SoundEvent[]): Ticks {
  return events.reduce((last, { tick }) => Math.max(last, tick), 0)
}

/** Line and layers, as they sound. */
function strokesOf(lick: Lick): SoundStroke[] {
  return strokeEvents(lick).map((event) =>
    toSound(event, lick, event.layer === 0 ? 'line' : 'layer'),
  )
}

function toSound(event: StrokeEvent, lick: Lick, part: Part): SoundStroke {
  const { meter, swing, swells } = lick.frame
  const { limb, surface, grace, graceLimb, graceSurface } = event
  return {
    kind: 'stroke',
    tick: swungTick(event.tick, event.grid, swing, meter),
    part,
    limb,
    surface,
    velocity: strokeVelocity(event.dynamic, event.slot, part === 'line' ? swells : []),
    graces: grace,
    ...(graceLimb && { graceLimb }),
    ...(graceSurface && { graceSurface }),
    since: null,
  }
}

/** The crash by the free hand with the kick; for a stop also the choke. */
function landingEvents(lick: Lick, aim: Aim): SoundEvent[] {
  const { kind } = lick.frame.landing
  if (kind !== 'crash' && kind !== 'stop') return []
  const stroke = (limb: 'RH' | 'LH' | 'RF', surface: 'c1' | 'bd'): SoundStroke => ({
    kind: 'stroke',
    tick: aim.target,
    part: 'landing',
    limb,
    surface,
    velocity: VELOCITIES.accent,
    graces: 0,
    since: null,
  })
  const strokes = [stroke(crashHand(lick), 'c1'), stroke('RF', 'bd')]
  if (kind === 'crash') return strokes
  return [...strokes, { kind: 'choke', tick: aim.target + CHOKE_AFTER, surface: 'c1' }]
}

/** The groove before the fill, and after a landing inside the bar until the bar is over. */
function grooveStrokes(
  lick: Lick,
  aim: Aim,
  silentAfter: Ticks,
  own: readonly Groove[],
): SoundStroke[] {
  const { frame } = lick
  const { bar } = frameTicks(frame)
  const strokes: SoundStroke[] = []
  for (let index = -frame.lead; index < 0; index += 1)
    strokes.push(...grooveBarAt(lick, index, bar, own))
  strokes.push(...grooveBarAt(lick, 0, frame.stop ?? frame.start, own))
  if (frame.landing.kind !== 'none') {
    const resumes = aim.target + silentAfter
    const last = grooveBarAt(lick, aim.bars - 1, bar, own)
    strokes.push(...last.filter(({ tick }) => tick >= resumes))
  }
  return strokes
}

/** The groove's strokes in a bar, those notated before `until` ticks from its barline. */
function grooveBarAt(
  lick: Lick,
  index: number,
  until: Ticks,
  own: readonly Groove[],
): SoundStroke[] {
  const { frame } = lick
  if (frame.groove === NO_GROOVE) return []
  const { bar } = frameTicks(frame)
  return grooveEvents(frame.groove, frame.meter, own)
    .filter(({ tick }) => tick < until)
    .map((event) => shifted(toSound(event, lick, 'groove'), index * bar))
}

/**
 * The groove gives way: where a limb is wanted by anything else at the same tick, and with both
 * hands where the landing's crash sounds.
 */
function yielding(groove: readonly SoundStroke[], others: readonly SoundEvent[]): SoundStroke[] {
  const taken = new Set<string>()
  for (const event of others) {
    if (event.kind !== 'stroke') continue
    taken.add(`${event.tick} ${event.limb}`)
    if (event.part === 'landing')
      for (const hand of ['RH', 'LH']) taken.add(`${event.tick} ${hand}`)
  }
  return groove.filter(({ tick, limb }) => !taken.has(`${tick} ${limb}`))
}

function beatClicks(lick: Lick, length: Ticks, countIn: boolean): SoundClick[] {
  const { meter } = lick.frame
  const { bar, beat } = frameTicks(lick.frame)
  const groups = groupStarts(meter)
  const clicks: SoundClick[] = []
  for (let tick = 0; tick < length; tick += beat) {
    const inBar = tick % bar
    const weight =
      inBar === 0 ? 'bar' : groups.length > 1 && groups.includes(inBar) ? 'group' : 'beat'
    clicks.push({ kind: 'click', tick, weight, countIn })
  }
  return clicks
}

/** Sorts, drops a limb's second stroke on one surface at one tick, and tells the time since. */
function ordered(events: readonly SoundEvent[], round: Ticks | null): SoundEvent[] {
  const seen = new Set<string>()
  const kept = [...events].sort(compareEvents).filter((event) => {
    if (event.kind !== 'stroke') return true
    const key = `${event.tick} ${event.limb} ${event.surface}`
    return !seen.has(key) && seen.add(key)
  })
  const onsets = kept.filter((event) => event.kind === 'stroke' && event.part !== 'layer')
  const last = onsets.at(-1)
  let before: Ticks | null = round !== null && last ? last.tick - round : null
  let current = before
  return kept.map((event) => {
    if (event.kind !== 'stroke') return event
    if (event.part !== 'layer' && event.tick !== current) {
      before = current
      current = event.tick
    }
    return event.graces > 0 && before !== null ? { ...event, since: event.tick - before } : event
  })
}
