import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { strokeEvents } from './events'
import { ostinatoSlotsBetween } from './ostinato-slots'

const slots = (text: string, from = 0, to = 40320) =>
  ostinatoSlotsBetween(lickOf(text), 0, from, to).map(({ tick, index, first }) => [
    tick,
    index,
    first,
  ])

describe('the slots of an ostinato', () => {
  it('stand where its pattern comes round, rests too', () => {
    expect(slots('line: RLRL*4\nunder: @1/4 -H')).toEqual([
      [0, 0, true],
      [10080, 1, true],
      [20160, 0, false],
      [30240, 1, false],
    ])
    expect(slots('start: 3\nline: RLRL*2\nunder fill: @1/4 KJK')).toEqual([
      [20160, 2, true],
      [30240, 0, true],
    ])
    expect(slots('line: RLRL*4', 0)).toEqual([])
  })

  it('have every stroke of the layer, and no other, at any stretch', () => {
    fc.assert(
      fc.property(random.lick, fc.nat(80_000), fc.nat(60_000), (lick, start, length) => {
        const from = start - 40_320
        for (const [layer, { scope }] of lick.ostinatos.entries()) {
          const begins = scope === 'fill' ? lick.frame.start : Number.NEGATIVE_INFINITY
          const all = ostinatoSlotsBetween(lick, layer, Number.NEGATIVE_INFINITY, 1e9)
          const struck = new Set(
            strokeEvents(lick).flatMap((event) =>
              // A squeezed slot may begin before the line does, and sound in part.
              event.layer === layer + 1 && event.slotTick >= begins ? event.slotTick : [],
            ),
          )
          const ticks = all.filter(({ content }) => content.kind !== 'rest').map(({ tick }) => tick)
          for (const tick of struck) expect(ticks).toContain(tick)
          expect(ostinatoSlotsBetween(lick, layer, from, from + length)).toEqual(
            all.filter(({ tick }) => tick >= from && tick < from + length),
          )
        }
      }),
      { numRuns: 60 },
    )
  })
})
