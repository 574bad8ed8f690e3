import { type Groove, grooveEvents } from '../groove'
import { frameTicks, type Lick, NO_GROOVE, withoutSwing } from '../line'
import { type SoundEvent, toPerformance } from '../performance'
import { type Limb, strokeLimb, strokeSurface, toStroke, type Voice } from '../sticking'
import { gridTicks, type Ticks } from '../time'
import { type Atom, barOf, gridBrackets, type Stretch } from './atoms'
import { longerValue } from './values'

/** How a player wants the groove written, and the grooves of their own. */
interface Written {
  readonly groove: 'slashes' | 'notes'
  readonly grooves?: readonly Groove[]
}

/** Writes a stretch without notes: rests, or slashes for groove. */
export type Filler = (kind: 'rest' | 'slash', from: Ticks, to: Ticks) => Atom[]

/** The groove from one tick to another of a bar, as slashes or as its notes; silence where it is none. */
export function grooveBetween(
  lick: Lick,
  view: Written,
  from: Ticks,
  to: Ticks,
  filler: Filler,
): Atom[] {
  if (view.groove === 'notes') return withRests(grooveAtoms(lick, view, from, to), from, to, filler)
  return filler(lick.frame.groove === NO_GROOVE ? 'rest' : 'slash', from, to)
}

/** The groove's strokes from one tick to another of a bar, as they are. */
export function grooveAtoms(
  { frame }: Lick,
  { grooves = [] }: Written,
  from: Ticks,
  until: Ticks,
): Atom[] {
  if (frame.groove === NO_GROOVE) return []
  const { bar } = frameTicks(frame)
  const barStart = barOf(from, bar) * bar
  const byTick = new Map<Ticks, Atom>()
  for (const inBar of grooveEvents(frame.groove, frame.meter, grooves)) {
    const event = { ...inBar, tick: barStart + inBar.tick }
    if (event.tick < from || event.tick >= until) continue
    const letter =
      event.limb === 'RF' ? 'K' : event.limb === 'LF' ? 'H' : event.limb === 'LH' ? 'L' : 'R'
    const stroke = toStroke(letter, { level: event.dynamic, voice: event.surface })
    const ticks = gridTicks(event.grid)
    const known = byTick.get(event.tick)
    byTick.set(event.tick, {
      tick: event.tick,
      ticks,
      kind: 'strokes',
      strokes: [...(known?.strokes ?? []), stroke],
      value: event.grid.value,
      dots: 0,
      brackets: gridBrackets(event.grid, event.tick, 'groove'),
      group: null,
      slot: null,
    })
  }
  return [...byTick.values()]
}

/**
 * The groove of a lick as it sounds once through, in the bars of a stretch: without what gives way to the line,
 * to what goes on under it and to its landing, or to what `sounds` says. Both ends of the stretch are barlines.
 */
export function soundingGroove(
  lick: Lick,
  view: Written,
  { from, to }: Stretch,
  sounds: Sounds = soundsOnce(lick, view.grooves ?? []),
): Atom[] {
  const { bar } = frameTicks(lick.frame)
  const atoms: Atom[] = []
  for (let start = from; start < to; start += bar)
    for (const atom of grooveAtoms(lick, view, start, start + bar)) {
      const strokes = atom.strokes.filter((stroke) =>
        sounds(atom.tick, strokeLimb(stroke), strokeSurface(stroke)),
      )
      if (strokes.length > 0) atoms.push({ ...atom, strokes })
    }
  return atoms
}

/** Whether a stroke of the groove sounds, by its notated tick from the fill's barline, its limb and its surface. */
export type Sounds = (tick: Ticks, limb: Limb, surface: Voice) => boolean

/** What of the groove of a lick sounds when that is played once through. */
function soundsOnce(lick: Lick, grooves: readonly Groove[]): Sounds {
  const { round, ending, roundTicks, barlineTick } = toPerformance(withoutSwing(lick), {
    loop: false,
    countIn: false,
    grooves,
  })
  return soundsAmong([
    ...round(0).map((event) => ({ ...event, tick: event.tick - barlineTick })),
    ...ending.map((event) => ({ ...event, tick: event.tick + roundTicks - barlineTick })),
  ])
}

