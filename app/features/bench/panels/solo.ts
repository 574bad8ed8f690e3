import { fillTo, type Phrase } from '~/core/changes'
import { lcm } from '~/core/foundation'
import { EMPTY_LINE, frameTicks, type Lick, NO_GROOVE } from '~/core/line'
import { gridTicks, STRAIGHT } from '~/core/time'

const MAX_BARS = 16

/**
 * A phrase by itself in the lick's metre and grid: no groove, no landing, over and over until it
 * meets the barline again, so that the loop has no hole; after sixteen bars at the latest.
 */
export function soloLick({ frame }: Lick, phrase: Phrase): Lick {
  const { bar } = frameTicks(frame)
  const slot = gridTicks(frame.grid)
  const length = phrase.slots.length * slot
  const bars = length === 0 ? 1 : Math.min(MAX_BARS, lcm(length, bar) / bar)
  return {
    title: '',
    tags: [],
    kit: null,
    ostinatos: [],
    pickup: EMPTY_LINE,
    parts: [],
    unknown: [],
    line: { ...fillTo(phrase, Math.floor((bars * bar) / slot)), gridChanges: [] },
    frame: {
      ...frame,
      start: 0,
      stop: null,
      lead: 0,
      groove: NO_GROOVE,
      bars,
      swing: STRAIGHT,
      swells: [],
      landing: { kind: 'none', at: 'bar' },
    },
  }
}
