import { formatLine, parseLine } from '../notation'
import type { Phrase } from './phrase'

/**
 * Reads a phrase in the line's own notation; undefined for what cannot be read, or changes its grid.
 * Example: `findPhrase('RLLK')` has four slots in one group.
 */
export function findPhrase(line: string): Phrase | undefined {
  const grid = { value: 16, tuplet: null } as const
  const read = parseLine(line, { grid, start: 0, bar: null })
  if (!read.ok || read.value.line.gridChanges.length > 0) return undefined
  const { slots, groups } = read.value.line
  return { slots, groups }
}

/**
 * A phrase in the line's own notation. Law: `findPhrase` reads it back as it was.
 *
 * @example formatPhrase(phrase('R L L K')) // 'R L*2 K'
 */
export function formatPhrase({ slots, groups }: Phrase): string {
  return formatLine({ slots, groups, gridChanges: [] })
}
