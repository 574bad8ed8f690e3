import { parseLickText } from '~/codecs/lick-text'
import type { Lick } from '~/core/line'
import { voiceLick } from '~/core/voicing'
import { parseVoicing } from './voicing'

/** A lick as it is stored, text and rules, laid on the kit; undefined where either cannot be read. */
export function findVoicedLick(stored: { text: string; voicing: string }): Lick | undefined {
  const [read, laid] = [parseLickText(stored.text), parseVoicing(stored.voicing)]
  return read.ok && laid.ok ? voiceLick(read.value.lick, laid.value) : undefined
}
