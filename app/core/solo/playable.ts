import { TEMPO_RANGE } from '../line'
import type { PlayContext } from '../playability'
import { judgeSolo } from './joins'
import { toSections } from './sections'
import type { Solo } from './solo'

/**
 * A solo at its own tempo, or where its player and kit do not bear that, at the highest whole tempo, in bpm, that they
 * do. Law: at the tempo that it has then nothing is too fast, but at the lowest tempo that there is.
 *
 * @example a solo at 140 that is playable up to 117.4 is at 117
 */
export function playableSolo(solo: Solo, setting: PlayContext): Solo {
  const { bottleneck } = judgeSolo(solo, toSections(solo), setting)
  if (!bottleneck || bottleneck.bpm >= solo.tempo) return solo
  return { ...solo, tempo: Math.max(TEMPO_RANGE.least, Math.floor(bottleneck.bpm)) }
}
