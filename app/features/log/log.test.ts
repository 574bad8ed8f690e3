import { describe, expect, it } from 'vitest'
import { lickLogs, onGrid } from '~/core/log'
import { findGrid } from '~/core/time'
import { DEMO_LICKS } from '~/demo/licks'
import { demoSessions } from '~/demo/log'
import { toPracticeSession } from '~/live/practice-session'
import type { PracticeSessionRecord } from '~/storage'
import { dayOf } from '~/words/calendar'
import {
  type LoggedLick,
  toDueRows,
  toEvenness,
  toMinutes,
  toNeglected,
  toTempos,
} from './log-view'

const DAY = 24 * 60 * 60 * 1000
const NOW = new Date(2026, 10, 23, 12).getTime()
const session = (
  daysAgo: number,
  tempo: number,
  rating: PracticeSessionRecord['rating'],
  lickId = 'a',
): PracticeSessionRecord => ({
  id: `${lickId} ${daysAgo} ${tempo}`,
  version: 3,
  lickId,
  part: '',
  createdAt: NOW - daysAgo * DAY,
  step: '',
  tempo,
  repeats: 8,
  seconds: 90,
  rating,
  tense: false,
  grid: '1/16',
  form: '',
  note: '',
  heard: null,
})
const licks = [
  { id: 'a', title: 'Ring', goal: 100, grid: '1/16' },
  { id: 'b', title: 'Wheel', goal: null, grid: '1/16' },
]

/** The logs that the store derives from sessions, each on its lick's grid. */
const logsOf = (records: readonly PracticeSessionRecord[], of: readonly LoggedLick[] = licks) =>
  [...new Set(records.map(({ lickId }) => lickId))].flatMap((id) => {
    const grid = findGrid(of.find((lick) => lick.id === id)?.grid ?? '')
    const own = records.filter(({ lickId }) => lickId === id).map(toPracticeSession)
    return lickLogs(grid ? onGrid(own, grid) : own)
  })

describe('evenness over time', () => {
  const heardOn = (daysAgo: number, tempo: number, strokes: number, spreadMs: number) => ({
    ...session(daysAgo, tempo, 'clean'),
    heard: {
      rounds: 4,
      meant: 40,
      hit: 40,
      onTime: 40,
      extra: 0,
      limbs: [{ limb: 'LH' as const, strokes, meanMs: 0, spreadMs }],
    },
  })

  it('is a spread a day, weighed by strokes, with the best of each limb', () => {
    const { rows, best } = toEvenness(
      [
        heardOn(1, 90, 30, 8),
        heardOn(1, 96, 10, 16),
        heardOn(5, 80, 20, 14),
        session(3, 80, 'clean'),
      ],
      NOW,
    )
    // The root of (30 of 64 and 10 of 256) / 40.
    expect(rows.map(({ limbs }) => limbs)).toEqual([{ LH: 14 }, { LH: 10.6 }])
    expect(best).toEqual({ LH: 10.6 })
  })

  it('says nothing of a few strokes, and nothing where nobody heard', () => {
    expect(toEvenness([heardOn(1, 90, 7, 8), session(2, 90, 'rough')], NOW)).toEqual({
      rows: [],
      best: {},
    })
  })
})

describe('the log as it is shown', () => {
  it('lists what is due first, what is neglected, and nothing of deleted licks', () => {
    const rows = toDueRows(
      logsOf([
        session(1, 80, 'clean'),
        session(20, 60, 'rough', 'b'),
        session(2, 60, 'lost', 'gone'),
      ]),
      licks,
      NOW,
    )
    expect(rows.map(({ title, due, neglected }) => [title, due, neglected])).toEqual([
      ['Wheel', 'due 19 days ago', true],
      ['Ring', 'due today', false],
    ])
    const [tomorrow] = toDueRows(logsOf([session(0, 80, 'clean')]), licks, NOW)
    expect(tomorrow?.due).toBe('due tomorrow')
    const later = toDueRows(logsOf([session(1, 80, 'clean'), session(0, 80, 'clean')]), licks, NOW)
    expect(later[0]?.due).toBe('due in 2 days')
  })

  it('tells a lick that is due, though parts of it were practised since', () => {
    const whole = session(9, 80, 'clean')
    const part = { ...session(1, 80, 'clean'), part: 'hands 0-5' }
    const [row] = toDueRows(logsOf([whole, part]), licks, NOW)
    expect(row).toMatchObject({ due: 'due 8 days ago', inParts: true, neglected: false })
    for (const rating of ['clean', 'rough', 'lost'] as const) {
      const [again] = toDueRows(logsOf([whole, part, session(0, 80, rating)]), licks, NOW)
      expect(again).toMatchObject({ inParts: false })
    }
  })

  it('counts the minutes of four weeks', () => {
    const minutes = toMinutes([session(0, 80, null), session(0, 90, null)], NOW)
    expect(minutes).toHaveLength(28)
    expect(minutes.at(-1)).toEqual({ day: '23 Nov', minutes: 3 })
  })

  it('draws each day’s fastest, clean and other apart', () => {
    const tempos = toTempos(
      [session(1, 80, 'clean'), session(1, 84, 'clean'), session(1, 92, 'rough')],
      licks[0],
      NOW,
    )
    expect(tempos).toEqual([{ day: dayOf(NOW - DAY, NOW), clean: 84, other: 92 }])
  })
})

describe('a lick that changed its grid', () => {
  const [ring] = licks
  const now32 = ring ? [{ ...ring, grid: '1/32' }] : []

  it('is not taken to be twice as fast as it was played', () => {
    const before = [session(1, 84, 'clean')]
    expect(toTempos(before, now32[0], NOW)).toEqual([{ day: dayOf(NOW - DAY, NOW), clean: 42 }])
    expect(toDueRows(logsOf(before, now32), now32, NOW)[0]).toMatchObject({
      bestClean: 42,
      next: [42, 45],
    })
  })
})

describe('what was not practised lately', () => {
  it('is listed by days, what was never begun apart', () => {
    const { never, alone } = toNeglected(logsOf([session(20, 60, 'rough', 'b')]), licks, NOW)
    expect(never.map(({ title }) => title)).toEqual(['Ring'])
    expect(alone).toEqual([{ id: 'b', title: 'Wheel', days: 20 }])
    expect(
      toNeglected(logsOf([session(2, 60, null), session(1, 60, null, 'b')]), licks, NOW),
    ).toEqual({
      never: [],
      alone: [],
    })
  })
})

describe('the demo’s log', () => {
  const all = demoSessions()

  it('is of licks that are there, over four weeks, the same every time', () => {
    expect(demoSessions()).toEqual(all)
    const ids = new Set(DEMO_LICKS.map(({ id }) => id))
    for (const { lickId, daysAgo, tempo } of all) {
      expect(ids).toContain(lickId)
      expect(daysAgo).toBeGreaterThan(0)
      expect(daysAgo).toBeLessThan(28)
      expect(tempo).toBeGreaterThanOrEqual(20)
    }
    expect(Math.max(...all.map(({ daysAgo }) => daysAgo))).toBeGreaterThan(20)
  })
})
