import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  dueAfter,
  lickLogs,
  logOfLick,
  minutesByDay,
  neglectedLicks,
  notAhead,
  onGrid,
  type PracticeSession,
  type Rating,
  speedJump,
} from '.'

describe('the log', () => {
  const DAY = 24 * 60 * 60 * 1000
  const session = (
    day: number,
    tempo: number,
    rating: Rating | null,
    lickId = 'a',
    more: Partial<PracticeSession> = {},
  ): PracticeSession => ({
    id: `${lickId} ${day} ${tempo}`,
    lickId,
    at: day * DAY,
    part: '',
    step: '',
    tempo,
    repeats: 8,
    seconds: 60,
    rating,
    tense: false,
    grid: '',
    ...more,
  })

  it('knows the best clean tempo, what is tense since, and what is due', () => {
    const [b, a] = lickLogs([
      session(3, 101, 'clean'),
      session(1, 90, 'clean'),
      session(2, 100, 'rough'),
      session(3, 113, 'rough'),
      session(0, 80, 'lost', 'b'),
    ])
    expect(b).toMatchObject({ lickId: 'b', bestClean: null, dueAt: 0 })
    expect(a).toMatchObject({ bestClean: 101, tense: 113, sessions: 4, seconds: 240 })
    expect(a?.dueAt).toBe(4 * DAY)
  })

  it.each<[number, Rating | null, number]>([
    [1, 'clean', 1],
    [2, 'clean', 2],
    [3, 'clean', 4],
    [9, 'clean', 16],
    [0, 'rough', 1],
    [0, null, 1],
    [0, 'lost', 0],
  ])('after %i clean in a row and %s at last it is due in %i days', (row, last, days) =>
    expect(dueAfter(row, last)).toBe(days),
  )

  it('counts the rungs of one evening as one time', () => {
    const evening = (day: number) =>
      [72, 78, 84].map((tempo, i) => session(day + i / 48, tempo, 'clean'))
    const [log] = lickLogs([...evening(0), ...evening(1), ...evening(3)])
    expect(log?.dueAt).toBe((3 + 2 / 48 + 4) * DAY)
  })

  it('tells the minutes of every day, also of days without any, split at midnight', () => {
    const day = (n: number) => ({ day: String(n), from: n * DAY, to: (n + 1) * DAY })
    const late = { at: DAY - 600_000, seconds: 1200 }
    const sessions = [session(1, 80, null), session(1, 90, null), session(9, 90, null), late]
    expect(minutesByDay(sessions, [day(0), day(1), day(2)])).toEqual([
      { day: '0', minutes: 10 },
      { day: '1', minutes: 12 },
      { day: '2', minutes: 0 },
    ])
  })

  it('is not led astray by a clock that was a year ahead', () => {
    const [first, ahead] = [session(1, 80, 'clean'), session(366, 90, 'clean')]
    expect(notAhead([first, ahead], 2 * DAY)).toEqual([first])
    const [alone] = lickLogs(notAhead([ahead], 2 * DAY))
    expect(alone?.dueAt).toBe(3 * DAY)
  })

  it('is of one lick the same from one place: on its grid, in any order, without what is ahead (law)', () => {
    const at = fc.integer({ min: 0, max: 400 })
    const tempo = fc.integer({ min: 40, max: 200 })
    const rating = fc.constantFrom('clean', 'rough', 'lost', null)
    fc.assert(
      fc.property(fc.array(fc.tuple(at, tempo, rating), { maxLength: 12 }), (rows) => {
        const sessions = rows.map(([day, bpm, how]) => session(day, bpm, how))
        const now = 200 * DAY
        const known = sessions.filter(({ at: when }) => when <= now + DAY)
        const log = logOfLick(sessions, null, now)
        expect(logOfLick([...sessions].reverse(), null, now)?.bestClean).toBe(log?.bestClean)
        if (known.length > 0) expect(log).toEqual(lickLogs(known)[0])
        const clean = known.filter((one) => one.rating === 'clean').map((one) => one.tempo)
        if (known.length > 0)
          expect(log?.bestClean ?? null).toBe(clean.length > 0 ? Math.max(...clean) : null)
      }),
    )
  })

  it('tells clean, tense and due by step, and the lick by its whole in the bar', () => {
    const [log] = lickLogs([
      session(1, 120, 'clean', 'a', { part: 'feet 0-16' }),
      session(1, 84, 'clean', 'a', { part: 'bar 0-16' }),
      session(2, 100, 'rough', 'a', { part: 'hands 0-16' }),
    ])
    expect(log).toMatchObject({ bestClean: 84, tense: null, dueAt: 2 * DAY })
    const steps = log?.steps.map(({ part, bestClean, tense }) => [part, bestClean, tense])
    expect(steps).toEqual([
      ['feet 0-16', 120, null],
      ['hands 0-16', null, 100],
    ])
    const [alone] = lickLogs([session(1, 120, 'clean', 'a', { part: 'feet 0-16' })])
    expect(alone).toMatchObject({ bestClean: null, dueAt: 2 * DAY })
  })

  it('takes a version that was clean in the bar for the lick, and no other version', () => {
    const version = (rating: Rating, form: string, more = {}) =>
      lickLogs([
        session(1, 84, 'clean', 'a', { part: 'bar 0-16' }),
        session(2, 100, rating, 'a', { part: 'version x', form, ...more }),
      ])[0]?.bestClean
    expect(version('clean', '1 + 1')).toBe(100)
    expect(version('clean', 'in every bar')).toBe(100)
    expect(version('clean', 'over and over')).toBe(84)
    expect(version('rough', '1 + 1')).toBe(84)
    expect(version('clean', '1 + 1', { tense: true })).toBe(84)
  })

  it('does not push the date out for a tense clean, nor for one below what was reached', () => {
    const before = [session(0, 80, 'clean'), session(1, 84, 'clean')]
    const due = (more: PracticeSession[]) => lickLogs([...before, ...more])[0]?.dueAt
    expect(due([])).toBe(3 * DAY)
    expect(due([session(2, 88, 'clean')])).toBe(6 * DAY)
    expect(due([session(2, 88, 'clean', 'a', { tense: true })])).toBe(3 * DAY)
    expect(due([session(2, 60, 'clean')])).toBe(3 * DAY)
    // Where the date has passed, it comes again tomorrow.
    expect(due([session(5, 60, 'clean')])).toBe(6 * DAY)
  })

  it('takes a clean session that was tense for tense (C53)', () => {
    const [log] = lickLogs([
      session(1, 101, 'clean'),
      session(2, 113, 'clean', 'a', { tense: true }),
    ])
    expect(log).toMatchObject({ bestClean: 101, tense: 113 })
  })

  it('reads tempos of another grid as the same speed on this one (hard case 22)', () => {
    const [sixteenth, thirtySecond] = [
      { value: 16, tuplet: null },
      { value: 32, tuplet: null },
    ] as const
    const before = [session(1, 54, 'clean', 'a', { grid: '1/16' }), session(2, 60, 'clean')]
    expect(onGrid(before, thirtySecond).map(({ tempo }) => tempo)).toEqual([27, 60])
    expect(onGrid(onGrid(before, thirtySecond), sixteenth)[0]?.tempo).toBe(54)
    const jump = speedJump({ tempo: 54, grid: sixteenth }, { tempo: 58, grid: thirtySecond })
    expect(jump).toBeCloseTo(2.148, 3)
  })

  it('lists what was not practised lately, the never practised first', () => {
    const logs = lickLogs([session(1, 80, 'clean'), session(9, 80, 'clean', 'b')])
    expect(neglectedLicks(['b', 'a', 'new'], logs, (at) => 20 - at / DAY, 11)).toEqual([
      { lickId: 'new', days: null },
      { lickId: 'a', days: 19 },
    ])
  })
})
