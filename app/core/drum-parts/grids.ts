import { MAX_SQUEEZE } from '../sticking'
import { ALL_GRIDS, type Grid, gridTicks, sameGrid, TICKS_PER_QUARTER } from '../time'

/** A stretch of whole beats on one grid. Ticks from where the line begins. */
export interface GridStretch {
  readonly from: number
  readonly to: number
  readonly grid: Grid
}

/** Grids, and whether they explain every stroke. */
export interface FoundGrids {
  readonly stretches: readonly GridStretch[]
  readonly explained: boolean
  /** How far strokes were allowed to lie from their slots. */
  readonly tolerance: Tolerance
}

/** How far a stroke may lie from its slot, in ticks: so much, and so much of the slot. */
export interface Tolerance {
  readonly ticks: number
  readonly share: number
}

/** Notes written at our own ticks lie on their slots, but for what is left of a tick. */
export const EXACT: Tolerance = { ticks: 0.99, share: 0.1 }

/**
 * How far a written note may lie from its slot in a file that counts in steps of so many of our ticks:
 * less than a step. Example: 480 steps to a quarter are 21 ticks each, and septuplets lie up to 12 off.
 */
export function writtenTolerance(resolution: number): Tolerance {
  return resolution <= 1 ? EXACT : { ticks: resolution * 0.75, share: 0.1 }
}

const SPANS = [1, 2, 4] as const
const BEAT = TICKS_PER_QUARTER
/** A change of grid costs as much as so many empty slots. */
const CHANGE = 6
/** Beats that no grid explains cost more than any line that is explained, and get the finest one. */
const UNEXPLAINED = 1e9
/** A slot that several strokes divide costs this, and one for each part. */
const SQUEEZE = 1.5
/** How much a stroke's distance from its slot counts, at the limit of what is allowed. */
const DISTANCE = 0.5

/**
 * The grids that explain when strokes lie, beat by beat: as coarse as they can be and changed as
 * seldom, each stroke within the tolerance of a slot, or of an equal part of one.
 * Exact over all choices of stretches of one, two and four quarters, by dynamic programming over the
 * beat and the grid before it. `length` is whole quarters.
 * Example: onsets at 0, 3360, 6720 of one quarter are eighth triplets.
 */
export function findGrids(
  onsets: readonly number[],
  length: number,
  tolerance: Tolerance,
): FoundGrids {
  const beats = Math.ceil(length / BEAT)
  type Way = { cost: number; stretches: readonly GridStretch[] }
  const best: Map<string, Way>[] = Array.from({ length: beats + 1 }, () => new Map())
  best[0]?.set('', { cost: 0, stretches: [] })
  for (let beat = 0; beat < beats; beat += 1) {
    const fits = SPANS.flatMap((span) => fitsOf(onsets, beat, span, beats, tolerance))
    for (const [before, way] of best[beat] ?? []) {
      for (const { grid, span, cost } of fits) {
        const key = `${grid.value}${grid.tuplet}`
        const change = before === '' || before === key ? 0 : CHANGE
        const total = way.cost + cost + change
        const there = best[beat + span] as Map<string, Way>
        const known = there.get(key)
        if (known && known.cost <= total) continue
        const stretch = { from: beat * BEAT, to: (beat + span) * BEAT, grid }
        there.set(key, { cost: total, stretches: [...way.stretches, stretch] })
      }
    }
    // Only the ways that end at beats to come are needed any more.
    best[beat] = new Map()
  }
  const ways = [...(best[beats]?.values() ?? [])].sort((a, b) => a.cost - b.cost)
  const [way] = ways
  return {
    stretches: joined(way?.stretches ?? []),
    explained: (way?.cost ?? 0) < UNEXPLAINED,
    tolerance,
  }
}

/**
 * Grids from stroke to stroke, for lines that change grid within a beat: each gap is whole slots of one,
 * changed as seldom as can be; the first onset is 0. Undefined where a gap is whole slots of none.
 * Example: gaps of 1260 and 1440 ticks are a thirty-second and a slot of sixteenth septuplets.
 */
