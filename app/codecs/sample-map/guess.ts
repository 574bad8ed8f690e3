import type { Surface } from '~/core/sticking'

const HAT = /hat|\bhh\b/

/** Words in the names of sound files, and the surface that they mean; the first of which all are there holds. */
const WORDS: readonly (readonly [words: readonly RegExp[], surface: Surface])[] = [
  [[/cross[ -]?stick|side[ -]?stick/], 'xs'],
  [[/rim/], 'rs'],
  [[/snare|\bsn\b|\bsd\b/], 'sn'],
  [[/kick|bass[ -]?drum|\bbd\b|\bkd\b/], 'bd'],
  [[HAT, /foot|pedal|chick/], 'hf'],
  [[HAT, /open/], 'ho'],
  [[HAT], 'hh'],
  [[/bell/], 'rb'],
  [[/ride/], 'rd'],
  [[/china/], 'ch'],
  [[/splash/], 'sp'],
  [[/crash[ -]?(2|b)\b/], 'c2'],
  [[/crash/], 'c1'],
  [[/floor[ -]?tom[ -]?2|floor[ -]?2/], 'f2'],
  [[/floor/], 'f1'],
  [[/tom[ -]?3|low[ -]?tom/], 't3'],
  [[/tom[ -]?2|mid[ -]?tom/], 't2'],
  [[/tom/], 't1'],
  [[/cow/], 'cb'],
]

/**
 * The surface that a sound file's path names; null where it names none.
 *
 * @example guessSurface('Drums/Snare_hard_01.wav') // 'sn'
 */
export function guessSurface(path: string): Surface | null {
  const name = path.toLowerCase().replaceAll(/[_.]/g, ' ')
  return WORDS.find(([words]) => words.every((word) => word.test(name)))?.[1] ?? null
}
