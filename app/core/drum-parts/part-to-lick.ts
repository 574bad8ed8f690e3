import { suggestHands } from '../hands'
import { DEFAULT_FRAME, EMPTY_LICK, type Lick, MAX_BARS } from '../line'
import { DEFAULT_SETTING } from '../playability'
import { LEVELS, type Level } from '../sticking'
import {
  barTicks,
  beatTicks,
  gridTicks,
  STRAIGHT,
  secondsPerTick,
  TICKS_PER_QUARTER,
} from '../time'
import {
  findGapGrids,
  findGrids,
  oneGrid,
  playedTolerance,
  type Tolerance,
  writtenTolerance,
} from './grids'
import { landingOf, withUsualLanding } from './landing'
import { layOn, toLine } from './laying'
import { type Onset, onsetsOf } from './onsets'
import type { DrumPart } from './part'
import { likeliest, type Plan, type Reading, SPREADS_MS, straightened, swingsIn } from './readings'
import type { PartWish } from './wish'

/** A part as a lick, and what there is to know about it. */
export interface PartLick {
  readonly lick: Lick
  /** How far each stroke lay from where it stands now, in milliseconds, in order, the landing last; late is more. */
  readonly offsetsMs: readonly number[]
  /** Whether hands were proposed that the file did not tell. */
  readonly handsProposed: boolean
  readonly leftOut: readonly string[]
}

/** How early or late a played stroke may be: 30 ms, and under a third of its slot. */
const PLAYED_MS = 30
const PLAYED_SHARE = 0.32
/**
 * A drum part as a lick: graces put to their notes, the grid found (or as wished), the strokes laid on its
 * slots, a last crash on a barline taken as the landing, and hands that are not told proposed. What does
 * not fit a lick is left out and told. Law: of a written part, every stroke that is not left out lies at
 * its own tick.
 */
export function partToLick(part: DrumPart, wish: PartWish = {}): PartLick {
  const leftOut: string[] = [...part.leftOut]
  const perTick = secondsPerTick(part.tempo, beatTicks(part.meter)) * 1000
  const tolerance: Tolerance = part.exact
    ? writtenTolerance(part.resolution)
    : { ticks: PLAYED_MS / perTick, share: PLAYED_SHARE }
  const onsets = onsetsOf(part, wish, perTick, leftOut)
  const bar = barTicks(part.meter)
  const first = onsets[0]
  if (!first) return { lick: titled(part), offsetsMs: [], handsProposed: false, leftOut }
  const zero = Math.floor((first.tick + tolerance.ticks) / bar) * bar
  const most = zero + MAX_BARS * bar
  const kept = onsets.filter(({ tick }) => tick < most)
  if (kept.length < onsets.length)
    leftOut.push(
      `A lick has ${MAX_BARS} bars at most: ${onsets.length - kept.length} strokes after that.`,
    )
  const plan = planOf(kept, part, wish, { zero, bar, tolerance, perTick })
  const { begin, body, landing, stretches } = plan
  const laid = layOn(body, stretches, begin, plan.tolerance, leftOut)
  leftOut.push(...spreadWords(laid.offsets, plan, perTick))
  const moved = laid.offsets.filter((off) => Math.abs(off) > plan.tolerance.ticks)
  if (moved.length > 0 && !wish.grid) {
    const far = Math.max(...moved.map(Math.abs)) * perTick
    leftOut.push(
      `${moved.length} ${moved.length === 1 ? 'stroke lies' : 'strokes lie'} on no grid that a lick has, and moved by ${far.toFixed(0)} ms at the most.`,
    )
  }
  const line = toLine(laid.slots, stretches, landing ? landing.tick - begin : undefined)
  const offsets = landing ? [...laid.offsets, landing.off] : laid.offsets
  const frame = {
    ...DEFAULT_FRAME,
    meter: part.meter,
    tempo: part.tempo,
    grid: stretches[0]?.grid ?? DEFAULT_FRAME.grid,
    start: begin - zero,
    lead: 0,
    swing: plan.swing,
    landing: landing?.landing ?? ({ kind: 'none', at: 'bar' } as const),
  }
  const bare: Lick = { ...titled(part), frame, line }
  const open = body.some(({ strokes }) => strokes.some(({ letter }) => letter === 'X'))
  const handed = open ? suggestHands(bare, wish.setting ?? DEFAULT_SETTING) : bare
  const lick = withUsualLanding(handed)
  return {
    lick,
    offsetsMs: offsets.map((off) => Math.round(off * perTick * 10) / 10),
    handsProposed: open,
    leftOut,
  }
}

/** From so much of the finest slot on, a stroke may be meant for the slot beside its own: for one stroke, for all. */
const DOUBTFUL = 0.3
const DOUBTFUL_ON_THE_WHOLE = 0.11

