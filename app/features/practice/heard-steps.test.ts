import { describe, expect, it } from 'vitest'
import { DEFAULT_SETTING } from '~/core/playability'
import { buildUp, planSteps } from '~/core/practice'
import { diagnose } from '~/core/timing'
import type { PracticeSessionRecord } from '~/storage'
import { lickOf } from '../../../tests/support/licks'
import { heardBefore, heardSteps, stepToWork } from './heard-steps'

const NOW = 1_790_000_000_000
const DAY = 24 * 60 * 60 * 1000
const heard = (onTime: number) => ({
  rounds: 8,
  meant: 100,
  hit: 100,
  onTime,
  extra: 0,
  limbs: [],
})
const session = (part: string, daysAgo: number, onTime: number | null) =>
  ({
    part,
    tempo: 90,
    createdAt: NOW - daysAgo * DAY,
    heard: onTime === null ? null : heard(onTime),
  }) as PracticeSessionRecord

describe('what was heard of the steps of a lick', () => {
  it('is of the last two weeks, and of what was heard', () => {
    const sessions = [
      session('together 0-16', 1, 96),
      session('bar 0-16', 2, 71),
      session('bar 0-16', 20, 10),
      session('bar 0-16', 1, null),
      session('nonsense', 1, 50),
    ]
    const steps = heardSteps(sessions, NOW)
    expect(steps.map(({ kind }) => kind)).toEqual(['together', 'bar'])
    expect(diagnose(steps)).toMatchObject({ work: 'moves', easy: 0.96, hard: 0.71 })
  })

  it('is held against the session before, of the same part', () => {
    const sessions = [
      session('bar 0-16', 5, 60),
      session('bar 0-16', 2, 70),
      session('bar 0-16', 1, null),
      session('together 0-16', 1, 90),
      session('bar 0-16', 0, 99),
    ]
    const begun = NOW - DAY / 2
    expect(heardBefore(sessions, 'bar 0-16', begun)?.onTime).toBe(70)
    expect(heardBefore(sessions, 'hands 0-16', begun)).toBeNull()
  })

  it('leads to the step that works on it, where the plan has one', () => {
    const lick = lickOf('line: R:t1LR:t2L KR:f1LK R:t1LR:t2L KR:f1LK')
    const planned = planSteps(buildUp(lick, 'parts', DEFAULT_SETTING), [])
    const kindAt = (at: number | null) => (at === null ? null : planned[at]?.part.kind)
    expect(kindAt(stepToWork({ work: 'sticking', hard: 0.7 }, planned))).toBe('together')
    expect(kindAt(stepToWork({ work: 'moves', easy: 1, hard: 0.7 }, planned))).toBe('right-voices')
    expect(stepToWork({ work: 'tempo', easy: 1, hard: 0.5, tempo: 80 }, [])).toBeNull()
    const skipped = planned.map((one) => ({ ...one, skipped: true }))
    expect(stepToWork({ work: 'sticking', hard: 0.7 }, skipped)).toBeNull()
  })
})