export function findGapGrids(
  onsets: readonly number[],
  tolerance: Tolerance = EXACT,
): FoundGrids | undefined {
  type Way = { cost: number; stretches: readonly GridStretch[] }
  let ways = new Map<Grid | null, Way>([[null, { cost: 0, stretches: [] }]])
  for (const [i, from] of onsets.entries()) {
    const gap = (onsets[i + 1] ?? from) - from
    const next = new Map<Grid | null, Way>()
    for (const grid of ALL_GRIDS) {
      const slot = gridTicks(grid)
      const slots = i === onsets.length - 1 ? 1 : Math.round(gap / slot)
      if (slots < 1 || (gap > 0 && Math.abs(gap - slots * slot) > tolerance.ticks / 2)) continue
      for (const [before, way] of ways) {
        const cost = way.cost + slots + (before === null || before === grid ? 0 : CHANGE)
        if ((next.get(grid)?.cost ?? Number.POSITIVE_INFINITY) <= cost) continue
        const stretch = { from, to: from + slots * slot, grid }
        next.set(grid, { cost, stretches: [...way.stretches, stretch] })
      }
    }
    ways = next
  }
  const [best] = [...ways.values()].sort((a, b) => a.cost - b.cost)
  return best && { stretches: joined(best.stretches), explained: true, tolerance }
}

/** One grid for everything: strokes lie on its nearest slots, however far these are. */
export function oneGrid(grid: Grid, length: number): GridStretch[] {
  return length > 0 ? [{ from: 0, to: length, grid }] : []
}

interface Fit {
  readonly grid: Grid
  readonly span: number
  readonly cost: number
}

/** The grids that explain the strokes of some beats, each with what it costs; the finest at the least. */
function fitsOf(
  onsets: readonly number[],
  beat: number,
  span: number,
  beats: number,
  tolerance: Tolerance,
): Fit[] {
  if (beat + span > beats) return []
  const [from, ticks] = [beat * BEAT, span * BEAT]
  const inside = onsets.filter(
    (tick) => tick >= from - tolerance.ticks && tick < from + ticks - tolerance.ticks,
  )
  const found = ALL_GRIDS.flatMap((grid): Fit[] => {
    const slot = gridTicks(grid)
    // A grid that a shorter stretch takes too is found there.
    if (ticks % slot !== 0 || (span > 1 && (ticks / 2) % slot === 0)) return []
    let cost = ticks / slot
    for (const [index, within] of bySlot(inside, from, slot)) {
      const parts = partsOf(within, from + index * slot, slot, tolerance)
      if (!parts) return []
      cost += (parts.count > 1 ? squeezeCost(parts) : 0) + parts.distance * DISTANCE
    }
    return [{ grid, span, cost }]
  })
  if (found.length > 0 || span > 1) return found
  return [{ grid: { value: 64, tuplet: null }, span, cost: UNEXPLAINED }]
}

/** A squeeze is seldom meant with rests in it: each costs as much as two parts. */
function squeezeCost({ count, places }: Parts): number {
  return SQUEEZE + count + 2 * (count - places.length)
}

/** Strokes by the slot whose middle they are nearest to the front of: a little early is still its own. */
export function bySlot(
  onsets: readonly number[],
  from: number,
  slot: number,
): Map<number, readonly number[]> {
  const slots = new Map<number, number[]>()
  for (const tick of onsets) {
    const index = Math.floor((tick - from) / slot + EARLY)
    slots.set(index, [...(slots.get(index) ?? []), tick])
  }
  return slots
}
/** What is not further before a slot than this share of it belongs to the slot. */
export const EARLY = 0.1

/** How the strokes of a slot divide it: each on the start of an equal part of its own. */
export interface Parts {
  readonly count: number
  /** The part of each stroke, in order. */
  readonly places: readonly number[]
  /** How far they are from there, together, in parts of what is allowed. */
  readonly distance: number
}

/**
 * The fewest equal parts of a slot that explain its strokes; undefined where eight do not. One stroke
 * at its start is one part. Example: strokes at 0, 840 and 1680 of 2520 ticks are three parts.
 */
export function partsOf(
  onsets: readonly number[],
  at: number,
  slot: number,
  { ticks, share }: Tolerance,
): Parts | undefined {
  for (let count = 1; count <= MAX_SQUEEZE; count += 1) {
    const part = slot / count
    const limit = Math.min(ticks, part * share)
    const places = onsets.map((tick) => Math.round((tick - at) / part))
    // Parts of a slot that does not divide begin at whole ticks, rounded down.
    const offs = onsets.map((tick, i) => Math.abs(tick - at - (places[i] as number) * part))
    const fits =
      offs.every((off) => off <= limit) &&
      new Set(places).size === places.length &&
      places.every((place) => place >= 0 && place < count)
    if (fits)
      return {
        count,
        places,
        distance: offs.reduce((sum, off) => sum + off / Math.max(1, limit), 0),
      }
  }
  return undefined
}

/** Neighbouring stretches of one grid as one. */
function joined(stretches: readonly GridStretch[]): GridStretch[] {
  const all: GridStretch[] = []
  for (const stretch of stretches) {
    const last = all.at(-1)
    if (last && sameGrid(last.grid, stretch.grid)) all[all.length - 1] = { ...last, to: stretch.to }
    else all.push(stretch)
  }
  return all
}
