import type { Letter } from './limb'

/** A voice that every kit understands, two characters each; `??` is one not decided yet. */
export const SURFACES = [
  'sn',
  'rs',
  'xs',
  's2',
  't1',
  't2',
  't3',
  't4',
  't5',
  't6',
  'f1',
  'f2',
  'hh',
  'ho',
  'hf',
  'x2',
  'rd',
  'rb',
  'c1',
  'c2',
  'sp',
  'ch',
  'cb',
  'bd',
  'b2',
] as const
export type Surface = (typeof SURFACES)[number]

export const UNDECIDED_SURFACE = '??'
export type Voice = Surface | typeof UNDECIDED_SURFACE

/** What each voice is called on screen. */
export const SURFACE_NAMES: Readonly<Record<Voice, string>> = {
  sn: 'snare',
  rs: 'rim shot',
  xs: 'cross-stick',
  s2: 'second snare',
  t1: 'tom 1',
  t2: 'tom 2',
  t3: 'tom 3',
  t4: 'tom 4',
  t5: 'tom 5',
  t6: 'tom 6',
  f1: 'floor tom',
  f2: 'floor tom 2',
  hh: 'hi-hat',
  ho: 'open hi-hat',
  hf: 'hi-hat foot',
  x2: 'second hi-hat',
  rd: 'ride',
  rb: 'ride bell',
  c1: 'crash',
  c2: 'crash 2',
  sp: 'splash',
  ch: 'china',
  cb: 'cowbell',
  bd: 'bass drum',
  b2: 'second bass drum',
  '??': 'not decided',
}

/** Where a letter is played when nothing else is written. */
export const HOME_SURFACE: Readonly<Record<Letter, Surface>> = {
  R: 'sn',
  L: 'sn',
  X: 'sn',
  K: 'bd',
  H: 'hf',
  J: 'b2',
}

const KNOWN: ReadonlySet<string> = new Set([...SURFACES, UNDECIDED_SURFACE])

/**
 * Reads a two-character voice, or undefined where there is none of that name.
 *
 * @example findVoice('f1') // 'f1'
 */
export function findVoice(code: string): Voice | undefined {
  return KNOWN.has(code) ? (code as Voice) : undefined
}
