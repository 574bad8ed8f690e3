import {
  aimOf,
  firstFrom,
  frameTicks,
  type Lick,
  lickSlots,
  lineTicks,
  ostinatoSpan,
  pickupSlots,
  type TimedSlot,
  timedSlots,
} from '../line'
import { REST, type Rest, type SlotContent, type Stroke, type Struck } from '../sticking'
import {
  beatWindows,
  type Grid,
  gridName,
  gridTicks,
  type Ticks,
  TUPLET_RATIOS,
  type Window,
  windowAt,
} from '../time'

/** What a note's value is squeezed by: `notes` in the time of `inTimeOf`, as one bracket. */
export interface Bracket {
  readonly id: string
  readonly notes: number
  readonly inTimeOf: number
}

/** The smallest thing that is engraved: strokes, a rest, or a slash for groove, with its value. */
export interface Atom {
  readonly tick: Ticks
  readonly ticks: Ticks
  readonly kind: 'strokes' | 'rest' | 'slash'
  readonly strokes: readonly Stroke[]
  /** The note value under any brackets: 8 is an eighth. */
  readonly value: number
  readonly dots: 0 | 1
  readonly brackets: readonly Bracket[]
  /** The group it belongs to; null outside the line. */
  readonly group: number | null
  readonly slot: number | null
  /** Whether its value does not tell how long it lasts, since none does that anybody reads. */
  readonly isOpen?: true
}

/** How many times shorter than its slot each of so many strokes squeezed into it is written. */
const SQUEEZED: Readonly<Record<number, number>> = { 2: 2, 3: 2, 4: 4, 5: 4, 6: 4, 7: 4, 8: 8 }
/** The engraving library has no stems for anything shorter: it is written as a 128th. */
const SHORTEST_VALUE = 128

/** How far a line's own grid is written beyond its strokes: from `before` to `after`. */
export interface Edges {
  readonly before: Ticks
  readonly after: Ticks
}

/** A slot of the line, or of its grid before and behind it, where it belongs to no group. */
type PlacedSlot = Omit<TimedSlot, 'index' | 'group'> & {
  readonly index: number | null
  readonly group: number | null
}

/** A stretch of time, from a tick up to another. */
export interface Stretch {
  readonly from: Ticks
  readonly to: Ticks
}

/** All time there is. */
export const ALWAYS: Stretch = { from: Number.NEGATIVE_INFINITY, to: Number.POSITIVE_INFINITY }

/**
 * The atoms of the line, slot by slot, with rests on its grid from `before` and up to `after`; of the line's own
 * slots only those that begin within a stretch of whole bars.
 */
export function lineAtoms(lick: Lick, { before, after }: Edges, within = ALWAYS): Atom[] {
  const { frame } = lick
  const { bar } = frameTicks(frame)
  const windows = beatWindows(frame.meter)
  const slots = lickSlots(lick)
  const { start, end } = aimOf(lick)
  const pickup = shownPickup(lick)
  const all = [
    ...restSlots((pickup[0] ?? slots[0])?.grid ?? frame.grid, before, pickup[0]?.tick ?? start),
    ...pickup,
    ...slots.slice(firstFrom(slots, within.from), firstFrom(slots, within.to)),
    ...restSlots(slots.at(-1)?.grid ?? frame.grid, end, after),
  ]
  return sameGridRuns(all, bar).flatMap((run) => {
    const brackets = runBrackets(run, bar, windows)
    return run.flatMap((slot) =>
      slotAtoms(slot.content, {
        tick: slot.tick,
        ticks: slot.ticks,
        value: slot.grid.value,
        brackets: brackets(slot.tick),
        group: slot.group,
        slot: slot.index,
      }),
    )
  })
}

/** The slots of the pick-up from the barline of the fill's bar on; no group of the line's. */
export function shownPickup(lick: Lick): PlacedSlot[] {
  return pickupSlots(lick)
    .filter(({ tick }) => tick >= 0)
    .map((slot) => ({ ...slot, group: PICKUP_GROUP }))
}

const PICKUP_GROUP = -1

/** The strokes and rests of a pick-up that lie before the fill's bar. */
export function earlyPickup(lick: Lick): Atom[] {
  return pickupSlots(lick)
    .filter(({ tick }) => tick < 0)
    .flatMap(({ content, tick, ticks, grid }) =>
      slotAtoms(content, {
        tick,
        ticks,
        value: grid.value,
        brackets: gridBrackets(grid, tick, 'pickup'),
        group: PICKUP_GROUP,
        slot: null,
      }),
    )
}

function restSlots(grid: Grid, from: Ticks, to: Ticks): PlacedSlot[] {
  const ticks = gridTicks(grid)
  return Array.from({ length: Math.round((to - from) / ticks) }, (_, i) => ({
    index: null,
    group: null,
    tick: from + i * ticks,
    ticks,
    grid,
    content: REST,
  }))
}

