import { aimOf, frameTicks, type Lick, landingContent, NO_GROOVE } from '../line'
import { barTicks, beatWindows, type Meter, type Ticks, type Window, windowAround } from '../time'
import { ALWAYS, type Atom, earlyPickup, layerAtoms, lineAtoms, shownPickup } from './atoms'
import { beamsOf } from './beams'
import { edgesOf } from './edges'
import {
  type Filler,
  grooveBetween,
  playedOn,
  type Sounds,
  soundingGroove,
  withRests,
} from './groove-atoms'
import { landingAtoms, type StaffTuplet, type StaffView, toStaff, tupletsOf } from './staff'
import { cutAtBarline, fillerAtoms, joinRests, plainWhereAlone } from './values'

/** One voice of a bar: its notes and rests without a gap, and which of them hang together. */
export interface ScoreVoice {
  readonly atoms: readonly Atom[]
  readonly beams: readonly (readonly number[])[]
  readonly tuplets: readonly StaffTuplet[]
}

/** A bar of a score. Ticks from the barline of the fill's bar. */
export interface ScoreBar {
  readonly from: Ticks
  readonly to: Ticks
  /** What the hands and the line play. */
  readonly line: ScoreVoice
  /** What goes round under it, a voice a layer. */
  readonly layers: readonly ScoreVoice[]
  /** What sounds over the groove or over the line: a pick-up before the fill's bar, a landing in a line that goes on. */
  readonly over: ScoreVoice
}

/**
 * A lick as whole bars, from the first bar of groove to the last in which anything sounds. Law: its strokes are
 * those that sound when it is played once, swing aside.
 * Where it is played among others, `sounds` says what of its groove is heard.
 * Example: one bar of groove, a bar of fill and a crash on the next 1 are three bars.
 */
export function toScore(lick: Lick, view: StaffView, sounds?: Sounds): ScoreBar[] {
  const { frame } = lick
  const { bar } = frameTicks(frame)
  const windows = beatWindows(frame.meter)
  const around = (tick: Ticks) => windowAround(windows, bar, tick)
  const windowOf = (tick: Ticks) => around(tick).from
  const filler: Filler = (kind, from, to) => fillerAtoms(kind, from, to, bar, windows)
  const within = (atoms: readonly Atom[]) =>
    atoms.flatMap((atom) => cutAtBarline(atom, bar, filler))
  const { end, target, bars } = aimOf(lick)
  const pickup = earlyPickup(lick)
  const lead = -frame.lead * bar
  // Rests before a pick-up ask for no bar of their own.
  const struck = pickup.find(({ kind }) => kind === 'strokes')
  const first = Math.min(lead, Math.floor((struck?.tick ?? 0) / bar) * bar)
  const landing = landingContent(lick) ? landingAtoms(lick, target, barlineAfter(target, bar)) : []
  const most = Math.ceil(Math.max(end, target) / bar + 1) * bar
  const asNotes = view.groove === 'notes'
  const groove = asNotes ? soundingGroove(lick, view, { from: first, to: most }, sounds) : []
  const sounding = Math.max(end, bars * bar, ...[...landing, ...groove].map(({ tick }) => tick + 1))
  const last = Math.ceil(sounding / bar) * bar
  const { main, over } = asNotes
    ? mainVoice(lick, { groove, landing, first, last, filler, around })
    : { main: slashedVoice(lick, view, landing, filler), over: [] }
  const layers = lick.ostinatos.map((layer) =>
    plainWhereAlone(layerAtoms({ ...lick, ostinatos: [layer] }, { ...ALWAYS, from: lead })),
  )
  const cutLine = within(plainWhereAlone(joinRests(main, windowOf)))
  const [cutOver, cutLayers] = [within([...pickup, ...over]), layers.map(within)]
  return Array.from({ length: (last - first) / bar }, (_, i): ScoreBar => {
    const [from, to] = [first + i * bar, first + (i + 1) * bar]
    const inBar = (atoms: readonly Atom[]) => atoms.filter(({ tick }) => tick >= from && tick < to)
    const written = { from, to, filler, windowOf }
    // The line's own voice is full in every bar; another one is there only where it strikes.
    const other = (atoms: readonly Atom[]): ScoreVoice => {
      const inside = inBar(atoms)
      return inside.some(({ kind }) => kind === 'strokes')
        ? fullVoice(inside, 'beat', written)
        : SILENT
    }
    return {
      from,
      to,
      line: fullVoice(inBar(cutLine), view.beaming, written),
      layers: cutLayers.map(other),
      over: other(cutOver),
    }
  })
}

