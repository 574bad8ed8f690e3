import type { NotationCode } from '~/core/notation'

/** What can be wrong with a text around its line; the line's own faults have codes of theirs. */
export const HEADER_CODES = [
  'too-long',
  'version',
  'duplicate-key',
  'meter',
  'tempo',
  'goal',
  'grid',
  'start',
  'stop',
  'lead',
  'groove',
  'bars',
  'landing',
  'swing',
  'groove swing',
  'swell',
  'part',
  'kit',
  'pickup',
  'empty-layer',
  'too-many-layers',
] as const
export type HeaderCode = (typeof HEADER_CODES)[number]

/** One problem in a lick text: line and column from 1, in characters. */
export interface TextIssue {
  readonly line: number
  readonly column: number
  readonly found: string
  readonly expected: string
  readonly code: HeaderCode | NotationCode
  /** Where it stands in the sticking as typed (all `line:` rows joined), when it stands there. */
  readonly inLine?: { readonly at: number; readonly length: number }
}
