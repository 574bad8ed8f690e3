import { fail, ok, type Result } from '../foundation'
import { type Line, normalGridChanges } from '../line'
import { Expansion, type LineContext } from './expansion'
import type { NotationIssue } from './issue'
import { readPiece, type SourceSpan } from './read-items'
import { joinWritten, type Reading, seamOf } from './reread'
import { Scanner } from './scanner'

/** A line, and for each of its slots the place in the typed text that it came from. */
export interface LineReading {
  readonly line: Line
  readonly spans: readonly SourceSpan[]
}

/** Shorter texts are read whole sooner than what they have in common with others is found. */
const LONG_TEXT = 200

/** The long text that was read last: a line that is typed is read again at every key. */
let last: Reading | null = null

/**
 * Reads a typed line, whole or not at all; all its faults are told with their offsets. Line breaks count as
 * spaces. A long line that was changed at one place since it was read last is read there alone.
 *
 * @example `RLLRK*2 RL` has 12 slots in groups of 5 5 2
 */
export function parseLine(
  text: string,
  context: LineContext,
): Result<LineReading, NotationIssue[]> {
  const long = text.length >= LONG_TEXT
  const read = readAlong(text, context, long ? last : null)
  if (!read.ok) return read
  if (long) last = read.value
  const { slots, spans, groups, changes } = read.value.written
  const gridChanges = normalGridChanges(changes, context.grid, slots.length)
  return ok({ line: { slots, groups, gridChanges }, spans })
}

/**
 * Reads a typed line along one that was read before: what they have in common is taken from there. Law: it
 * is what is read without another one.
 */
export function readAlong(
  text: string,
  context: LineContext,
  before: Reading | null,
): Result<Reading, NotationIssue[]> {
  const scanner = new Scanner(text)
  const seam = before && seamOf(before, text, context)
  const expansion = new Expansion(scanner, context, seam?.kept ?? null)
  const pieces = seam?.kept?.pieces.slice() ?? []
  scanner.position = seam?.kept?.end.at ?? 0
  for (scanner.skipSpace(); !scanner.done; scanner.skipSpace()) {
    const progress = expansion.progress(scanner.position)
    // Where there is a fault nothing is taken over: the rest is read for its own.
    const rest = scanner.issues.length === 0 && seam?.goesOn(progress)
    if (rest) {
      const written = joinWritten(expansion.written, rest.written)
      return ok({ text, context, pieces: pieces.concat(rest.pieces), end: rest.end, written })
    }
    pieces.push(progress)
    expansion.expand(readPiece(scanner))
  }
  if (scanner.issues.length > 0) {
    return fail(scanner.issues.slice().sort((a, b) => a.at - b.at))
  }
  const end = expansion.progress(text.length)
  return ok({ text, context, pieces, end, written: expansion.written })
}
