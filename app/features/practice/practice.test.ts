import { describe, expect, it } from 'vitest'
import { DEFAULT_SETTING } from '~/core/playing'
import type { LickLog } from '~/core/practice'
import { lickOf } from '../../../tests/support/licks'
import { pastLimit, planMinutes, rungsFor, toSteps } from './stages'

const LICK = lickOf('title: Ring\ntempo: 72\ngoal: 126\nline: RLRKK RLRKK')

describe('the steps of a build-up', () => {
  const steps = toSteps(LICK, 'parts', DEFAULT_SETTING)

  it('are said in words, each once, parts with their slots', () => {
    const words = steps.map((step) => step.words)
    expect(new Set(words).size).toBe(words.length)
    expect(words).toContain('a joint alone: slots 4 to 7')
    expect(words.at(-1)).toBe('in the bar, after groove: 1 + 1')
  })

  it('are played without a gap, or in their form', () => {
    for (const { part, played } of steps) {
      expect(played.frame.lead).toBe(part.form.kind === 'bars' ? 1 : 0)
      expect(played.line.slots.length % part.lick.line.slots.length).toBe(0)
    }
  })

  it('have minutes that grow with rungs and repeats', () => {
    const once = planMinutes(steps, [72], 8)
    expect(planMinutes(steps, [72], 16)).toBeCloseTo(2 * once, 9)
    expect(planMinutes(steps, [72, 72], 8)).toBeCloseTo(2 * once, 9)
    expect(once).toBeGreaterThan(0)
  })

  it('warn of rungs past what a step can be played at', () => {
    const feet = steps.find(({ part }) => part.kind === 'feet')
    expect(feet && pastLimit(feet, [72, 126, 400], DEFAULT_SETTING)).toEqual([400])
  })
})

describe('the rungs of a lick', () => {
  const log = (bestClean: number | null, tense: number | null): LickLog => ({
    lickId: 'a',
    sittings: 1,
    seconds: 60,
    lastAt: 0,
    bestClean,
    tense,
    dueAt: 0,
  })

  it('begin at the learning tempo, or where it was clean last', () => {
    expect(rungsFor(LICK, 'three', undefined)).toEqual([72, 95, 126])
    expect(rungsFor(LICK, 'three', log(null, 90))[0]).toBe(72)
    expect(rungsFor(LICK, 'percent', log(101, 113))).toEqual([101, 113, 126])
  })

  it('are one where there is no goal, or it is reached', () => {
    expect(rungsFor(lickOf('tempo: 90\nline: RL'), 'bpm', undefined)).toEqual([90])
    expect(rungsFor(LICK, 'bpm', log(140, null))).toEqual([140])
  })
})
