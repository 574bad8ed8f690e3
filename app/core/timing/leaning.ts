import type { HeardSummary } from './summary'

/** Leaning less than this is as written, and more than this is heard. */
const AS_WRITTEN = 0.1
const LEANS = 0.15

/**
 * From which tempo on the threes of a line lean towards triplets, in beats a minute, by what was heard of it
 * at several; null where they do not, or too little was heard to say. Every faster tempo that was heard has to
 * lean, and one that is slower must not: else it is no matter of tempo.
 *
 * @example as written at 88 and 96, leaning at 104 and 112: 104
 */
export function leansFrom(
  heard: readonly { readonly tempo: number; readonly heard: HeardSummary }[],
): number | null {
  const known = heard
    .flatMap(({ tempo, heard: { lean } }) => (lean ? [{ tempo, ...lean }] : []))
    .sort((a, b) => a.tempo - b.tempo)
  const leaning = ({ share, within }: (typeof known)[number]) =>
    share - within > 0 && share >= LEANS
  const last = known.findLastIndex((one) => !leaning(one))
  const from = known[last + 1]
  const before = known.filter(({ tempo }) => from && tempo < from.tempo)
  const written = before.some(({ share, within }) => share < AS_WRITTEN && within < LEANS)
  return from && written ? from.tempo : null
}
