import type { Groove } from '../groove'
import { type HeadPlace, STAFF_KEY, type StaffKey } from '../kit'
import {
  aimOf,
  CHOKE_AFTER,
  frameTicks,
  isChoked,
  type Lick,
  landingContent,
  NO_GROOVE,
  silenceAfter,
} from '../line'
import { graceSurface, type Letter, type Stroke, strokeSurface } from '../sticking'
import { beatWindows, gridTicks, type Ticks, windowAround } from '../time'
import {
  ALWAYS,
  type Atom,
  earlyPickup,
  gridBrackets,
  lineAtoms,
  ostinatoAtoms,
  type Stretch,
  shownPickup,
  slotAtoms,
} from './atoms'
import { beamsOf } from './beams'
import { edgesOf } from './edges'
import { grooveAtoms, grooveBetween, playedOn, slashed } from './groove-atoms'
import {
  cutAtBarline,
  fillerAtoms,
  joinRests,
  plainWhereAlone,
  plainWithin,
  writtenWithin,
} from './values'

/** What the player prefers to read. */
export interface StaffView {
  readonly beaming: 'beat' | 'group'
  readonly groove: 'slashes' | 'notes'
  /** The player's own grooves, beside those that ship. */
  readonly grooves?: readonly Groove[]
  /** Where the kit's voices stand; without one, where they usually do. */
  readonly key?: StaffKey
}

export interface StaffHead extends HeadPlace {
  readonly ghost: boolean
}

/** A note, a rest or a slash with everything that is drawn at it. */
export interface StaffNote {
  readonly tick: Ticks
  /** A space is silence that no value tells the length of: nothing is drawn. */
  readonly kind: 'note' | 'rest' | 'slash' | 'space'
  readonly value: number
  readonly dots: 0 | 1
  readonly heads: readonly StaffHead[]
  readonly mark: 'accent' | 'strong' | null
  /** How many grace notes stand before it, and where. */
  readonly graces: { readonly count: number; readonly head: HeadPlace } | null
  /** The sticking under the note, top limb first. */
  readonly letters: readonly { readonly letter: Letter; readonly ghost: boolean }[]
  readonly group: number | null
  /** Whether its value does not tell how long it lasts, since none does that anybody reads. */
  readonly isOpen?: true
}

/** A bracket with a number over notes `from` to `to`, both included. */
export interface StaffTuplet {
  readonly from: number
  readonly to: number
  readonly notes: number
  readonly inTimeOf: number
}

/** A stretch of staff that is engraved as one unit: a bar, or part of one where rows are narrow. */
export interface StaffUnit {
  readonly from: Ticks
  readonly to: Ticks
  readonly notes: readonly StaffNote[]
  readonly beams: readonly (readonly number[])[]
  readonly tuplets: readonly StaffTuplet[]
  /** The ostinatos under the line: a second voice with stems down. */
  readonly feet: readonly StaffNote[]
  readonly feetBeams: readonly (readonly number[])[]
  readonly feetTuplets: readonly StaffTuplet[]
}

/** Everything on the staff, in order, before it is cut into units. */
export interface Staff {
  readonly notes: readonly Atom[]
  readonly feet: readonly Atom[]
  readonly windowOf: (tick: Ticks) => Ticks
  readonly view: StaffView
}

/**
 * Engraves a lick from its pick-up, or the barline of the fill's bar, to its landing. With a stretch in ticks, only what stands
 * in the bars that it touches has to be asked for afterwards. Laws: units of those bars are the same without;
 * every bar is full to its barline, and no further.
 *
 * @example of `RLRL` in sixteenths on beat 4: three slashes for the groove, then four sixteenths under one beam
 */
