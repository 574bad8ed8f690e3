import { medianOf } from '../foundation'
import { type Line, MAX_SLOTS, normalGridChanges, VELOCITIES } from '../line'
import {
  findTogetherFault,
  HOME_SURFACE,
  type Letter,
  type Level,
  type Limb,
  MAX_SQUEEZE,
  REST,
  type SlotContent,
  type Stroke,
  type Surface,
  toStroke,
} from '../sticking'
import {
  ALL_GRIDS,
  type Feel,
  type Grid,
  gridTicks,
  secondsPerTick,
  straightenedTick,
  swungTick,
  TICKS_PER_QUARTER,
  type Ticks,
} from '../time'
import type { HeardStroke } from './strokes'

/** A tap of a limb, in milliseconds from a beat of the click. */
export interface Tap extends HeardStroke {
  readonly limb: Limb
  /** What it was struck on, where that is known. */
  readonly surface?: Surface
  /** Whether its velocity is relative to the other taps', as a microphone's is. */
  readonly relative?: boolean
}

/** A line that was tapped, and how well its grid explains the taps. */
export interface TappedLine {
  readonly grid: Grid
  readonly line: Line
  /** The first slot, in ticks from the beat that the taps are counted from. */
  readonly start: Ticks
  /** Each tap's distance from its slot, in milliseconds; above 0 is late. */
  readonly errorsMs: readonly number[]
  /** Taps that lie nearer to the middle between two slots than to their own, by their numbers. */
  readonly doubtful: readonly number[]
  /** The slots of the line that those lie in, from 0. */
  readonly doubtfulSlots: readonly number[]
  /** How many taps came so late that no line is as long: they are not in it. */
  readonly tooLate: number
  /** How many taps are not in it since eight others share their slot: a finer grid has room for them. */
  readonly tooDense: number
}

/** Limbs that strike within so many milliseconds strike together. */
const TOGETHER_MS = 35
/** A grid explains taps whose root mean square error is at most so much of its slot. */
const EXPLAINS = 0.1
/** A hand's own spread about its place, in milliseconds: an error below it asks for no finer grid. */
const SPREAD_MS = 12
/** Fewer taps than this carry no odd grid where a plain one or triplets explain them: some odd one always fits. */
const CARRY_ODD = 8
/** From so much of a slot on a tap might belong to the next one. */
const DOUBTFUL = 0.25

const LETTERS: Readonly<Record<Limb, Letter>> = { RH: 'R', LH: 'L', XH: 'X', RF: 'K', LF: 'H' }

/**
 * The grid of some taps at a tempo in quarters a minute: the coarsest whose slots explain them, unless a finer
 * one halves an error that is more than a hand's own spread; the one with the least error where none explains
 * them. Fewer than 8 taps are plain slots or triplets where those explain them. Null for no taps.
 *
 * @example at 100, taps at 3 149 305 451 615 740 ms are sixteenths
 */
export function gridOfTaps(
  taps: readonly HeardStroke[],
  quarters: number,
  feel: Feel | null = null,
): Grid | null {
  if (taps.length === 0) return null
  const perTick = secondsPerTick(quarters, TICKS_PER_QUARTER) * 1000
  const fits = [...ALL_GRIDS]
    .sort((a, b) => gridTicks(b) - gridTicks(a))
    .map((grid) => {
      const slot = gridTicks(grid) * perTick
      const squares = taps.reduce(
        (sum, { ms }) => sum + placeOf(ms / perTick, grid, feel).off ** 2,
        0,
      )
      const error = Math.sqrt(squares / taps.length) * perTick
      return { grid, slot, error }
    })
  const all = fits.filter(({ slot, error }) => error <= slot * EXPLAINS)
  const usual = all.filter(({ grid }) => grid.tuplet === null || grid.tuplet === 't')
  const explaining = taps.length < CARRY_ODD && usual.length > 0 ? usual : all
  const coarsest = explaining.find(
    (fit) =>
      fit.error <= SPREAD_MS ||
      !explaining.some(({ slot, error }) => slot < fit.slot && error < fit.error / 2),
  )
  const least = fits.reduce((best, fit) =>
    fit.error / fit.slot < best.error / best.slot ? fit : best,
  )
  return (coarsest ?? least).grid
}

/** The slot of a grid that a tick is nearest to, and how many ticks after the slot sounds it is. */
function placeOf(tick: number, grid: Grid, feel: Feel | null): { slot: number; off: number } {
  const ticks = gridTicks(grid)
  // A nought is not below nought: what is rounded up from there has a sign.
  const slot = Math.round((feel ? straightenedTick(tick, grid, feel) : tick) / ticks) + 0
  const sounds = feel ? swungTick(slot * ticks, grid, feel.swing, feel.meter) : slot * ticks
  return { slot, off: tick - sounds }
}

