import { changeLick, gridAt, type Phrase, type SlotRange, startsOf, toPhrase } from '../changes'
import { isEqual } from '../foundation'
import { aimOf, approachOf, type FreeHand, fitOf, fittingStart, type Lick } from '../line'
import { DEFAULT_SETTING, type FootLanding, footLanding, type PlayContext } from '../playability'
import { REST } from '../sticking'
import { ALL_GRIDS, type Grid, gridTicks, sameGrid, type Ticks } from '../time'
import { continued, continuingOf, missingAtEnd, nextGroup } from './continuing'
import { onGrid } from './rates'
import { type EndRun, runAcross, type TailEnd, tailOf } from './tails'

/** Ways to make a line fit its space. */
export const FIX_KINDS = [
  'cut',
  'drop-group',
  'next-group',
  'add-group',
  'tail-right',
  'tail-left',
  'tail-kick',
  'own-tail',
  'rests',
  'remainder-first',
  'remainder-middle',
  'over-the-barline',
  'start',
  'grid',
] as const
export type FixKind = (typeof FIX_KINDS)[number]

/** A finished line, one click away, with what it leaves. */
export interface Fix {
  readonly kind: FixKind
  readonly lick: Lick
  /** The slots that are new, where there are any. */
  readonly added: SlotRange | null
  readonly fits: boolean
  /** Ticks left, or over where negative. */
  readonly left: Ticks
  readonly freeHand: FreeHand
  /** The kick that the landing asks of a foot which has just played; null where it does not. */
  readonly foot: FootLanding | null
  /** A limb that plays on where the new slots join the line. */
  readonly run: EndRun | null
  /** Slots that the last group lacks, where it is cut; else 0. */
  readonly cut: number
  /** The grid of another subdivision, or the start moved to; null for the other kinds. */
  readonly grid: Grid | null
  readonly start: Ticks | null
}

/** Grids that people think of when a line does not fit. */
const OFFERED_GRIDS = ALL_GRIDS.filter(({ value }) => value >= 8 && value <= 32)

const TAILS: readonly (readonly [FixKind, TailEnd])[] = [
  ['tail-right', 'R'],
  ['tail-left', 'L'],
  ['tail-kick', 'K'],
]

/**
 * The ways to make a line fit; none where it fits, or where it has no slot. What is repeated is a range
 * where one is given, else the line's pattern, else the whole line. `tail` is one of the player's own.
 */
export function fixesOf(
  lick: Lick,
  range: SlotRange | null = null,
  tail: Phrase | null = null,
  setting: PlayContext = DEFAULT_SETTING,
): Fix[] {
  const { line } = lick
  const { left } = aimOf(lick)
  if (left === 0 || line.slots.length === 0) return []
  const offers = new Offers(lick, setting)
  if (left < 0) offerShorter(lick, offers)
  const free = left / gridTicks(gridAt(line, line.slots.length, lick.frame.grid))
  if (left > 0 && Number.isInteger(free)) offerLonger(lick, range, tail, free, offers)
  offerPlaces(lick, offers)
  return offers.found
}

/** Collects fixes; two ways that come to the same line are offered once, by the first name. */
class Offers {
  readonly found: Fix[] = []
  constructor(
    private readonly lick: Lick,
    private readonly setting: PlayContext,
  ) {}

  offer(kind: FixKind, fixed: Lick, more: Partial<Fix> = {}): void {
    if (this.found.some(({ lick }) => isSameLine(lick, fixed))) return
    const fit = fitOf(fixed)
    const { slots } = fixed.line
    const { added = null } = more
    this.found.push({
      kind,
      lick: fixed,
      added,
      fits: fit.fits,
      left: fit.left.ticks,
      freeHand: approachOf(fixed)?.freeHand ?? 'both',
      foot: footLanding(fixed, this.setting),
      run: added && runAcross(slots.slice(0, added.from), slots.slice(added.from)),
      cut: 0,
      grid: null,
      start: null,
      ...more,
    })
  }