/** What of a groove sounds among the events of a performance. */
export function soundsAmong(events: readonly SoundEvent[]): Sounds {
  const told = new Set(
    events.flatMap((event) =>
      event.kind === 'stroke' && event.part === 'groove'
        ? [`${event.tick} ${event.limb} ${event.surface}`]
        : [],
    ),
  )
  return (tick, limb, surface) => told.has(`${tick} ${limb} ${surface}`)
}

/**
 * The groove from one tick to another: every note lasts until the next one at most, gaps become rests.
 * A note that is longer than its room, or whose tuplet is broken off, is written as long as its room.
 */
export function withRests(
  groove: readonly Atom[],
  from: Ticks,
  until: Ticks,
  filler: Filler,
): Atom[] {
  const filled: Atom[] = []
  let tick = from
  for (const [i, atom] of groove.entries()) {
    const next = groove[i + 1]?.tick ?? until
    if (atom.tick > tick) filled.push(...(restsLike(atom, tick) ?? filler('rest', tick, atom.tick)))
    if (atom.ticks <= next - atom.tick && isWhole(atom, from, until)) {
      filled.push(atom)
      tick = atom.tick + atom.ticks
    } else {
      const [first, ...rests] = filler('rest', atom.tick, next)
      if (first) filled.push({ ...first, kind: 'strokes', strokes: atom.strokes }, ...rests)
      tick = next
    }
  }
  return [...filled, ...filler('rest', tick, until)]
}

/** Whether the tuplet of a note lies wholly in a stretch; a note of a plain grid always does. */
function isWhole({ tick, ticks, brackets: [bracket] }: Atom, from: Ticks, until: Ticks): boolean {
  if (!bracket) return true
  const unit = ticks * bracket.notes
  const begins = Math.floor(tick / unit) * unit
  return begins >= from && begins + unit <= until
}

/** Rests on the tuplet grid of a note, so that its bracket is whole; undefined for a plain grid. */
function restsLike(next: Atom, from: Ticks): Atom[] | undefined {
  const gap = next.tick - from
  const unit = next.ticks * (next.brackets[0]?.notes ?? 1)
  // Only rests of the note's own bracket: others are written for themselves.
  const own = Math.floor(from / unit) === Math.floor(next.tick / unit)
  if (next.brackets.length === 0 || !own || gap % next.ticks !== 0) return undefined
  return Array.from({ length: gap / next.ticks }, (_, i) => ({
    ...next,
    tick: from + i * next.ticks,
    kind: 'rest' as const,
    strokes: [],
  }))
}

/** Rests of a tuplet as slashes: the groove goes on until the line begins. */
export function slashed(rests: readonly Atom[]): Atom[] {
  const slashes: Atom[] = []
  let i = 0
  while (i < rests.length) {
    const atom = rests[i] as Atom
    const bracket = atom.brackets[0]?.id
    const next = rests.findIndex((other, at) => at > i && other.brackets[0]?.id !== bracket)
    const run = (next < 0 ? rests.length : next) - i
    const slots = [8, 4, 3, 2].find((n) => n <= run && longerValue(atom, n)) ?? 1
    const end = rests[i + slots - 1] as Atom
    const value = slots > 1 ? longerValue(atom, slots) : undefined
    slashes.push({ ...atom, ...value, ticks: end.tick + end.ticks - atom.tick, kind: 'slash' })
    i += slots
  }
  return slashes
}

/** Rests of a tuplet with the strokes of the groove that lie on them. */
export function playedOn(rests: readonly Atom[], groove: readonly Atom[]): Atom[] {
  return rests.map((rest) => {
    const stroke = groove.find(({ tick }) => tick === rest.tick)
    return stroke ? { ...rest, kind: 'strokes', strokes: stroke.strokes } : rest
  })
}
