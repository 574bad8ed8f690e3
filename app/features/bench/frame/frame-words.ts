import type { Landing } from '~/core/line'
import { formatSlot } from '~/core/notation'

/** The parts of the frame, in the order of the sentence, with the key that opens each. */
export const PART_NAMES = {
  metre: { name: 'Metre', key: 'Alt M' },
  grid: { name: 'Grid', key: 'Alt G' },
  start: { name: 'Start', key: 'Alt S' },
  groove: { name: 'Groove', key: 'Alt R' },
  landing: { name: 'Landing', key: 'Alt O' },
  tempo: { name: 'Tempo', key: 'Alt T' },
} as const
export type FramePartId = keyof typeof PART_NAMES

/** What a line goes into, in a sentence: `a crash`, `the groove`, `(>L:c1K)`. */
export function landingWords(landing: Landing): string {
  const words = {
    crash: 'a crash',
    stop: 'a choked crash',
    groove: 'the groove',
    last: 'its last stroke',
    none: 'nothing',
    strokes: landing.kind === 'strokes' ? formatSlot(landing.slot) : '',
  }[landing.kind]
  return landing.at === 'beat' ? `${words} on a beat` : words
}