export function toStaff(lick: Lick, view: StaffView, stretch: Stretch = ALWAYS): Staff {
  const { frame } = lick
  const { bar } = frameTicks(frame)
  // A bar more on either side: what stands in one is written by what stands beside it.
  const within = {
    from: (Math.floor(stretch.from / bar) - 1) * bar,
    to: (Math.ceil(stretch.to / bar) + 1) * bar,
  }
  const windows = beatWindows(frame.meter)
  const { start: lineStart, end, target, left } = aimOf(lick)
  // A pick-up is written before the line, as far as it lies in the bars that are drawn.
  const start = shownPickup(lick)[0]?.tick ?? lineStart
  const around = (tick: Ticks) => windowAround(windows, bar, tick)
  const windowOf = (tick: Ticks) => around(tick).from
  const filler = (kind: 'rest' | 'slash', from: Ticks, to: Ticks) =>
    fillerAtoms(kind, from, to, bar, windows)
  const stop = frame.groove === NO_GROOVE ? 0 : Math.min(start, frame.stop ?? start)
  const over = Math.ceil(Math.max(end, target) / bar) * bar
  const inside = target < over && end <= target
  const landing = inside ? landingAtoms(lick, target, over) : []
  const onsets = view.groove === 'notes' ? grooveAtoms(lick, view, 0, stop) : []
  const { before, after } = edgesOf(lick, {
    start,
    end,
    stop,
    limit: landing.length > 0 ? target : over,
    onsets: onsets.map(({ tick }) => tick),
    windowAround: around,
  })
  const groove = (from: Ticks, to: Ticks) => grooveBetween(lick, view, from, to, filler)
  const cut = (atom: Atom) => cutAtBarline(atom, bar, filler)
  const early = plainWhereAlone(earlyPickup(lick))
    .flatMap(cut)
    .filter(({ tick }) => tick < 0)
  // Under the line only strokes are written: what they leave of a bar is silent.
  const feet = plainWhereAlone(ostinatoAtoms(lick, within)).flatMap(
    (atom) => cutAtBarline(atom, bar, filler)[0] ?? [],
  )
  const written = (notes: readonly Atom[]) => ({
    notes: [...early, ...plainWhereAlone(notes).flatMap(cut)],
    feet,
    windowOf,
    view,
  })
  // Bars of groove alone have no line to make room for: the groove goes on until it stops.
  if (lick.line.slots.length === 0 && frame.stop !== null && frame.stop > start) {
    const bars = [...groove(0, frame.stop), ...filler('rest', frame.stop, over)]
    return written(joinRests(bars, windowOf))
  }
  const line = lineAtoms(lick, { before, after }, within)
  const lead = line.filter(({ tick }) => tick < stop)
  const front = [
    ...groove(0, Math.min(stop, before)),
    ...(view.groove === 'notes' ? playedOn(lead, onsets) : slashed(lead)),
    ...filler('rest', stop, before),
    ...line.slice(lead.length),
    ...(landing.length > 0 ? filler('rest', after, target) : []),
  ]
  const last = landing.at(-1)
  const landed = last ? last.tick + last.ticks : after
  const landsItself = frame.landing.kind === 'last' && left === 0
  const resumes = last ? resumesAt(lick, landed) : landsItself ? after : over
  const behind = [...filler('rest', landed, resumes), ...groove(resumes, over)]
  // The landing lasts as it is written, whatever rests come after it.
  const notes = [...joinRests(front, windowOf), ...landing, ...joinRests(behind, windowOf)]
  return written(notes)
}

/** Where the groove goes on after a landing inside the bar: at once, after a choke when that is over. */
function resumesAt(lick: Lick, landed: Ticks): Ticks {
  return Math.max(landed, aimOf(lick).target + silenceAfter(lick.frame))
}

/**
 * The landing as it is drawn: what it strikes for a beat, an eighth where it is choked, no longer than
 * until a tick; strokes squeezed into one slot of the line's grid; a slash for groove.
 */
export function landingAtoms(lick: Lick, tick: Ticks, until = Number.POSITIVE_INFINITY): Atom[] {
  const { frame, line } = lick
  const content = landingContent(lick)
  if (!content && frame.landing.kind !== 'groove') return []
  const place = { tick, brackets: [], group: null, slot: null }
  if (content?.kind === 'squeeze') {
    const grid = line.gridChanges.at(-1)?.grid ?? frame.grid
    const ticks = gridTicks(grid)
    const written =
      ticks <= until - tick
        ? { ticks, value: grid.value, brackets: gridBrackets(grid, tick, 'landing') }
        : plainWithin(until - tick)
    return slotAtoms(content, { ...place, ...written })
  }
  const wanted = isChoked(frame) ? CHOKE_AFTER : frameTicks(frame).beat
  const written = writtenWithin(Math.min(wanted, until - tick))
  return content
    ? [{ ...place, ...written, kind: 'strokes', strokes: content.strokes }]
    : [{ ...place, ...written, kind: 'slash', strokes: [] }]
}