/** A bar, and how its silence and its beats are written. */
interface WrittenIn {
  readonly from: Ticks
  readonly to: Ticks
  readonly filler: Filler
  readonly windowOf: (tick: Ticks) => Ticks
}

/** Atoms of a bar as a voice that is full from barline to barline. */
function fullVoice(
  atoms: readonly Atom[],
  by: 'beat' | 'group',
  { from, to, filler, windowOf }: WrittenIn,
): ScoreVoice {
  const inside = filled(atoms, from, to, filler)
  const tuplets = tupletsOf(inside)
  return { atoms: inside, beams: nested(beamsOf(inside, by, windowOf), tuplets), tuplets }
}

/**
 * What comes into a bar of a metre from elsewhere, as a voice of its own: ticks from the bar's beginning; what lies
 * outside is left out, and what lasts beyond the bar or into the next stroke is cut. Silent where nothing is left.
 *
 * @example a pick-up of two eighths before a bar of 6/8, in the 5/4 before it: four quarters and a rest, then it
 */
export function visitingVoice(atoms: readonly Atom[], meter: Meter): ScoreVoice {
  const to = barTicks(meter)
  const windows = beatWindows(meter)
  const filler: Filler = (kind, from, until) => fillerAtoms(kind, from, until, to, windows)
  const inside = atoms.filter(({ kind, tick }) => kind === 'strokes' && tick >= 0 && tick < to)
  if (inside.length === 0) return SILENT
  const cut = inOneVoice(inside, to, filler)
  const windowOf = (tick: Ticks) => windowAround(windows, to, tick).from
  return fullVoice(cut, 'beat', { from: 0, to, filler, windowOf })
}

/** A bar of a metre in which nothing is written but its rest, from a tick on. */
export function emptyBar(meter: Meter, from: Ticks): ScoreBar {
  const to = barTicks(meter)
  const atoms = fillerAtoms('rest', 0, to, to, beatWindows(meter))
  const line = { atoms, beams: [], tuplets: [] }
  return { from, to: from + to, line, layers: [], over: SILENT }
}

function barlineAfter(tick: Ticks, bar: Ticks): Ticks {
  return (Math.floor(tick / bar) + 1) * bar
}

/** What the main voice is written from. */
interface Heard {
  readonly groove: readonly Atom[]
  readonly landing: readonly Atom[]
  readonly first: Ticks
  readonly last: Ticks
  readonly filler: Filler
  readonly around: (tick: Ticks) => Window
}

/**
 * The line with the groove and the landing around it in one voice, and what of those sounds while the line goes on,
 * or between strokes that are squeezed into the landing, for a voice of its own.
 */
function mainVoice(lick: Lick, { groove, landing, first, last, filler, around }: Heard) {
  const { frame } = lick
  const { end, target } = aimOf(lick)
  const [pickedUp] = shownPickup(lick)
  const hasLine = lick.line.slots.length > 0 || pickedUp !== undefined
  const start = pickedUp?.tick ?? frame.start
  const isSqueezed = landing.some(
    ({ brackets, strokes }) => brackets.length > 0 || strokes.length === 0,
  )
  const landed = landing.at(-1)
    ? (landing.at(-1) as Atom).tick + (landing.at(-1) as Atom).ticks
    : target
  // Where the line goes on over its landing, or the landing is a figure of its own, nothing is put between.
  const overlaps = target < end || (isSqueezed && !hasLine)
  const taken = ({ tick }: Atom) =>
    (hasLine && tick >= start && tick < end) ||
    (isSqueezed && !overlaps && tick >= target && tick < landed)
  const outside = merged([
    ...groove.filter((atom) => !taken(atom)),
    ...(overlaps || isSqueezed ? [] : landing),
  ])
  const over = inOneVoice([...groove.filter(taken), ...(overlaps ? landing : [])], last, filler)
  const before = outside.filter(({ tick }) => tick < start)
  const behind = outside.filter(({ tick }) => tick >= end)
  const figure = isSqueezed && !overlaps ? landing : []
  const limit = Math.min(last, figure[0]?.tick ?? last, behind[0]?.tick ?? last)
  // Where the groove falls silent, as far as it is written: behind its last stroke.
  const stop = Math.min(start, frame.stop ?? start, frame.groove === NO_GROOVE ? 0 : start)
  const edges = edgesOf(lick, {
    start,
    end,
    stop: Math.max(0, stop),
    limit,
    onsets: before.flatMap(({ tick }) => (tick >= 0 ? [tick] : [])),
    windowAround: around,
  })
  if (!hasLine) return { main: withRests(outside, first, last, filler), over }
  const line = lineAtoms(lick, edges)
  const leading = line.filter(({ tick }) => tick < start)
  const tail = figure.at(-1) ? landed : edges.after
  const main = [
    ...withRests(
      before.filter(({ tick }) => tick < edges.before),
      first,
      edges.before,
      filler,
    ),
    ...playedOn(leading, before),
    ...line.slice(leading.length),
    ...(figure.length > 0 ? [...filler('rest', edges.after, target), ...figure] : []),
    ...withRests(behind, tail, last, filler),
  ]
  return { main, over }
}

