import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lineEvents } from '~/core/line'
import { grooveBars, toSections } from '~/core/solo'
import { toMeter } from '~/core/time'
import { lick } from '../../tests/support/arbitraries'
import { lickOf } from '../../tests/support/licks'
import { solo } from '../../tests/support/solos'
import { turnLick } from './turned'

const HANDS: Readonly<Record<string, string>> = { RH: 'LH', LH: 'RH' }

describe('a lick whose hands change places', () => {
  it('is struck by the other hand where a hand strikes, and as before by the feet', () => {
    const given = lickOf('line: R l K >R')
    expect(lineEvents(turnLick(given)).map(({ limb, dynamic }) => [limb, dynamic])).toEqual([
      ['LH', 'tap'],
      ['RH', 'ghost'],
      ['RF', 'tap'],
      ['LH', 'accent'],
    ])
  })

  it('keeps a groove that goes on to its barline, which no text can say', () => {
    const groove = grooveBars('eighths', toMeter(4, 4), 3)
    expect(turnLick(groove)).toEqual(groove)
  })

  it('is itself again when it is turned twice, at the same ticks, in its own frame (law)', () => {
    const any = fc.oneof(
      lick,
      solo.chain((one) => fc.constantFrom(...toSections(one).map((section) => section.lick))),
    )
    fc.assert(
      fc.property(any, (given) => {
        const turned = turnLick(given)
        // The strokes of a landing of its own are turned too.
        expect({ ...turned.frame, landing: null }).toEqual({ ...given.frame, landing: null })
        const back = turnLick(turned)
        expect([back.line.slots, back.frame]).toEqual([given.line.slots, given.frame])
        const struck = lineEvents(given).map(({ tick, limb }) => `${tick} ${HANDS[limb] ?? limb}`)
        expect(
          lineEvents(turned)
            .map(({ tick, limb }) => `${tick} ${limb}`)
            .sort(),
        ).toEqual(struck.sort())
      }),
      { numRuns: 150 },
    )
  })
})
