import { formatLickText } from '~/codecs/lick-text'
import { foundLick } from '~/codecs/question'
import { findPhrase } from '~/core/changes'
import { type Lick, lineEvents } from '~/core/line'
import { type PlayContext, speedLimit } from '~/core/playability'
import { orderOf } from '~/core/practice'
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
  return lick && stored(lick, turned)
}

/** A lick that was made with the letters turned or not, as it is stored. */
export function stored(lick: Lick, turned: boolean): LickTexts {
  return turnTexts({ text: formatLickText(lick), draft: null, voicing: '' }, turned)
}

/** Licks in the order in which they are learned: what can be played fastest, then with fewest kicks, then as they come. */
export function easiestFirst(licks: readonly Lick[], setting: PlayContext): Lick[] {
  const order = orderOf(
    licks.map((lick) => ({
      limit: speedLimit(lick, 'line', setting).bpm,
      kicks: lineEvents(lick).filter(({ limb }) => limb === 'RF').length,
      overdue: null,
    })),
    'easiest',
  )
  return order.flatMap((i) => licks[i] ?? [])
}
