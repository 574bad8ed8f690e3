import type { Landing, Lick } from '~/core/line'
import { formatSlot } from '~/core/notation'
import { meterName } from '~/core/time'
import { gridWords } from './grid-words'
import { startPlace } from './places'

/** What a line goes into, in a sentence: `a crash`, `the groove`, `(>L:c1K)`. */
export function intoWords(landing: Landing): string {
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

/** A lick's frame in a row of words: `4/4 · sixteenths · from 2& · into a crash`. */
export function frameWords({ frame }: Lick): string {
  const { meter, grid, start, landing } = frame
  return [
    meterName(meter),
    gridWords(grid),
    ...(start === 0 ? [] : [`from ${startPlace({ frame })}`]),
    ...(landing.kind === 'none' ? [] : [`into ${intoWords(landing)}`]),
  ].join(' · ')
}