/** Slots cut where the grid changes and at barlines. */
function sameGridRuns(slots: readonly PlacedSlot[], bar: Ticks): PlacedSlot[][] {
  const runs: PlacedSlot[][] = []
  for (const slot of slots) {
    const run = runs.at(-1)
    const last = run?.at(-1)
    const goes = last && last.grid === slot.grid && barOf(last.tick, bar) === barOf(slot.tick, bar)
    if (run && goes) run.push(slot)
    else runs.push([slot])
  }
  return runs
}

export function barOf(tick: Ticks, bar: Ticks): number {
  return Math.floor(tick / bar)
}

/**
 * How the slots of a run are bracketed: from the barline where they lie on it, else from where
 * they begin. Two threes of triplets that fill one beat's window are written as a six.
 */
function runBrackets(
  run: readonly PlacedSlot[],
  bar: Ticks,
  windows: readonly Window[],
): (tick: Ticks) => Bracket[] {
  const [first, last] = [run[0] as PlacedSlot, run.at(-1) as PlacedSlot]
  const { value, tuplet } = first.grid
  if (tuplet === null) return () => []
  const { notes, inTimeOf } = TUPLET_RATIOS[tuplet]
  const barStart = barOf(first.tick, bar) * bar
  const origin = (first.tick - barStart) % first.ticks === 0 ? barStart : first.tick
  const unit = first.ticks * notes
  const end = last.tick + last.ticks
  return (tick) => {
    const index = Math.floor((tick - origin) / unit)
    const pair = origin + Math.floor(index / 2) * 2 * unit
    const window = windowAt(windows, pair - barStart)
    const whole =
      pair >= first.tick && pair + 2 * unit <= end && pair + 2 * unit <= barStart + window.to
    if (tuplet === 't' && value >= 16 && whole)
      return [{ id: `six ${pair}`, notes: 6, inTimeOf: 4 }]
    return [{ id: `${origin} ${value}${tuplet} ${index}`, notes, inTimeOf }]
  }
}

type SlotPlace = Pick<Atom, 'tick' | 'ticks' | 'value' | 'brackets' | 'group' | 'slot'>

/** The notes of one slot, a squeeze at its real values. */
export function slotAtoms(content: SlotContent, place: SlotPlace): Atom[] {
  if (content.kind !== 'squeeze') return [toAtom(content, place)]
  const count = content.parts.length
  const value = Math.min(SHORTEST_VALUE, place.value * (SQUEEZED[count] as number))
  // So many of the value written have the slot's time, however short they would have to be.
  const inTimeOf = value / place.value
  const bracket = { id: `squeeze ${place.tick}`, notes: count, inTimeOf }
  const brackets = count === inTimeOf ? place.brackets : [...place.brackets, bracket]
  return content.parts.map((part, i) => {
    const tick = place.tick + Math.floor((i * place.ticks) / count)
    const next = place.tick + Math.floor(((i + 1) * place.ticks) / count)
    return toAtom(part, { ...place, tick, ticks: next - tick, value, brackets })
  })
}

function toAtom(content: Rest | Struck, place: SlotPlace): Atom {
  const strokes = content.kind === 'struck' ? content.strokes : []
  return { ...place, kind: strokes.length > 0 ? 'strokes' : 'rest', strokes, dots: 0 }
}

/** The strokes of each layer under the line from the fill's barline on, with the values of their own grids. */
export function ostinatoAtoms(lick: Lick, { from, to }: Stretch = ALWAYS): Atom[] {
  return layerAtoms(lick, { from: Math.max(0, from), to }).filter(({ kind }) => kind === 'strokes')
}

/** The strokes and rests of each layer under the line in a stretch. */
export function layerAtoms(lick: Lick, within: Stretch): Atom[] {
  return lick.ostinatos.flatMap((layer, i) => {
    const length = lineTicks(layer.line, layer.grid)
    const span = ostinatoSpan(lick, layer)
    const [from, to] = [Math.max(within.from, span.from), Math.min(within.to, span.to)]
    const once = timedSlots(layer.line, layer.grid, 0)
    const atoms: Atom[] = []
    const skipped = Math.max(0, Math.floor((from - span.counted) / length))
    for (let round = span.counted + skipped * length; round < to; round += length) {
      for (const slot of once) {
        const tick = round + slot.tick
        if (tick + slot.ticks <= from || tick >= to) continue
        const place = {
          tick,
          ticks: slot.ticks,
          value: slot.grid.value,
          brackets: gridBrackets(slot.grid, tick, `layer ${i}`),
          group: null,
          slot: null,
        }
        // A slot that began before may sound in part.
        const own = slotAtoms(slot.content, place)
        atoms.push(...own.filter((atom) => atom.tick >= from && atom.tick < to))
      }
    }
    return atoms
  })
}

/**
 * The bracket of a tuplet grid at a tick, counted from the barline; none on a plain grid.
 *
 * @example gridBrackets(findGrid('1/8t'), 0, 'line')[0].notes // 3
 */
export function gridBrackets(grid: Grid, tick: Ticks, name: string): Bracket[] {
  if (grid.tuplet === null) return []
  const { notes, inTimeOf } = TUPLET_RATIOS[grid.tuplet]
  const id = `${name} ${gridName(grid)} ${Math.floor(tick / (gridTicks(grid) * notes))}`
  return [{ id, notes, inTimeOf }]
}
