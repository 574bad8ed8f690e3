import { type Groove, grooveEvents, swapHands } from '../groove'
import {
  type Aim,
  aimOf,
  CHOKE_AFTER,
  eventVelocity,
  frameTicks,
  isChoked,
  isNoGroove,
  type Lick,
  landingStrokes,
  lickSlots,
  lineEvents,
  NO_GROOVE,
  type StrokeEvent,
  silenceAfter,
  strokeEvents,
  strokeVelocity,
  withoutSwing,
} from '../line'
import { type Grid, swungTick, type Ticks } from '../time'
import { type ClickScheme, clicksOf, PLAIN_CLICK } from './clicks'
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
  /** Once before everything, or a bar of it before every round. */
  readonly countIn: boolean | 'each'
  /** How the click goes; on every beat where nothing is said. */
  readonly click?: ClickScheme
  /** The player's own grooves, beside those that ship. */
  readonly grooves?: readonly Groove[]
  /** Whether the groove's hands change places. */
  readonly swapsGroove?: boolean
}

/** One round of a lick: what it brings by itself, and what it leaves to the round after it. */
export interface RoundParts {
  readonly ticks: Ticks
  /** Where in the round the barline of the fill's bar lies. */
  readonly barlineTick: Ticks
  readonly clicks: readonly SoundClick[]
  readonly groove: readonly SoundStroke[]
  /** The pick-up, which sounds in the very first round only; it may begin before the round. */
  readonly pickup: readonly SoundStroke[]
  /** Line, ostinatos and landing inside the round. */
  readonly played: readonly SoundEvent[]
  /** The same beyond its end, in ticks from there: the landing, and a line that is over. */
  readonly tail: readonly SoundEvent[]
  /** How long the groove after its landing is silent. */
  readonly quietAfter: Ticks
}

/** Takes a lick apart into what a round of it is put together from. */
export function roundParts(lick: Lick, options: PlayOptions): RoundParts {
  const { frame } = lick
  const { bar } = frameTicks(frame)
  const aim = aimOf(lick)
  const counted = options.countIn === 'each' ? bar : 0
  const barlineTick = counted + frame.lead * bar
  const ticks = barlineTick + aim.bars * bar
  const silentAfter = silenceAfter(frame)
  const strokes = strokesOf(lick)
  const sounding = [...strokes.line, ...landingEvents(lick, aim)].map((event) =>
    shifted(event, barlineTick),
  )
  const groove = grooveStrokes(lick, aim, silentAfter, options.grooves ?? []).map((event) =>
    shifted(event, barlineTick),
  )
  const { marks, inEighths } = options.click ?? PLAIN_CLICK
  const landsAtEnd = aim.target + barlineTick === ticks && frame.landing.kind !== 'none'
  return {
    ticks,
    barlineTick,
    clicks: [
      ...clicksOf(frame, counted, 'beats', true),
      ...clicksOf(frame, ticks - counted, marks, false, {
        inEighths: inEighths ?? false,
        groups: marks === 'groups' ? groupTicks(lick).map((tick) => tick + frame.lead * bar) : [],
      }).map((click) => shifted(click, counted)),
    ],
    groove: options.swapsGroove ? swapHands(groove) : groove,
    pickup: strokes.pickup.map((event) => shifted(event, barlineTick)),
    played: sounding.filter(({ tick }) => tick < ticks),
    tail: sounding.filter(({ tick }) => tick >= ticks).map((event) => shifted(event, -ticks)),
    quietAfter: landsAtEnd ? silentAfter : 0,
  }
}

/** Where the groups of a line begin as they sound, in ticks from the barline of the fill's bar. */
function groupTicks(lick: Lick): Ticks[] {
  const slots = lickSlots(lick)
  return slots
    .filter(({ group }, i) => group !== slots[i - 1]?.group)
    .map(({ tick, grid }) => soundsAt(lick, tick, grid))
}

