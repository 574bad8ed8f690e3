import { commonEnd, commonStart, firstWhere } from '../foundation'
import { type GridChange, MAX_BARS, MAX_SLOTS, MAX_STROKES } from '../line'
import { sameGrid } from '../time'
import { type LineContext, MAX_STEPS, type Progress, type Written } from './expansion'
import type { SourceSpan } from './read-items'

/** A text that could be read, or a part of one, piece by piece, and what it was written out to. */
export interface Stretch {
  /** How far the line had come at each piece, and behind the last one. */
  readonly pieces: readonly Progress[]
  readonly end: Progress
  readonly written: Written
}

export interface Reading extends Stretch {
  readonly text: string
  readonly context: LineContext
}

/** What a text has in common with one that was read before; null where that was read in another context. */
export function seamOf(last: Reading, text: string, context: LineContext): Seam | null {
  const { grid, start, bar } = last.context
  const same = sameGrid(grid, context.grid) && start === context.start && bar === context.bar
  return same ? new Seam(last, text) : null
}

/**
 * Where a text differs from one that was read: in front of that and behind it, it is what it was. Law: a line
 * that is read along a seam is the line that is read whole.
 */
export class Seam {
  /** What stands in front as it did: what was written, up to its end; null for nothing. */
  readonly kept: Stretch | null
  /** By how much the text has grown, and from where on it is the old one again, in characters. */
  private readonly grown: number
  private readonly again: number

  constructor(
    private readonly last: Reading,
    text: string,
  ) {
    const shorter = Math.min(last.text.length, text.length)
    const front = commonStart(last.text, text, shorter)
    this.again = text.length - commonEnd(last.text, text, shorter - front)
    this.grown = text.length - last.text.length
    // A piece is read up to the character behind it, so that the one before the change is read anew.
    const kept = Math.max(0, firstWhere(last.pieces, ({ at }) => at >= front) - 1)
    const end = last.pieces[kept]
    const pieces = last.pieces.slice(0, kept)
    this.kept = end && kept > 0 ? { pieces, end, written: last.written } : null
  }

  /** What stands from here on, if it is as it was before; else null. */
  goesOn(now: Progress): Stretch | null {
    const { pieces, end, written, context } = this.last
    if (now.at < this.again) return null
    const before = now.at - this.grown
    const index = firstWhere(pieces, ({ at }) => at >= before)
    const then = pieces[index]
    if (then?.at !== before || !sameGrid(then.grid, now.grid)) return null
    const shift = between(then, now)
    const over = shifted(end, shift)
    const { bar } = context
    const checked = bar !== null && end.checks > then.checks
    if (checked && shift.tick % bar !== 0) return null
    if (over.slots > MAX_SLOTS || over.strokes > MAX_STROKES || over.steps > MAX_STEPS) return null
    if (bar !== null && over.tick > MAX_BARS * bar) return null
    const rest = pieces.slice(index)
    const still = Object.values(shift).every((by) => by === 0)
    return {
      pieces: still ? rest : rest.map((one) => shifted(one, shift)),
      end: over,
      written: behind(written, then, shift),
    }
  }
}

/** How much further a line has come, in each of its counts. */
type Shift = Omit<Progress, 'grid'>

function between(then: Progress, now: Progress): Shift {
  return {
    at: now.at - then.at,
    slots: now.slots - then.slots,
    groups: now.groups - then.groups,
    changes: now.changes - then.changes,
    tick: now.tick - then.tick,
    strokes: now.strokes - then.strokes,
    steps: now.steps - then.steps,
    checks: now.checks - then.checks,
  }
}

function shifted(one: Progress, by: Shift): Progress {
  return {
    at: one.at + by.at,
    slots: one.slots + by.slots,
    groups: one.groups + by.groups,
    changes: one.changes + by.changes,
    grid: one.grid,
    tick: one.tick + by.tick,
    strokes: one.strokes + by.strokes,
    steps: one.steps + by.steps,
    checks: one.checks + by.checks,
  }
}

/** What a line is written out to from a piece on, further on in its text and in its slots. */
function behind({ slots, spans, groups, changes }: Written, piece: Progress, by: Shift): Written {
  const further = ({ from, to }: SourceSpan) => ({ from: from + by.at, to: to + by.at })
  const later = ({ at, grid }: GridChange) => ({ at: at + by.slots, grid })
  const [spansOn, changesOn] = [spans.slice(piece.slots), changes.slice(piece.changes)]
  return {
    slots: slots.slice(piece.slots),
    spans: by.at === 0 ? spansOn : spansOn.map(further),
    groups: groups.slice(piece.groups),
    changes: by.slots === 0 ? changesOn : changesOn.map(later),
  }
}

/** Two stretches of a line, one behind the other. */
export function joinWritten(front: Written, behind: Written): Written {
  return {
    slots: front.slots.concat(behind.slots),
    spans: front.spans.concat(behind.spans),
    groups: front.groups.concat(behind.groups),
    changes: front.changes.concat(behind.changes),
  }
}
