import { formatLickText } from '~/codecs/lick-text'
import { foundLick } from '~/codecs/question'
import { findPhrase } from '~/core/changes'
import type { Lick } from '~/core/line'
import type { LickTexts } from '~/storage'
import { foundTitle } from '~/words/finder-words'
import type { FoundWay } from '~/workers'
import { turnTexts } from '~/workspace/turned'

/** A found fill as a lick in its frame, named by its groups; null where its line cannot be read. */
export function toFoundLick(frame: Lick, way: FoundWay | undefined): Lick | null {
  const phrase = way && findPhrase(way.line)
  return phrase ? foundLick(frame, phrase, foundTitle(phrase.groups)) : null
}

/**
 * A found fill as it is stored: what a player reads with the letters turned is turned back, so that the bench
 * shows what the finder showed.
 */
export function foundTexts(
  frame: Lick,
  way: FoundWay | undefined,
  turned: boolean,
): LickTexts | null {
  const lick = toFoundLick(frame, way)
  return lick && turnTexts({ text: formatLickText(lick), draft: null, voicing: '' }, turned)
}