/** What there is to say of a part that was played: how far off, where that leaves a slot in doubt. */
function spreadWords(offsets: readonly number[], plan: Plan, perTick: number): string[] {
  if (plan.tolerance.spread === undefined || offsets.length === 0) return []
  const slot = Math.min(...plan.stretches.map(({ grid }) => gridTicks(grid)))
  const most = Math.max(...offsets.map(Math.abs))
  const whole = Math.sqrt(offsets.reduce((sum, off) => sum + off * off, 0) / offsets.length)
  const swung =
    plan.swing === STRAIGHT
      ? []
      : [`It swings by about ${plan.swing.percent} %: it is read as straight, with that swing.`]
  if (most < DOUBTFUL * slot && whole < DOUBTFUL_ON_THE_WHOLE * slot) return swung
  const [wholeMs, mostMs] = [whole, most].map((ticks) => Math.max(1, Math.round(ticks * perTick)))
  return [
    ...swung,
    `It was played ${wholeMs} ms off the grid on the whole, ${mostMs} at the most: some strokes may stand a slot beside their own.`,
  ]
}

/**
 * From the beat of the first stroke, or from the stroke itself, where that lies on grids to the tick; else
 * from the beat with what hands are off. A landing that lies on no slot of the last grid is a stroke like
 * others. Of a part that may have been played, or that may swing, each reading is held against the others, and the
 * likeliest stands.
 */
function planOf(
  onsets: readonly Onset[],
  { exact, resolution, meter }: DrumPart,
  wish: PartWish,
  {
    zero,
    bar,
    tolerance,
    perTick,
  }: { zero: number; bar: number; tolerance: Tolerance; perTick: number },
): Plan {
  const first = onsets[0]?.tick ?? zero
  const beat =
    zero + Math.floor((first + tolerance.ticks - zero) / TICKS_PER_QUARTER) * TICKS_PER_QUARTER
  const from = (begin: number, allowed: Tolerance, swing = STRAIGHT, lands = true): Plan => {
    const swung = swing === STRAIGHT ? onsets : straightened(onsets, { swing, meter })
    const { body, landing } = lands
      ? landingOf(swung, begin, bar, allowed)
      : { body: swung, landing: null }
    const last = body.at(-1)?.tick ?? begin
    const quarters = Math.floor((last + tolerance.ticks - begin) / TICKS_PER_QUARTER) + 1
    const until = landing ? landing.tick - begin : 0
    const length = Math.max(1, quarters, Math.ceil(until / TICKS_PER_QUARTER)) * TICKS_PER_QUARTER
    const ticks = (of: (onset: Onset) => number) => body.map((onset) => of(onset) - begin)
    const found = wish.grid
      ? { stretches: oneGrid(wish.grid, length), explained: true, tolerance }
      : findGrids(
          ticks(({ tick }) => tick),
          length,
          allowed,
          ticks(({ tick, straight = tick }) => straight),
        )
    const end = found.stretches.at(-1)
    const whole = landing && end && (until - end.from) % gridTicks(end.grid) === 0
    return landing && !whole
      ? from(begin, allowed, swing, false)
      : { ...found, begin, body, landing, swing }
  }
  const own = Math.round(first)
  const written = writtenTolerance(resolution)
  const exactly: (() => Plan | undefined)[] = [
    () => from(beat, written),
    () => from(own, written),
    () => fromGaps(onsets, own, written),
  ]
  if (exact || wish.grid) {
    for (const way of exactly) {
      const plan = way()
      if (plan?.explained) return plan
    }
    return from(beat, tolerance)
  }
  const swings = swingsIn(onsets, meter)
  const readings: Reading[] = [
    ...exactly.map((way) => ({ plan: way(), exact: true })),
    // A place that is moved is rounded where it has been moved to.
    ...swings.map((swing) => ({ plan: from(beat, loose(written), swing), exact: true })),
    ...[STRAIGHT, ...swings].flatMap((swing) =>
      SPREADS_MS.map((ms) => ({
        plan: from(beat, playedTolerance(ms / perTick), swing),
        exact: false,
      })),
    ),
  ].flatMap(({ plan, exact: asWritten }) =>
    plan && (plan.explained || !asWritten) ? [{ plan, exact: asWritten }] : [],
  )
  return likeliest(readings).plan
}

function loose({ ticks, share }: Tolerance): Tolerance {
  return { ticks: ticks * 2, share }
}

/** Most lines that change grid within a beat are short; a long one is searched beat by beat alone. */
const MAX_GAPS = 1024

/** From stroke to stroke, with no landing: see `findGapGrids`. */
function fromGaps(onsets: readonly Onset[], begin: number, tolerance: Tolerance): Plan | undefined {
  if (onsets.length > MAX_GAPS) return undefined
  const found = findGapGrids(
    onsets.map(({ tick }) => tick - begin),
    tolerance,
  )
  return found && { ...found, begin, body: onsets, landing: null, swing: STRAIGHT }
}

function titled({ title, tempo, meter }: DrumPart): Lick {
  return { ...EMPTY_LICK, title, frame: { ...DEFAULT_FRAME, meter, tempo, lead: 0 } }
}

/** The level of a MIDI velocity: the one whose own is nearest. */
export function levelOf(velocity: number, velocities: Readonly<Record<Level, number>>): Level {
  return LEVELS.reduce((best, level) =>
    Math.abs(velocities[level] - velocity) < Math.abs(velocities[best] - velocity) ? level : best,
  )
}
