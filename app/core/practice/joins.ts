import { mirrorHands } from '../changes'
import { type EndRun, endRun, startRun } from '../fitting'
import type { Line } from '../line'
import type { Join } from './flow'

/** How cells may be joined: how long one limb may run on, and whether a cell may change its lead. */
export interface JoinRules {
  /** Strokes of one limb in a row where two cells join, at the most; null for any number. */
  readonly longestRun: number | null
  /** Whether a cell is led by the other hand where it would else run on for longer. */
  readonly mirrors: boolean
}

/**
 * How each of some cells joins what ends with a limb so many times in a row; null where a limb would run
 * on for longer than is allowed. Runs inside a cell are its own. Example: with a longest run of 2,
 * `RRLL` joins what ends with one left, and after one right only led by the left: `LLRR`.
 */
export function toJoin(
  lines: readonly Pick<Line, 'slots' | 'groups'>[],
  { longestRun, mirrors }: JoinRules,
): (cell: number, end: EndRun | null) => Join | null {
  const forms = lines.map((line) => [line, ...(mirrors ? [mirrorHands(line)] : [])])
  return (cell, end) => {
    for (const [i, line] of (forms[cell] ?? []).entries()) {
      const run = joinedRun(end, line)
      if (longestRun === null || run <= longestRun)
        return { mirrored: i === 1, end: endAfter(end, line) }
    }
    return null
  }
}

/** Strokes in a row of the limb that runs on from an end into a line; 0 where none does. */
function joinedRun(end: EndRun | null, line: Pick<Line, 'slots'>): number {
  const start = startRun(line)
  return end && start && end.letter === start.letter ? end.strokes + start.strokes : 0
}

/** The end of what was played once a line has followed it: a line of one limb goes on with its run. */
function endAfter(end: EndRun | null, line: Pick<Line, 'slots'>): EndRun | null {
  const own = endRun(line)
  const goesOn = own && end && own.letter === end.letter && own.strokes === onsetsIn(line)
  return goesOn ? { letter: own.letter, strokes: end.strokes + own.strokes } : own
}

function onsetsIn({ slots }: Pick<Line, 'slots'>): number {
  const struck = (slot: Line['slots'][number]) => {
    if (slot.kind === 'squeeze') return slot.parts.filter(({ kind }) => kind !== 'rest').length
    return slot.kind === 'rest' ? 0 : 1
  }
  return slots.reduce((sum, slot) => sum + struck(slot), 0)
}
