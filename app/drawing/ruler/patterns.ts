import { type Groove, type PatternId, patternSlotsBetween } from '~/core/groove'
import type { Lick } from '~/core/line'
import { isHand, type SlotContent, strokeSurface, strokesInSlot } from '~/core/sticking'
import type { Ticks } from '~/core/time'
import { type Ruler, type RulerRow, xOf } from './layout'

/** The patterns under a line that have rows of their own, from the top, and the grooves that may be meant. */
export interface Under {
  readonly ids: readonly PatternId[]
  readonly grooves: readonly Groove[]
}

/** A slot of a pattern in its row; quiet where it only comes round again, or is silent. */
export interface PatternMark {
  readonly pattern: PatternId
  readonly x: number
  readonly tick: Ticks
  readonly content: SlotContent
  /** What its hands strike, where that is to be told. */
  readonly voices: string
  readonly quiet: boolean
}

/** The patterns of a row, slot by slot. */
export function patternMarks(
  lick: Lick,
  { ids, grooves }: Under,
  ruler: Ruler,
  row: RulerRow,
): PatternMark[] {
  return ids.flatMap((pattern) =>
    patternSlotsBetween(lick, pattern, grooves, row.from, row.to).map(
      ({ tick, content, first, sounds }): PatternMark => ({
        pattern,
        tick,
        content,
        voices: pattern === 'groove' ? handVoices(content) : '',
        x: xOf(ruler, row, tick) ?? 0,
        quiet: !first || !sounds,
      }),
    ),
  )
}

/** The slot of a pattern that stands nearest before an x of a row; undefined where it plays none. */
export function patternTickAt(
  lick: Lick,
  under: Under,
  ruler: Ruler,
  row: RulerRow,
  pattern: PatternId,
  x: number,
): Ticks | undefined {
  const half = ruler.slotWidth / 2
  return patternSlotsBetween(lick, pattern, under.grooves, row.from, row.to).findLast(
    ({ tick }) => (xOf(ruler, row, tick) ?? 0) - half <= x,
  )?.tick
}

/** What a pattern's row is called. */
export function patternName(pattern: PatternId): string {
  return pattern === 'groove' ? 'groove' : `layer ${pattern + 1}`
}

function handVoices(content: SlotContent): string {
  const hands = strokesInSlot(content).flatMap(({ stroke }) =>
    isHand(stroke.letter) ? [strokeSurface(stroke)] : [],
  )
  return [...new Set(hands)].join(' ')
}
