import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import * as random from '../../../../tests/support/arbitraries'
import { lickOf } from '../../../../tests/support/licks'
import { pageAt, stagePages } from './pages'

const pages = (text: string, room: number) =>
  stagePages(lickOf(text), room).map(({ from, to }) => `${from}-${to}`)

describe('a line on the stage', () => {
  it.each([
    ['line: RLRL*8', 16, ['0-16', '16-32']],
    ['start: 3\nline: RLRL*4', 16, ['0-8', '8-16']],
    ['line: RLLRK RLK RLRLRL', 8, ['0-8', '8-14']],
    ['line: RLLRK RLK RLRLRL', 5, ['0-5', '5-8', '8-13', '13-14']],
    ['line: RLLRLRLLRLLR', 5, ['0-5', '5-10', '10-12']],
    ['line:', 8, []],
  ])('%s in pieces of %i is %o', (text, room, expected) =>
    expect(pages(text, room)).toEqual(expected),
  )

  it('has every slot in one piece, in order, and none longer than there is room', () => {
    fc.assert(
      fc.property(random.lick, fc.integer({ min: 1, max: 20 }), (lick, room) => {
        const found = stagePages(lick, room)
        const slots = found.flatMap(({ from, to }) =>
          Array.from({ length: to - from }, (_, i) => from + i),
        )
        expect(slots).toEqual(lick.line.slots.map((_, slot) => slot))
        for (const { from, to } of found) expect(to - from).toBeLessThanOrEqual(room)
      }),
    )
  })

  it('is turned with the music', () => {
    const found = stagePages(lickOf('line: RLLRK RLK RL'), 5)
    expect([pageAt(found, -1), pageAt(found, 4), pageAt(found, 5), pageAt(found, 9)]).toEqual([
      0, 0, 1, 1,
    ])
  })
})