/** The same with slashes for the groove: the staff, with the bars before it and the landing behind it. */
function slashedVoice(
  lick: Lick,
  view: StaffView,
  landing: readonly Atom[],
  filler: Filler,
): Atom[] {
  const { bar } = frameTicks(lick.frame)
  const notes = toStaff(lick, view).notes.filter(({ tick }) => tick >= 0)
  const end = notes.reduce((latest, { tick, ticks }) => Math.max(latest, tick + ticks), 0)
  return [
    ...grooveBetween(lick, view, -lick.frame.lead * bar, 0, filler),
    ...notes,
    ...landing.filter(({ tick }) => tick >= end),
  ]
}

/** Atoms up to a tick as one voice: what lasts into the next one or beyond the end is cut there. */
function inOneVoice(atoms: readonly Atom[], end: Ticks, filler: Filler): Atom[] {
  const all = merged(atoms)
  return all.flatMap((atom, i): Atom[] => {
    const room = (all[i + 1]?.tick ?? end) - atom.tick
    if (atom.ticks <= room) return [atom]
    const [first] = filler('rest', atom.tick, atom.tick + room)
    return first ? [{ ...first, kind: atom.kind, strokes: atom.strokes }] : []
  })
}

/** Atoms in order of time, those of one tick as one: as long as the longest of them. */
function merged(atoms: readonly Atom[]): Atom[] {
  const byTick = new Map<Ticks, Atom>()
  for (const atom of [...atoms].sort((a, b) => a.tick - b.tick || a.ticks - b.ticks)) {
    const known = byTick.get(atom.tick)
    const strokes = [...(known?.strokes ?? []), ...atom.strokes]
    byTick.set(atom.tick, { ...atom, strokes, kind: strokes.length > 0 ? 'strokes' : atom.kind })
  }
  return [...byTick.values()]
}

/**
 * Beams that lie in a tuplet, or have it in them: what would reach from one into the next ends with it,
 * since formats and readers put one into the other. A note that is left alone has no beam.
 */
function nested(
  beams: readonly (readonly number[])[],
  tuplets: readonly StaffTuplet[],
): (readonly number[])[] {
  let parts: (readonly number[])[] = [...beams]
  for (const { from, to } of tuplets) {
    parts = parts.flatMap((beam) => {
      const [first = 0, last = 0] = [beam[0], beam.at(-1)]
      const apart = to < first || from > last
      // A note that is a tuplet by itself stands by itself.
      if (from === to && !apart) {
        return [beam.filter((i) => i < from), beam.filter((i) => i > to)]
      }
      if (apart || (first <= from && to <= last) || (from <= first && last <= to)) return [beam]
      const inside = (i: number) => i >= from && i <= to
      return [beam.filter((i) => !inside(i)), beam.filter(inside)]
    })
  }
  return parts.filter((beam) => beam.length > 1)
}

const SILENT: ScoreVoice = { atoms: [], beams: [], tuplets: [] }

/** Notes of a bar with rests where there are none. */
function filled(atoms: readonly Atom[], from: Ticks, to: Ticks, filler: Filler): Atom[] {
  const all: Atom[] = []
  let at = from
  for (const atom of atoms) {
    if (atom.tick > at) all.push(...filler('rest', at, atom.tick))
    all.push(atom)
    at = Math.max(at, atom.tick + atom.ticks)
  }
  return at < to ? [...all, ...filler('rest', at, to)] : all
}