/** The unit of a staff between two ticks. */
export function staffUnit(staff: Staff, from: Ticks, to: Ticks): StaffUnit {
  const inside = ({ tick }: Atom) => tick >= from && tick < to
  const atoms = staff.notes.filter(inside)
  const feet = staff.feet.filter(inside).sort((a, b) => a.tick - b.tick)
  return {
    from,
    to,
    notes: atoms.map((atom) => toNote(atom, staff.view.key)),
    beams: beamsOf(atoms, staff.view.beaming, staff.windowOf),
    tuplets: tupletsOf(atoms),
    feet: feet.map((atom) => toNote(atom, staff.view.key)),
    feetBeams: beamsOf(feet, 'beat', staff.windowOf),
    feetTuplets: tupletsOf(feet),
  }
}

/** The landing by itself, for the column behind the last barline; null where nothing lands. */
export function landingUnit(
  lick: Lick,
  tick: Ticks,
  length: Ticks,
  key?: StaffKey,
): StaffUnit | null {
  const notes = landingAtoms(lick, tick).map((atom) => toNote(atom, key))
  if (notes.length === 0) return null
  const bare = { beams: [], tuplets: [], feet: [], feetBeams: [], feetTuplets: [] }
  return { from: tick, to: tick + length, notes, ...bare }
}

/** An atom as it stands on the staff of a kit. */
export function toNote(atom: Atom, key: StaffKey = STAFF_KEY): StaffNote {
  const { tick, value, dots, group, strokes, isOpen } = atom
  const graced = strokes.find((stroke) => stroke.graces > 0)
  return {
    tick,
    kind: atom.kind === 'strokes' ? 'note' : atom.kind === 'rest' && isOpen ? 'space' : atom.kind,
    value,
    dots,
    heads: headsOf(strokes, key),
    mark: markOf(strokes),
    graces: graced ? { count: graced.graces, head: key[graceSurface(graced)] } : null,
    letters: strokes.map(({ letter, level }) => ({ letter, ghost: level === 'ghost' })),
    group,
    ...(isOpen && { isOpen }),
  }
}

/**
 * Heads from the lowest up; two strokes on one place share a head.
 *
 * @example headsOf(phrase('(RK)').slots[0].strokes, STAFF_KEY).length // 2
 */
export function headsOf(strokes: readonly Stroke[], staffKey: StaffKey): StaffHead[] {
  const byPlace = new Map<string, StaffHead>()
  for (const stroke of strokes) {
    const place = staffKey[strokeSurface(stroke)]
    const key = `${place.step} ${place.shape}`
    const ghost = stroke.level === 'ghost' && (byPlace.get(key)?.ghost ?? true)
    byPlace.set(key, { ...place, ghost })
  }
  return [...byPlace.values()].sort((a, b) => a.step - b.step)
}

/**
 * The strongest mark of strokes that sound together; null for none.
 *
 * @example markOf(phrase('>R').slots[0].strokes) // 'accent'
 */
export function markOf(strokes: readonly Stroke[]): StaffNote['mark'] {
  if (strokes.some(({ level }) => level === 'strong')) return 'strong'
  return strokes.some(({ level }) => level === 'accent') ? 'accent' : null
}

/** Neighbouring notes under the same bracket, outer brackets first. */
export function tupletsOf(atoms: readonly Atom[]): StaffTuplet[] {
  const tuplets: StaffTuplet[] = []
  for (const depth of [0, 1]) {
    let from = 0
    for (let i = 0; i < atoms.length; i += 1) {
      const id = atoms[i]?.brackets[depth]?.id
      if (id !== undefined && id === atoms[i + 1]?.brackets[depth]?.id) continue
      const bracket = atoms[i]?.brackets[depth]
      if (bracket) tuplets.push({ from, to: i, notes: bracket.notes, inTimeOf: bracket.inTimeOf })
      from = i + 1
    }
  }
  return tuplets
}
