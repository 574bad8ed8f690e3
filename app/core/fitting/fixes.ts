import {
  changeLick,
  cut,
  gridAt,
  joinPhrases,
  type Phrase,
  phraseOf,
  startsOf,
  toPhrase,
} from '../changes'
import { aimOf, type FreeHand, frameTicks, type Lick, lineTicks, sumOf } from '../line'
import { formatSlot } from '../notation'
import { REST, type SlotContent, toStroke } from '../sticking'
import { ALL_GRIDS, type Grid, gridTicks, type Ticks } from '../time'
import { onGrid } from './rates'

/** Ways to make a line fit its space. */
export const FIX_KINDS = [
  'cut',
  'drop-group',
  'next-group',
  'add-group',
  'tail-right',
  'tail-left',
  'tail-kick',
  'rests',
  'remainder-first',
  'over-the-barline',
  'start',
  'grid',
] as const
export type FixKind = (typeof FIX_KINDS)[number]

/** A finished line, one click away, with what it leaves. */
export interface Fix {
  readonly kind: FixKind
  readonly lick: Lick
  readonly fits: boolean
  /** Ticks left, or over where negative. */
  readonly left: Ticks
  readonly freeHand: FreeHand
  /** The grid of another subdivision, or the start moved to; null for the other kinds. */
  readonly grid: Grid | null
  readonly start: Ticks | null
}

/** Grids that people think of when a line does not fit. */
const OFFERED_GRIDS = ALL_GRIDS.filter(({ value }) => value >= 8 && value <= 32)

/** The ways to make a line fit; none where it fits, or where it has no slot. */
export function fixesOf(lick: Lick): Fix[] {
  const { frame, line } = lick
  const { start, end, target } = aimOf(lick)
  const left = target - end
  if (left === 0 || line.slots.length === 0) return []
  const slot = gridTicks(gridAt(line, line.slots.length, frame.grid))
  const free = left / slot
  const fixes: Fix[] = []
  const offered = new Set<string>()
  const offer = (kind: FixKind, fixed: Lick, more: Partial<Fix> = {}) => {
    // Two ways that come to the same line are offered once, by the first name.
    const key = JSON.stringify([fixed.line, fixed.frame.start, fixed.frame.grid])
    if (offered.has(key)) return
    offered.add(key)
    const sum = sumOf(fixed)
    fixes.push({
      kind,
      lick: fixed,
      fits: sum.fits,
      left: sum.left.ticks,
      freeHand: sum.landing?.freeHand ?? 'both',
      grid: null,
      start: null,
      ...more,
    })
  }
  const aimed = { ...lick, frame: { ...frame, bars: aimOf(lick).bars } }
  const steady = frame.landing.at === 'beat' ? lick : aimed
  if (left < 0) {
    const kept = slotsUntil(lick, target - start)
    if (kept > 0) offer('cut', cutTo(steady, kept))
    const last = line.groups.at(-1) ?? 0
    if (line.groups.length > 1) offer('drop-group', cutTo(steady, line.slots.length - last))
  }
  if (left > 0 && Number.isInteger(free)) {
    const next = nextGroup(lick)
    const rest = cut(repeatTo(next, free), free)
    offer('next-group', extend(steady, rest))
    for (const kind of ['tail-right', 'tail-left', 'tail-kick'] as const) {
      offer(kind, extend(steady, tail(lick, free, kind)))
    }
    offer('rests', extend(steady, toPhrase(Array.from({ length: free }, () => REST))))
    if (free < next.slots.length) {
      offer('remainder-first', changeLick(steady, { from: 0, to: 0 }, rest))
      offer('over-the-barline', extend(steady, next))
    } else if (free % next.slots.length === 0) {
      offer('add-group', extend(steady, next))
    }
  }
  if (frame.landing.at === 'bar') {
    const { bar } = frameTicks(frame)
    const used = lineTicks(line, frame.grid)
    const better = (bar - (used % bar)) % bar
    const stop = frame.stop === null ? null : Math.min(frame.stop, better)
    if (better !== start) {
      const moved = { ...lick, frame: { ...frame, start: better, stop, bars: null } }
      offer('start', moved, { start: better })
    }
  }
  for (const grid of OFFERED_GRIDS) {
    if (grid.value === frame.grid.value && grid.tuplet === frame.grid.tuplet) continue
    const moved = onGrid(lick, grid)
    if (sumOf(moved).fits) offer('grid', moved, { grid })
  }
  return fixes
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

function cutTo(lick: Lick, length: number): Lick {
  const all = { from: 0, to: lick.line.slots.length }
  return changeLick(lick, { from: length, to: all.to }, toPhrase([]))
}

function extend(lick: Lick, phrase: Phrase): Lick {
  const end = lick.line.slots.length
  return changeLick(lick, { from: end, to: end }, phrase)
}

/**
 * The group that would come next: where the groups repeat in a pattern, the pattern's next one,
 * else the last group again.
 */
export function nextGroup({ line }: Lick): Phrase {
  const starts = startsOf(line.groups)
  const texts = line.groups.map((size, i) =>
    line.slots
      .slice(starts[i], (starts[i] as number) + size)
      .map(formatSlot)
      .join(''),
  )
  const count = texts.length
  let period = 1
  while (period < count && texts.some((text, i) => i >= period && text !== texts[i - period]))
    period += 1
  // A pattern must have come round at least once to be one.
  const index = period <= count - 1 ? count - period : count - 1
  const from = starts[index] ?? 0
  return phraseOf(line, { from, to: from + (line.groups[index] ?? 0) })
}

function repeatTo(phrase: Phrase, length: number): Phrase {
  const times = Math.ceil(length / Math.max(1, phrase.slots.length))
  return joinPhrases(Array.from({ length: times }, () => phrase))
}

/** Hands by turns that end as wished, so that the other hand, or both, are free to land. */
function tail(lick: Lick, length: number, kind: 'tail-right' | 'tail-left' | 'tail-kick'): Phrase {
  const wished = { 'tail-right': 'R', 'tail-left': 'L', 'tail-kick': 'K' } as const
  const slots = Array.from({ length }, (_, i): SlotContent => {
    const fromEnd = length - 1 - i
    const hand =
      kind === 'tail-left' ? (fromEnd % 2 === 0 ? 'L' : 'R') : fromEnd % 2 === 0 ? 'R' : 'L'
    const letter = fromEnd === 0 ? wished[kind] : hand
    return { kind: 'struck', strokes: [toStroke(letter)] }
  })
  return toPhrase(slots, lick.line.slots.length === 0 ? undefined : [length])
}
