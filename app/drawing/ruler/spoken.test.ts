import { describe, expect, it } from 'vitest'
import { frameTicks, lickSlots } from '~/core/line'
import { COUNTING_SYSTEMS } from '~/core/time'
import { placeInBar, spokenPlace } from '~/words/places'
import { lickOf } from '../../../tests/support/licks'
import { spokenSlot } from './spoken'

const placeOf = (said: string) => said.replace(/, (rest|(?:right|left|either) hand|kick).*$/, '')

describe('a slot in words', () => {
  it('has the name that its place has everywhere, in every metre, grid and way of counting (law)', () => {
    for (const counting of COUNTING_SYSTEMS)
      for (const meter of ['4/4', '6/8', '7/8 2+2+3', '12/8', '5/4'])
        for (const grid of ['1/8', '1/16', '1/16t', '1/16q', '1/32']) {
          const lick = lickOf(`meter: ${meter}\ngrid: ${grid}\nbars: 1\nline: RL*8`)
          const said = lickSlots(lick)
            .filter(({ tick }) => tick < frameTicks(lick.frame).bar)
            .map((slot) => [slot, placeOf(spokenSlot(slot, lick, counting))] as const)
          expect(new Set(said.map(([, place]) => place)).size).toBe(said.length)
          for (const [{ tick }, place] of said) {
            const named = spokenPlace(placeInBar(lick, tick, counting))
            const plain = place.replace(/^beat (?=\d+$)/, '').replace(/^and of/, '& of')
            expect(plain).toBe(named.replace(/^the /, ''))
          }
        }
  })

  it('says the surface that sounds, the level and the graces', () => {
    const lick = lickOf('start: 3\nline: >R:t1 fl:f1 (RK) -')
    const [counting] = COUNTING_SYSTEMS
    if (!counting) throw new Error('no counting')
    expect(lickSlots(lick).map((slot) => spokenSlot(slot, lick, counting))).toEqual([
      'beat 3, right hand, accent, on tom 1',
      'e of 3, left hand, ghost, flam, on floor tom',
      'and of 3, right hand, on snare with kick, on bass drum',
      'a of 3, rest',
    ])
  })
})
