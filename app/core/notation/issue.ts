/** Everything that can be wrong with a typed line. */
export const NOTATION_CODES = [
  'no-such-stroke',
  'level-on-ghost',
  'level-without-stroke',
  'grace-without-stroke',
  'grace-before-level',
  'grace-on-foot',
  'grace-voice-without-grace',
  'voice-length',
  'no-such-voice',
  'no-such-grid',
  'not-closed',
  'not-opened',
  'together-needs-two',
  'rest-in-unison',
  'nested',
  'limb-twice',
  'no-hand-left',
  'grace-hand-busy',
  'too-many-together',
  'squeeze-needs-two',
  'squeeze-over-eight',
  'repeat-of-nothing',
  'repeat-count',
  'repeat-not-at-end',
  'brackets-need-space',
  'too-many-slots',
  'too-many-bars',
  'too-deep',
  'bar-check',
] as const
export type NotationCode = (typeof NOTATION_CODES)[number]

/** One fault in a typed line: where it stands (UTF-16 offsets), and what was expected there. */
export interface NotationIssue {
  readonly code: NotationCode
  readonly at: number
  readonly length: number
  readonly found: string
  readonly expected: string
}
