import { formatLickText, parseLickText, turnHands } from '~/codecs/lick-text'
import { turnVoicing } from '~/codecs/voicing'
import { DEFAULT_FRAME, type Lick } from '~/core/line'
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

/**
 * A lick as `turnTexts` turns its text. Its tempo, its goal and where its groove stops stay, whatever a text can
 * say of them: a part of a solo that is groove alone goes on to its barline, at the tempo of the solo.
 */
export function turnLick(lick: Lick): Lick {
  const { tempo, goal, stop } = lick.frame
  const sayable = { ...lick.frame, tempo: DEFAULT_FRAME.tempo, goal: null, stop: null }
  const read = parseLickText(turnHands(formatLickText({ ...lick, frame: sayable })))
  if (!read.ok) return lick
  const turned = read.value.lick
  return { ...turned, frame: { ...turned.frame, tempo, goal, stop } }
}
