import { LANDING_WORDS } from '~/core/line'
import { type Key, textRows } from './rows'

/** A voice, which is passed over, or a hand's letter. */
const VOICE_OR_HAND = /:..(?:\/..)?|[RLrl]/gs
/** Keys whose values are strokes; a landing may be a word instead. */
const WITH_HANDS: ReadonlySet<Key> = new Set<Key>([
  'line',
  'pickup',
  'landing',
  'under',
  'under fill',
  'under groove',
])
const OTHER: Readonly<Record<string, string>> = { R: 'L', L: 'R', r: 'l', l: 'r' }

/**
 * A text with right and left hand changed places in its line and ostinatos; also a text that cannot be
 * read yet. Voices, comments and everything else stay as typed. Law: twice is the same.
 *
 * @example turnHands('line: RLLK') // 'line: LRRK'
 */
export function turnHands(text: string): string {
  let turned = ''
  let from = 0
  for (const { known, value, valueFrom } of textRows(text)) {
    if (!known || !WITH_HANDS.has(known)) continue
    if (known === 'landing' && LANDING_WORDS.some((word) => value.startsWith(word))) continue
    turned += text.slice(from, valueFrom)
    turned += value.replace(VOICE_OR_HAND, (found) => OTHER[found] ?? found)
    from = valueFrom + value.length
  }
  return turned + text.slice(from)
}
