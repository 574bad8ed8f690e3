import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { mirrorHands, phraseOf } from '~/core/changes'
import type { SlotContent } from '~/core/sticking'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { formatLickText, turnHands } from '.'

describe('turned hands', () => {
  it('change places in line and ostinatos, and nowhere else (C36)', () => {
    expect(turnHands('R:f1L:f1(RK)H')).toBe('L:f1R:f1(LK)H')
    expect(
      turnHands('title: Left Right\ngrid: 1/8t\nline: r:rs fR:t1/sn {RL} # R\nunder: @1/4 RL'),
    ).toBe('title: Left Right\ngrid: 1/8t\nline: l:rs fL:t1/sn {LR} # R\nunder: @1/4 LR')
  })

  it('twice are the text as it was, also one that cannot be read (law)', () => {
    const typed = fc.string({ unit: fc.constantFrom(...'RLrlKk:/(){}[]*@>_^- \n#t1sn') })
    fc.assert(
      fc.property(typed, (line) => {
        const text = `line: ${line}`
        expect(turnHands(turnHands(text))).toBe(text)
      }),
    )
  })

  it('are the mirrored line (law)', () => {
    fc.assert(
      fc.property(random.lick, (lick) => {
        const turned = lickOf(turnHands(formatLickText(lick)))
        const all = { from: 0, to: lick.line.slots.length }
        expect(turned.line.slots).toEqual(mirrorHands(phraseOf(lick.line, all)).slots)
        const { landing } = lick.frame
        const turn = (slots: readonly SlotContent[]) => mirrorHands({ slots, groups: [] }).slots
        expect(turned.pickup.slots).toEqual(turn(lick.pickup.slots))
        expect(turned.frame).toEqual({
          ...lick.frame,
          landing:
            landing.kind === 'strokes' ? { ...landing, slot: turn([landing.slot])[0] } : landing,
        })
      }),
    )
  })
})
