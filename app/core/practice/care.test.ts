import { describe, expect, it } from 'vitest'
import { lickOf } from '../../../tests/support/licks'
import { DEFAULT_SETTING } from '../playability'
import { findMeter, gridTicks, toMeter } from '../time'
import { buildUp, findPulsed, minutesSinceBreak, type Pulse, pulseOf, strainsAt } from '.'

describe('what a tempo asks of a limb (C54)', () => {
  it('is said where a limb has less time than it needs', () => {
    const lick = lickOf('groove: none\nlanding: none\nline: RLRL*4\nunder: @1/8 K')
    const [foot] = strainsAt(lick, 184, DEFAULT_SETTING)
    expect(foot?.move).toMatchObject({ limb: 'RF', needMs: 170 })
    expect(foot?.haveMs).toBeCloseTo(163.04, 2)
    expect(strainsAt(lick, 170, DEFAULT_SETTING)).toEqual([])
  })

  it('names each limb once, the worst first', () => {
    const lick = lickOf('groove: none\nlanding: none\nline: RRRRKKKK')
    const strained = strainsAt(lick, 200, DEFAULT_SETTING).map(({ move }) => move.limb)
    expect([...strained].sort()).toEqual(['RF', 'RH'])
    expect(strained[0]).toBe('RF')
  })
})

describe('breaks', () => {
  const minute = 60_000
  const session = (from: number, minutes: number) => ({ at: from * minute, seconds: minutes * 60 })

  it('are counted from the last pause of five minutes', () => {
    const sessions = [session(0, 10), session(20, 6), session(27, 3)]
    expect(minutesSinceBreak(sessions, 31 * minute)).toBe(11)
    expect(minutesSinceBreak(sessions, 36 * minute)).toBe(0)
    expect(minutesSinceBreak([], 36 * minute)).toBe(0)
  })

  it('do not count what is written as later than now', () =>
    expect(minutesSinceBreak([session(0, 2), session(90, 2)], 4 * minute)).toBe(4))
})

describe('the pulse', () => {
  const feet = (text: string) => lickOf(`${text}\nline: RLRK`).frame.meter
  it.each([
    ['meter: 4/4', 'H.H.H.H'],
    ['meter: 2/2', 'H.-.H.-'],
    ['meter: 7/8', 'H.-.H.-.H.-.-'],
    ['meter: 6/8', 'H.-.-.H.-.-'],
    ['meter: 3/4', 'H.H.H'],
  ])('in %s is %s', (text, expected) => {
    const { line } = pulseOf(feet(text))
    expect(line.slots.map(({ kind }) => (kind === 'rest' ? '-' : 'H')).join('.')).toBe(expected)
  })

  it.each([
    ['4/4', [0, 10080, 20160, 30240], [10080, 30240], [5040, 15120, 25200, 35280]],
    ['3/4', [0, 10080, 20160], [10080], [5040, 15120, 25200]],
    ['6/8', [0, 15120], [15120], [10080, 25200]],
    ['2/2', [0, 20160], [20160], [10080, 30240]],
    ['7/8', [0, 10080, 20160], [10080], [5040, 15120, 30240]],
  ])('goes on the beats of %s, on every second, or between them', (name, all, second, between) => {
    const meter = findMeter(name) ?? toMeter(4, 4)
    const ticks = (where: Pulse) => {
      const { line, grid } = pulseOf(meter, where)
      return line.slots.flatMap(({ kind }, i) => (kind === 'struck' ? [i * gridTicks(grid)] : []))
    }
    expect([ticks('beats'), ticks('second'), ticks('between')]).toEqual([all, second, between])
  })

  it('is laid under a line whose second foot is free, also under its feet alone', () => {
    expect(findPulsed(lickOf('RLRK'))?.ostinatos).toHaveLength(1)
    expect(findPulsed(lickOf('RLRK\nunder: @1/4 H'))).toBeUndefined()
    const parts = buildUp(lickOf('meter: 6/8\nline: RLK RLK'))
    const pulsed = parts.find(({ kind }) => kind === 'feet')
    expect(pulsed?.lick.ostinatos[0]?.line.slots).toHaveLength(6)
  })
})
