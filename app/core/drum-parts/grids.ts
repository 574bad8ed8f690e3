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
  /**
   * Of a part that was played: how far strokes spread about their slots, the standard deviation in ticks. Each
   * stroke belongs to the nearest slot then, and two are never in one.
   */
  readonly spread?: number
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

/** No stroke of a normal spread lies further off than so many times it, and none as far as the next slot. */
const FURTHEST = 3.5
const PLAYED_SHARE = 0.5

/**
 * How far played strokes may lie from their slots that spread so far about them, in ticks.
 *
 * @example playedTolerance(10) // { ticks: 35, share: 0.5, spread: 10 }
 */
export function playedTolerance(spread: number): Tolerance {
  return { ticks: FURTHEST * spread, share: PLAYED_SHARE, spread }
}

const SPANS = [1, 2, 4] as const
const BEAT = TICKS_PER_QUARTER
/** A change of grid costs as much as so many empty slots. */
const CHANGE = 6
/** Where costs are logarithms of chances: a beat in twenty changes its grid. */
const LIKELY_CHANGE = Math.log(20)
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
 * beat and the grid before it. `length` is whole quarters; `straight` is where the onsets lie on grids that swing.
 * Example: onsets at 0, 3360, 6720 of one quarter are eighth triplets.
 */
export function findGrids(
  onsets: readonly number[],
  length: number,
  tolerance: Tolerance,
  straight: readonly number[] = onsets,
): FoundGrids {
  const beats = Math.ceil(length / BEAT)
  const changing = tolerance.spread === undefined ? CHANGE : LIKELY_CHANGE
  type Way = { cost: number; stretches: readonly GridStretch[] }
  const best: Map<string, Way>[] = Array.from({ length: beats + 1 }, () => new Map())
  best[0]?.set('', { cost: 0, stretches: [] })
  for (let beat = 0; beat < beats; beat += 1) {
    const fits = SPANS.flatMap((span) => fitsOf({ onsets, straight }, beat, span, beats, tolerance))
    for (const [before, way] of best[beat] ?? []) {
      for (const { grid, span, cost } of fits) {
        const key = `${grid.value}${grid.tuplet}`
        const change = before === '' || before === key ? 0 : changing
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

/**
 * One grid for everything: strokes lie on its nearest slots, however far these are.
 *
 * @example oneGrid(findGrid('1/16'), 40320).length // 1
 */
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
  { onsets, straight }: Readonly<Record<'onsets' | 'straight', readonly number[]>>,
  beat: number,
  span: number,
  beats: number,
  tolerance: Tolerance,
): Fit[] {
  if (beat + span > beats) return []
  const [from, ticks] = [beat * BEAT, span * BEAT]
  const early =
    tolerance.spread === undefined ? tolerance.ticks : Math.min(tolerance.ticks, BEAT / 16)
  const within = (all: readonly number[]) =>
    all.filter((tick) => tick >= from - early && tick < from + ticks - early)
  const [asHeard, asStraight] = [within(onsets), within(straight)]
  const found = ALL_GRIDS.flatMap((grid): Fit[] => {
    const slot = gridTicks(grid)
    // A grid that a shorter stretch takes too is found there.
    if (ticks % slot !== 0 || (span > 1 && (ticks / 2) % slot === 0)) return []
    const { spread } = tolerance
    if (spread !== undefined) {
      const cost = likelyCost(grid.tuplet === null ? asStraight : asHeard, from, slot, tolerance)
      return cost === null ? [] : [{ grid, span, cost: cost + rarity(grid) }]
    }
    let cost = ticks / slot
    const inside = grid.tuplet === null ? asStraight : asHeard
    for (const [index, struck] of bySlot(inside, from, slot, tolerance)) {
      const parts = partsOf(struck, from + index * slot, slot, tolerance)
      if (!parts) return []
      cost += (parts.count > 1 ? squeezeCost(parts) : 0) + parts.distance * DISTANCE
    }
    return [{ grid, span, cost }]
  })
  if (found.length > 0 || span > 1) return found
  return [{ grid: { value: 64, tuplet: null }, span, cost: UNEXPLAINED }]
}

/** How seldom a grid is meant, as the logarithm of one in so many beats: odd tuplets and sixty-fourths are rare. */
export function rarity({ value, tuplet }: Grid): number {
  const odd = { t: 0.3, q: 2.5, s: 3.5, n: 4 }
  return (tuplet === null ? 0 : odd[tuplet]) + (value === 64 ? 2 : value === 32 ? 0.5 : 0)
}

/**
 * How unlikely it is that strokes lie where they do, each on the nearest slot: by how many slots there are for it in a
 * beat, and how far off it is. Null where two are nearest to one slot, or one is too far from its own.
 */
function likelyCost(
  onsets: readonly number[],
  from: number,
  slot: number,
  tolerance: Tolerance,
): number | null {
  const { spread = 1 } = tolerance
  const limit = Math.min(tolerance.ticks, slot * tolerance.share)
  let cost = 0
  let taken = Number.NEGATIVE_INFINITY
  for (const tick of onsets) {
    const place = Math.round((tick - from) / slot)
    const off = tick - from - place * slot
    if (place === taken || Math.abs(off) > limit) return null
    taken = place
    cost += Math.log(Math.max(1, BEAT / slot)) + (off / spread) ** 2 / 2
  }
  return cost
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
  tolerance: Tolerance,
): Map<number, readonly number[]> {
  const slots = new Map<number, number[]>()
  for (const tick of onsets) {
    const index = Math.floor((tick - from) / slot + earlyIn(tolerance))
    slots.set(index, [...(slots.get(index) ?? []), tick])
  }
  return slots
}
/** What is not further before a slot than this share of it belongs to the slot. */
export function earlyIn({ spread }: Tolerance): number {
  return spread === undefined ? EARLY : PLAYED_SHARE
}
const EARLY = 0.1

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
