import type { TextIssue } from '~/codecs/lick-text'
import { showControls } from '~/core/foundation'

const SHOWN = 24

/** `Unexpected “Q”: type R, L, K, H, J, X or -`; where something is missing, `Expected a closing )`. */
export function faultWords({ code, found, expected }: TextIssue): string {
  const plain = PLAIN_WORDS[code]?.(found, expected)
  if (plain) return plain
  const hint = code === 'no-such-stroke' ? hintFor(found) : undefined
  if (hint) return `Unexpected “${showControls(found.slice(0, SHOWN))}”: ${hint}`
  if (found === '') return `Expected ${expected}`
  const verb = code === 'no-such-stroke' ? 'type' : 'expected'
  return `Unexpected “${showControls(found.slice(0, SHOWN))}”: ${verb} ${expected}`
}

/** Faults that say what to do in words of their own. */
const PLAIN_WORDS: Partial<Record<TextIssue['code'], (found: string, expected: string) => string>> =
  {
    'level-without-stroke': (found) => `Put ${found.trim() || '>'} before its letter`,
    'bar-check': (_, expected) => `No barline here: ${expected.replace(/^the barline/, 'it is')}`,
  }

/** What people mean by what is no stroke here; undefined where that is not known. */
function hintFor(found: string): string | undefined {
  const times = /^[x×]?(\d{1,3})$/.exec(found)?.[1]
  if (times) return `to repeat a group, type *${times} behind it`
  if (found === 'F') return 'type f before a letter for a flam, or K for the kick'
  if (found === 'D' || found === 'T')
    return `type ${found.toLowerCase()} before a letter for a ${found === 'D' ? 'drag' : 'ruff'}`
  if (found === 'B') return 'type K for the kick'
  if (found === 'S') return 'type R or L for a hand; a drum is :sn behind it'
  return undefined
}

/** Where a fault is: a character of the line, or a row of the text. */
export function faultPlace({ inLine, line }: TextIssue): string {
  return inLine ? `Character ${inLine.at + 1}` : `Row ${line} of the text`
}