/**
 * The line's own strokes as they sound: ticks from the barline of the fill's bar, swung as the lick is, by tick,
 * with the velocities of swells. Pick-up, ostinatos, groove and landing strokes apart; graces are part of
 * their strokes. Whatever listens asks here when a stroke is meant. Worked out once a lick.
 *
 * @example in eighths with `swing: 60` the second stroke of `RL` sounds at 6048, not at 5040
 */
export function lineSounds(lick: Lick): readonly SoundStroke[] {
  const known = soundsOfLick.get(lick)
  if (known) return known
  const sounds = lineEvents(lick)
    .map((event) => toSound(event, lick, 'line'))
    .sort(compareEvents)
  soundsOfLick.set(lick, sounds)
  return sounds
}

const soundsOfLick = new WeakMap<Lick, readonly SoundStroke[]>()

/** What sounds in a round after another one; null where nothing has gone before. */
export function roundEvents(parts: RoundParts, before: RoundParts | null): SoundEvent[] {
  const last = before && lastOnset(unionOf(before, before))
  return ordered(unionOf(parts, before), last === null ? null : last - (before?.ticks ?? 0))
}

/**
 * Everything of a round. A line that is over by more than a whole round is cut there, or it would
 * never end.
 */
function unionOf(parts: RoundParts, before: RoundParts | null): SoundEvent[] {
  const wrapped = before?.tail.filter(({ tick }) => tick < parts.ticks) ?? []
  const quietUntil = before?.quietAfter ?? 0
  const groove = parts.groove.filter(({ tick }) => tick >= quietUntil)
  const others = [...wrapped, ...(before ? [] : parts.pickup), ...parts.played]
  return [...parts.clicks, ...yielding(groove, others), ...others]
}

/**
 * The strokes that sound when a lick goes round: the first round and the bar in which it comes round,
 * notated (swing moves nothing here), ticks from the barline of the fill's bar. Groove gives way as it
 * does when it is heard. Slots of the second round are numbered on from the first.
 */
export function roundStrokes(
  lick: Lick,
  options: Pick<PlayOptions, 'grooves' | 'swapsGroove'>,
): SoundStroke[] {
  const parts = roundParts(withoutSwing(lick), { ...options, loop: true, countIn: false })
  const { bar } = frameTicks(lick.frame)
  const slots = lick.line.slots.length + 1
  const again = begunBefore(bar, roundEvents(parts, parts))
  return [
    ...roundEvents(parts, null).map((event) => shifted(event, -parts.barlineTick)),
    ...again.map((event) => shifted(event, parts.ticks - parts.barlineTick)),
  ].flatMap((event, i, all) =>
    event.kind !== 'stroke'
      ? []
      : [i < all.length - again.length ? event : { ...event, slot: event.slot + slots }],
  )
}

/** The events before a tick, and what is squeezed into the slots that began before it: a buzz is never cut. */
function begunBefore(tick: Ticks, events: readonly SoundEvent[]): SoundEvent[] {
  const open = new Map<number, number>()
  return events.filter((event) => {
    if (event.kind !== 'stroke') return event.tick < tick
    const goesOn = event.nth > 0 && open.get(event.layer) === event.slot
    if (event.tick >= tick && !goesOn) open.delete(event.layer)
    else open.set(event.layer, event.slot)
    return event.tick < tick || goesOn
  })
}

/** What sounds after the last round: its tail, over a bar of groove where that follows. */
export function endingEvents(lick: Lick, { tail }: RoundParts, options: PlayOptions): SoundEvent[] {
  const { bar } = frameTicks(lick.frame)
  const goesOn = lick.frame.landing.kind === 'groove'
  const groove = goesOn ? grooveBarAt(lick, 0, bar, options.grooves ?? []) : []
  return ordered(
    [...yielding(options.swapsGroove ? swapHands(groove) : groove, tail), ...tail],
    null,
  )
}

