import { findVoice } from '~/core/sticking'
import { parseLickText } from '../lick-text'

/** How a player writes the kick besides `K`; empty for not at all. */
export type KickLetter = '' | 'F' | 'B'

/** A sticking as people write it, turned into the line's own notation. */
export interface AsWritten {
  readonly line: string
  /** What was turned, each in a few words: `bars as groups`. */
  readonly turned: readonly string[]
}

/** One habit of writing: what it makes of a text, the same text where it does not apply. */
interface Habit {
  readonly name: string
  readonly turn: (text: string, kick: KickLetter) => string
}

/**
 * Habits in the order in which they are undone. None of them means anything else in the notation where
 * it applies: a sign behind its letter, say, is only read so where one stands before a space.
 */
const HABITS: readonly Habit[] = [
  {
    name: 'drum names in small letters',
    turn: (text) =>
      text.replace(/([:/])([A-Za-z][A-Za-z0-9])/g, (whole, sign, name) =>
        findVoice(name.toLowerCase()) ? `${sign}${name.toLowerCase()}` : whole,
      ),
  },
  {
    name: 'the kick as K',
    turn: (text, kick) => (kick === '' ? text : text.replaceAll(kick, 'K')),
  },
  {
    name: 'strokes together in brackets',
    turn: (text) =>
      text.replace(
        /(?<![:\w])[>^_]?[RLKHJXrlkhjx](?:[+/][>^_]?[RLKHJXrlkhjx]){1,3}(?![\w:])/g,
        (strokes) => `(${strokes.replace(/[+/]/g, '')})`,
      ),
  },
  {
    name: 'accents before their letters',
    turn: (text) =>
      /[RLKHJXrlkhjx]>(?=[\s|]|$)/.test(text) && !/(^|[\s|])>/.test(text)
        ? text.replace(/([RLKHJXrlkhjx])>/g, '>$1')
        : text,
  },
  {
    name: 'bracketed strokes as ghosts',
    turn: (text) => {
      const brackets = text.match(/\([^()]*\)/g) ?? []
      const single = /^\(\s*([RLrl])\s*\)$/
      return brackets.length > 0 && brackets.every((one) => single.test(one))
        ? text.replace(/\(\s*([RLrl])\s*\)/g, (_, letter: string) => letter.toLowerCase())
        : text
    },
  },
  { name: 'bars as groups', turn: barsAsGroups },
]

/**
 * Reads a sticking as people write it: single spaces between all strokes with `|` or line breaks between
 * the beats, accents after the letter, `(L)` for a ghost, `R+L` and `R/L` for together, another letter for
 * the kick, drum names in capitals. Undefined where nothing has to be turned, or the result cannot be read.
 * Example: `R L R K | L R K R` is `RLRK LRKR`.
 */
export function findAsWritten(text: string, kick: KickLetter = ''): AsWritten | undefined {
  if (text.length > MAX_CHARACTERS) return undefined
  let line = text.trim()
  const turned: string[] = []
  for (const { name, turn } of HABITS) {
    const next = turn(line, kick)
    if (next !== line) turned.push(name)
    line = next
  }
  if (turned.length === 0 || !isLine(line)) return undefined
  return { line, turned }
}

const MAX_CHARACTERS = 16_384

/** One slot as it is typed. */
const SINGLE = /^(?:[>^_]?[fdt]?[RLKHJXrlkhjx](?::[a-z?0-9]{2}(?:\/[a-z?0-9]{2})?)?|-|\([^()]*\))$/

/** `R L R K | L R K R` as `RLRK LRKR`; a text with groups of its own stays as it is. */
function barsAsGroups(text: string): string {
  // Between letters with single spaces, a wider gap parts groups as a bar does.
  const gapped = /\S \S/.test(text) && !text.includes('|')
  const beats = text
    .split(gapped ? /[\n\r]+|[ \t]{2,}|\t/ : /[|\n\r]+/)
    .map((beat) => beat.trim())
    .filter(Boolean)
  const strokes = beats.map((beat) => beat.split(/\s+/))
  const alone = strokes.flat().every((stroke) => SINGLE.test(stroke))
  // Bars that stand on no barline part groups; those that do stay bar checks.
  if (!alone) return text.includes('|') && !isLine(text) ? beats.join(' ') : text
  if (strokes.every((beat) => beat.length < 2)) return text
  return strokes.map((beat) => beat.join('')).join(' ')
}

/** Of so many strokes or more, letters with a space after each are seldom groups of one. */
const SPACED_FROM = 4
/** The largest group that is offered, and how many ways are. */
const LARGEST_GROUP = 8
const MAX_WAYS = 3

/** Letters typed with a space after each: as one group, or as groups of a size. */
export interface Spaced {
  /** Null for one group. */
  readonly size: number | null
  readonly line: string
}

/**
 * What a line may have been meant as in which every letter stands by itself: groups of the sizes that come out, the
 * largest first, and one group. Empty for any other line.
 *
 * @example `R L L R K R L K R L` is `RLLRK RLKRL`, groups of 2, or one group of 10
 */
export function findSpaced(line: string): Spaced[] {
  const strokes = line.trim().split(/ +/)
  if (strokes.length < SPACED_FROM || /[|\n[\]@{}*]/.test(line)) return []
  if (!strokes.every((stroke) => SINGLE.test(stroke)) || !isLine(line)) return []
  const sizes: number[] = []
  for (let size = Math.min(LARGEST_GROUP, strokes.length - 1); size > 1; size -= 1)
    if (strokes.length % size === 0) sizes.push(size)
  const grouped = (size: number) =>
    strokes.map((stroke, i) => (i > 0 && i % size === 0 ? ` ${stroke}` : stroke)).join('')
  return [
    ...sizes.slice(0, MAX_WAYS - 1).map((size) => ({ size, line: grouped(size) })),
    { size: null, line: strokes.join('') },
  ]
}

/** Whether a text can be read as a line by itself; where it lands in the bar is another matter. */
function isLine(line: string): boolean {
  const read = parseLickText(`line: ${line.replace(/[\r\n]+/g, ' ')}`)
  return read.ok && read.value.lick.line.slots.length > 0
}

/** Whether a text is a whole lick and not a line: it has a row with a key. */
export function isLickText(text: string): boolean {
  if (!/^[ \t]{0,8}(?:dime-lick|line)[ \t]{0,8}:/m.test(text)) return false
  const read = parseLickText(text)
  return read.ok && read.value.lick.line.slots.length > 0
}

/** A line of nothing but ghosts, which is seldom meant, as plain strokes; undefined for any other. */
export function findAllGhosts(line: string): string | undefined {
  const letters = line.replace(/:[a-z?0-9]{2}(?:\/[a-z?0-9]{2})?|@[\d/]+[tqsn]?/g, '')
  if (/[RLKHJX]/.test(letters) || (letters.match(/[rlkhjx]/g) ?? []).length < 3) return undefined
  if (!isLine(line)) return undefined
  const plain = line.replace(
    /(:[a-z?0-9]{2}(?:\/[a-z?0-9]{2})?|@[\d/]+[tqsn]?)|[rlkhjx]/g,
    (one, kept) => (kept ? one : one.toUpperCase()),
  )
  return isLine(plain) ? plain : undefined
}
