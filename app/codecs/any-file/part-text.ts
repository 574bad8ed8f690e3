import { type DrumPart, type PartLick, type PartWish, partToLick } from '~/core/drum-parts'
import { formatLickText, parseLickText } from '../lick-text'

/** The tag of licks whose hands were proposed. */
export const PROPOSED_TAG = 'sticking proposed'

/** A drum part as the text of a lick, and what there is to know about it. */
export interface PartText extends Omit<PartLick, 'lick'> {
  readonly text: string
  /** Whether the lick travelled in the file, and its notes are still as they were. */
  readonly own: boolean
}

/**
 * The lick of a drum part: the one that the file carries, where its notes are still those of that lick and
 * nothing else is wished; else what its notes come to. Hands that were proposed are told by a tag.
 */
export function partText(part: DrumPart, wish: PartWish = {}): PartText {
  const told = wish.grid || (wish.voices && wish.voices.size > 0)
  if (part.own !== undefined && !told && parseLickText(part.own).ok)
    return { text: part.own, own: true, offsetsMs: [], handsProposed: false, leftOut: [] }
  const { lick, ...rest } = partToLick(part, wish)
  const tags = rest.handsProposed ? [...lick.tags, PROPOSED_TAG] : lick.tags
  return { ...rest, own: false, text: formatLickText({ ...lick, tags }) }
}
