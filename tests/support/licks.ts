import { parseLickText } from '~/codecs/lick-text'
import type { Lick } from '~/core/line'

/** A lick from its text; throws where the text is refused, so that a test says why. */
export function lickOf(text: string): Lick {
  const read = parseLickText(text)
  if (!read.ok) throw new Error(JSON.stringify(read.error))
  return read.value.lick
}
