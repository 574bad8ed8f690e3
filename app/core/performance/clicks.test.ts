import { describe, expect, it } from 'vitest'
import { lickOf } from '../../../tests/support/licks'
import { frameTicks } from '../line'
import { toPerformance } from '.'
import { clicksOf, isDropped } from './clicks'

const clicks = (text: string, marks: Parameters<typeof clicksOf>[2], inEighths = false) => {
  const { frame } = lickOf(text)
  const { bar } = frameTicks(frame)
  return clicksOf(frame, bar, marks, false, { inEighths }).map(
    ({ tick, weight }) => `${tick} ${weight}`,
  )
}

describe('the click', () => {
  it('is on the beats of every metre, the bar and its groups heavier', () => {
    expect(clicks('meter: 4/4', 'beats')).toEqual([
      '0 bar',
      '10080 group',
      '20160 group',
      '30240 group',
    ])
    // A compound beat is three eighths.
    expect(clicks('meter: 6/8', 'beats')).toEqual(['0 bar', '15120 group'])
    expect(clicks('meter: 7/8 2+2+3', 'beats').filter((one) => /group/.test(one))).toEqual([
      '10080 group',
      '20160 group',
    ])
  })

  it('off the beat is in the middle of a beat, and on the last third of a beat of three', () => {
    expect(clicks('meter: 4/4', 'off-beats')).toEqual([
      '5040 between',
      '15120 between',
      '25200 between',
      '35280 between',
    ])
    expect(clicks('meter: 6/8', 'off-beats')).toEqual(['10080 between', '25200 between'])
    expect(clicks('meter: 12/8', 'off-beats')).toHaveLength(4)
    // It swings as the line does.
    expect(clicks('meter: 2/4\ngrid: 1/8\nswing: 66\nline: RL', 'off-beats')[0]).toBe(
      `${Math.round(10080 * 0.66)} between`,
    )
  })

  it('on every slot is on the grid that is counted, and sextuplets in eighths where that is wanted', () => {
    expect(clicks('meter: 2/4\ngrid: 1/16', 'slots')).toHaveLength(8)
    expect(clicks('meter: 2/4\ngrid: 1/16t', 'slots')).toHaveLength(12)
    expect(clicks('meter: 2/4\ngrid: 1/16t', 'slots', true)).toEqual([
      '0 bar',
      '5040 between',
      '10080 group',
      '15120 between',
    ])
  })

  it('in eighths or sixteenths is the same on every grid', () => {
    for (const grid of ['1/4', '1/8t', '1/16', '1/16q', '1/32n']) {
      expect(clicks(`meter: 2/4\ngrid: ${grid}`, 'eighths')).toEqual([
        '0 bar',
        '5040 between',
        '10080 group',
        '15120 between',
      ])
      expect(clicks(`meter: 2/4\ngrid: ${grid}`, 'sixteenths')).toHaveLength(8)
    }
    expect(clicks('meter: 6/8', 'eighths').map((one) => one.split(' ')[0])).toEqual(
      [0, 5040, 10080, 15120, 20160, 25200].map(String),
    )
    expect(clicks('meter: 2/4\nswing: 60', 'eighths')[1]).toBe('6048 between')
  })

  it('of groups is where each begins, wherever the line starts, swung as it is', () => {
    const between = (text: string) =>
      toPerformance(lickOf(text), {
        loop: true,
        countIn: false,
        click: { marks: 'groups', dropOut: null },
      })
        .round(0)
        .flatMap((event) =>
          event.kind === 'click' && event.weight === 'between' ? [event.tick] : [],
        )
    expect(between('lead: 1\nmeter: 2/4\nstart: 1&\nline: RLRLR LKK')).toEqual([
      20160 + 5040,
      20160 + 17640,
    ])
    expect(between('lead: 0\ngrid: 1/8\nswing: 60\nline: RLR LR LRL')).toEqual([16128, 26208])
    expect(between('lead: 0\nline: RLRL RLRL RLRL RLRL')).toEqual([])
  })

  it('is silent in the last bars of every so many, and never while it counts in', () => {
    const dropOut = { silent: 1, of: 4 }
    expect([-1, 0, 1, 2, 3, 4, 7].map((bar) => isDropped(dropOut, bar))).toEqual([
      false,
      false,
      false,
      false,
      true,
      false,
      true,
    ])
    expect(isDropped(null, 3)).toBe(false)
  })
})
