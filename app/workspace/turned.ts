import { turnHands } from '~/codecs/lick-text'
import { turnVoicing } from '~/codecs/voicing'
import type { LickTexts } from '~/storage'

/**
 * A lick's texts as a player reads them: with the letters turned, right and left hand change places
 * in line, ostinatos and rules. What is stored stays as it was. Law: twice is the same.
 */
export function turnTexts<T extends LickTexts>(texts: T, turned: boolean): T {
  if (!turned) return texts
  return {
    ...texts,
    text: turnHands(texts.text),
    draft: texts.draft === null ? null : turnHands(texts.draft),
    voicing: turnVoicing(texts.voicing),
  }
}
