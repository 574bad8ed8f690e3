import type { TextIssue } from '~/codecs/lick-text'
import { showControls } from '~/core/foundation'

const SHOWN = 24

/** `Unexpected “Q”: type R, L, K, H, J, X or -`; where something is missing, `Expected a closing )`. */
export function faultWords({ code, found, expected }: TextIssue): string {
  if (found === '') return `Expected ${expected}`
  const verb = code === 'no-such-stroke' ? 'type' : 'expected'
  return `Unexpected “${showControls(found.slice(0, SHOWN))}”: ${verb} ${expected}`
}

/** Where a fault is: a character of the line, or a row of the text. */
export function faultPlace({ inLine, line }: TextIssue): string {
  return inLine ? `Character ${inLine.at + 1}` : `Row ${line} of the text`
}
