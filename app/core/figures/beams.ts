import { flagsOf } from './glyphs'
import { BEAM, BEAM_STEP, STEM } from './measures'
import type { PlacedNote } from './notes'
import type { Shape } from './shape'

/** How far a beam of one note reaches: a stub towards its neighbour. */
const STUB = 1.05

/** Where the flat beam of some notes lies: beyond the stem that reaches farthest. */
export function beamTip(notes: readonly PlacedNote[]): number {
  const tips = notes.map(({ tip }) => tip)
  return notes[0]?.stem === 'down' ? Math.max(...tips) : Math.min(...tips)
}

/**
 * The beams of some notes, level by level: neighbours with so many flags share one; a note alone at a
 * level has a stub, towards the note before it, or ahead where it is the first.
 */
export function beamShapes(notes: readonly PlacedNote[], tip: number): Shape[] {
  const levels = Math.max(...notes.map(({ note }) => flagsOf(note.value)))
  return Array.from({ length: levels }, (_, level) =>
    runsAt(notes, level + 1).map(([from, to]) => bar(notes, from, to, level, tip)),
  ).flat()
}

/** Runs of notes that have so many flags at least, as first and last index. */
function runsAt(notes: readonly PlacedNote[], level: number): [number, number][] {
  const runs: [number, number][] = []
  for (const [i, { note }] of notes.entries()) {
    if (flagsOf(note.value) < level) continue
    const run = runs.at(-1)
    if (run && run[1] === i - 1) run[1] = i
    else runs.push([i, i])
  }
  return runs
}

function bar(
  notes: readonly PlacedNote[],
  from: number,
  to: number,
  level: number,
  tip: number,
): Shape {
  const [first, last] = [notes[from] as PlacedNote, notes[to] as PlacedNote]
  const alone = from === to
  const ahead = alone && from === 0
  const left = first.stemX - (alone && !ahead ? STUB : STEM / 2)
  const right = last.stemX + (ahead ? STUB : STEM / 2)
  const inwards = first.stem === 'up' ? 1 : -1
  const [edge, other] = [
    tip + inwards * level * BEAM_STEP,
    tip + inwards * (level * BEAM_STEP + BEAM),
  ]
  return {
    kind: 'area',
    points: [
      [left, edge],
      [right, edge],
      [right, other],
      [left, other],
    ],
  }
}