/**
 * Taps as a line, on a grid that is found or given: what lies in one slot is struck together where it comes
 * within 35 ms and one player can, else squeezed into it in order, eight at the most. Levels are read from the
 * velocities, where they are known; where they are relative, the middle one is a plain stroke. `quarters` is
 * quarters a minute; `feel` is how the music swings that was tapped beside, from whose barline the taps are
 * counted. Null for no taps.
 *
 * @example at 100, a right hand at 3 and a left at 149 ms are `RL` in sixteenths, 3 late and 1 early
 */
export function lineOfTaps(
  taps: readonly Tap[],
  quarters: number,
  wished: Grid | null = null,
  feel: Feel | null = null,
): TappedLine | null {
  const grid = wished ?? gridOfTaps(taps, quarters, feel)
  if (!grid || taps.length === 0) return null
  const perTick = secondsPerTick(quarters, TICKS_PER_QUARTER) * 1000
  const slot = gridTicks(grid) * perTick
  const all = levelled([...taps].sort((a, b) => a.ms - b.ms)).map((tap) => ({
    tap,
    ...placeOf(tap.ms / perTick, grid, feel),
  }))
  const end = (all[0]?.slot ?? 0) + MAX_SLOTS
  const placed = all.filter((one) => one.slot < end)
  const ordered = placed.map(({ tap }) => tap)
  const places = placed.map((one) => one.slot)
  const errorsMs = placed.map(({ off }) => off * perTick)
  const first = places[0] as number
  const bySlot = new Map<number, Tap[]>()
  for (const [i, tap] of ordered.entries()) {
    const place = places[i] as number
    bySlot.set(place, [...(bySlot.get(place) ?? []), tap])
  }
  const filled = Array.from({ length: (places.at(-1) as number) - first + 1 }, (_, i) =>
    burstsOf(bySlot.get(first + i) ?? []),
  )
  const slots = filled.map((bursts) => contentOf(bursts.slice(0, MAX_SQUEEZE)))
  const dense = filled.flatMap((bursts) => bursts.slice(MAX_SQUEEZE))
  const doubtful = errorsMs.flatMap((error, i) => (Math.abs(error) > slot * DOUBTFUL ? [i] : []))
  return {
    grid,
    line: {
      slots,
      groups: [slots.length],
      gridChanges: normalGridChanges([], grid, slots.length),
    },
    start: first * gridTicks(grid),
    errorsMs,
    doubtful,
    tooLate: all.length - ordered.length,
    tooDense: dense.flat().length,
    doubtfulSlots: [...new Set(doubtful.map((tap) => (places[tap] as number) - first))],
  }
}

/** Taps with velocities of their own in place of relative ones. */
function levelled(taps: readonly Tap[]): readonly Tap[] {
  const relative = taps.flatMap((tap) => (tap.relative ? (tap.velocity ?? []) : []))
  const scale = VELOCITIES.tap / Math.max(1, medianOf(relative))
  return taps.map((tap) =>
    tap.relative && tap.velocity !== undefined
      ? { ...tap, velocity: Math.min(127, tap.velocity * scale) }
      : tap,
  )
}

/** What is struck together, in order: within 35 ms, and by limbs that one player has. */
function burstsOf(taps: readonly Tap[]): Stroke[][] {
  const bursts: { readonly from: number; readonly strokes: Stroke[] }[] = []
  for (const tap of taps) {
    const burst = bursts.at(-1)
    const stroke = strokeOf(tap)
    const near = burst && tap.ms - burst.from <= TOGETHER_MS
    if (near && !findTogetherFault([...burst.strokes, stroke])) burst.strokes.push(stroke)
    else bursts.push({ from: tap.ms, strokes: [stroke] })
  }
  return bursts.map(({ strokes }) => strokes)
}

function contentOf(bursts: readonly (readonly Stroke[])[]): SlotContent {
  const parts = bursts.map((strokes) => ({ kind: 'struck', strokes }) as const)
  const [first] = parts
  if (!first) return REST
  return parts.length === 1 ? first : { kind: 'squeeze', parts }
}

/** Velocities of the levels, halfway between those that the app plays. */
const LEVELS: readonly (readonly [above: number, level: Level])[] = [
  [96, 'accent'],
  [69, 'tap'],
  [47, 'soft'],
  [0, 'ghost'],
]

function strokeOf({ limb, velocity, surface }: Tap): Stroke {
  const letter = LETTERS[limb]
  const voice = surface === undefined || surface === HOME_SURFACE[letter] ? {} : { voice: surface }
  const level = velocity === undefined ? 'tap' : LEVELS.find(([above]) => velocity >= above)?.[1]
  return toStroke(letter, { level: level ?? 'tap', ...voice })
}
