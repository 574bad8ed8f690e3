import { textRows } from './rows'

/** A voice, which is passed over, or a hand's letter. */
const VOICE_OR_HAND = /:..(?:\/..)?|[RLrl]/gs
const OTHER: Readonly<Record<string, string>> = { R: 'L', L: 'R', r: 'l', l: 'r' }

/**
 * A text with right and left hand changed places in its line and ostinatos; also a text that cannot be
 * read yet. Voices, comments and everything else stay as typed. Law: twice is the same.
 */
export function turnHands(text: string): string {
  let turned = ''
  let from = 0
  for (const { known, value, valueFrom } of textRows(text)) {
    if (known !== 'line' && known !== 'under' && known !== 'under fill') continue
    turned += text.slice(from, valueFrom)
    turned += value.replace(VOICE_OR_HAND, (found) => OTHER[found] ?? found)
    from = valueFrom + value.length
  }
  return turned + text.slice(from)
}