  /** The lick with slots put in at a place; it aims where it aimed before. */
  insert(kind: FixKind, at: number, phrase: Phrase, more: Partial<Fix> = {}): void {
    const longer = this.aiming(changeLick(this.lick, { from: at, to: at }, phrase))
    this.offer(kind, longer, { added: { from: at, to: at + phrase.slots.length }, ...more })
  }

  /** The first so many slots of the lick. */
  shorten(kind: FixKind, length: number): void {
    const all = { from: length, to: this.lick.line.slots.length }
    this.offer(kind, this.aiming(changeLick(this.lick, all, toPhrase([]))))
  }

  /** A lick that aims at the barline of before: its bars are said only where the nearest is another. */
  private aiming(fixed: Lick): Lick {
    const { target, bars } = aimOf(this.lick)
    const moved = aimOf(fixed).target !== target && this.lick.frame.landing.at === 'bar'
    return moved ? { ...fixed, frame: { ...fixed.frame, bars } } : fixed
  }
}

/** Whether two licks have the same line at the same place on the same grid. */
function isSameLine(a: Lick, b: Lick): boolean {
  return (
    a.frame.start === b.frame.start &&
    sameGrid(a.frame.grid, b.frame.grid) &&
    isEqual(a.line, b.line)
  )
}

function offerShorter(lick: Lick, offers: Offers): void {
  const { line } = lick
  const kept = slotsUntil(lick, aimOf(lick).available)
  if (kept > 0) offers.shorten('cut', kept)
  const last = line.groups.at(-1) ?? 0
  if (line.groups.length > 1) offers.shorten('drop-group', line.slots.length - last)
}

function offerLonger(
  lick: Lick,
  range: SlotRange | null,
  tail: Phrase | null,
  free: number,
  offers: Offers,
): void {
  const { line } = lick
  const end = line.slots.length
  const continuing = continuingOf(lick, range)
  const next = nextGroup(continuing)
  const rest = continued(continuing, free)
  if (tail && tail.slots.length === free) offers.insert('own-tail', end, tail)
  offers.insert('next-group', end, rest, { cut: missingAtEnd(continuing, free) })
  if (next && next.slots.length < free) offers.insert('add-group', end, next)
  for (const [kind, ends] of TAILS) offers.insert(kind, end, tailOf(line, free, ends))
  offers.insert('rests', end, toPhrase(Array.from({ length: free }, () => REST)))
  if (!next || free >= next.slots.length) return
  offers.insert('remainder-first', 0, rest)
  const second = startsOf(line.groups)[1]
  if (second !== undefined) offers.insert('remainder-middle', second, rest)
  const over = { from: end, to: end + next.slots.length }
  offers.offer('over-the-barline', changeLick(lick, { from: end, to: end }, next), { added: over })
}

/** The line begun elsewhere, and on other grids. */
function offerPlaces(lick: Lick, offers: Offers): void {
  const { frame } = lick
  if (frame.landing.at === 'bar') {
    const better = fittingStart(lick)
    const stop = frame.stop === null ? null : Math.min(frame.stop, better)
    if (better !== frame.start) {
      const moved = { ...lick, frame: { ...frame, start: better, stop, bars: null } }
      // A single stroke that is its own landing has no bar before the first barline to start in.
      if (fitOf(moved).fits) offers.offer('start', moved, { start: better })
    }
  }
  for (const grid of OFFERED_GRIDS) {
    if (sameGrid(grid, frame.grid)) continue
    const moved = onGrid(lick, grid)
    if (fitOf(moved).fits) offers.offer('grid', moved, { grid })
  }
}

/** How many slots end by a tick from the line's start. */
function slotsUntil({ line, frame }: Lick, ticks: Ticks): number {
  let at = 0
  let count = 0
  while (count < line.slots.length) {
    at += gridTicks(gridAt(line, count, frame.grid))
    if (at > ticks) break
    count += 1
  }
  return count
}