/** Line and ostinatos as they sound, and the pick-up; a line's own last slot may be its landing. */
function strokesOf(lick: Lick): { line: SoundStroke[]; pickup: SoundStroke[] } {
  const { landing } = lick.frame
  const lands = landing.kind === 'last' ? lick.line.slots.length - 1 : -1
  const [line, pickup]: [SoundStroke[], SoundStroke[]] = [[], []]
  for (const event of strokeEvents(lick)) {
    const sound = toSound(event, lick, event.layer === 0 ? 'line' : 'layer')
    if (event.layer === 0 && event.slot < 0) pickup.push(sound)
    else if (event.layer === 0 && event.slot === lands) line.push({ ...sound, part: 'landing' })
    else line.push(sound)
  }
  return { line, pickup }
}

/**
 * When a notated tick on a grid sounds in a lick: swung as its line is, or as its groove for a part of that. Both
 * count from the barline of the fill's bar.
 *
 * @example soundsAt(lickOf('swing: 66\ngrid: 1/8\nline: RL'), 5040, findGrid('1/8')) // 6653
 */
export function soundsAt({ frame }: Lick, tick: Ticks, grid: Grid, part?: Part): Ticks {
  const swing = part === 'groove' ? (frame.grooveSwing ?? frame.swing) : frame.swing
  return swungTick(tick, grid, swing, frame.meter)
}

function toSound(event: StrokeEvent, lick: Lick, part: Part): SoundStroke {
  const { limb, surface, grace, graceLimb, graceSurface } = event
  const ofGroove = part === 'layer' && !isNoGroove(lick)(event)
  return {
    kind: 'stroke',
    tick: soundsAt(lick, event.tick, event.grid, ofGroove ? 'groove' : part),
    part,
    layer: event.layer,
    slot: event.slot,
    nth: event.nth,
    limb,
    surface,
    velocity: part === 'line' ? eventVelocity(lick, event) : strokeVelocity(event.dynamic, 0, []),
    graces: grace,
    ...(graceLimb && { graceLimb }),
    ...(graceSurface && { graceSurface }),
    since: null,
  }
}

/** What the landing strikes, and where it is choked, what its hands take hold of. */
function landingEvents(lick: Lick, aim: Aim): SoundEvent[] {
  const struck = landingStrokes(lick)
  const strokes = struck.map((event) => toSound(event, lick, 'landing'))
  if (!isChoked(lick.frame)) return strokes
  const held = new Set(
    struck.filter(({ limb }) => limb !== 'RF' && limb !== 'LF').map(({ surface }) => surface),
  )
  const tick = aim.target + CHOKE_AFTER
  return [...strokes, ...[...held].map((surface) => ({ kind: 'choke', tick, surface }) as const)]
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
export function yielding(
  groove: readonly SoundStroke[],
  others: readonly SoundEvent[],
): SoundStroke[] {
  const taken = new Set<string>()
  for (const event of others) {
    if (event.kind !== 'stroke') continue
    taken.add(`${event.tick} ${event.limb}`)
    if (event.part === 'landing')
      for (const hand of ['RH', 'LH']) taken.add(`${event.tick} ${hand}`)
  }
  return groove.filter(({ tick, limb }) => !taken.has(`${tick} ${limb}`))
}

/**
 * Sorts, drops a limb's second stroke on one surface at one tick, and tells the time since the
 * stroke before; `last` is the tick of the one before them all, null for none.
 */
export function ordered(events: readonly SoundEvent[], last: Ticks | null): SoundEvent[] {
  const seen = new Set<string>()
  const kept = [...events].sort(compareEvents).filter((event) => {
    if (event.kind !== 'stroke') return true
    const key = `${event.tick} ${event.limb} ${event.surface}`
    return !seen.has(key) && seen.add(key)
  })
  let before = last
  let current = last
  return kept.map((event) => {
    if (event.kind !== 'stroke') return event
    if (event.part !== 'layer' && event.tick !== current) {
      before = current
      current = event.tick
    }
    return event.graces > 0 && before !== null ? { ...event, since: event.tick - before } : event
  })
}

/** The last onset of hands or feet but for ostinatos; null for none. */
function lastOnset(events: readonly SoundEvent[]): Ticks | null {
  const onsets = events.filter((event) => event.kind === 'stroke' && event.part !== 'layer')
  return onsets.length === 0 ? null : Math.max(...onsets.map(({ tick }) => tick))
}
