import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { minutesByDay } from '~/core/log'
import { calendarDays, dayOf, daysBetween, dueWords, midnight } from './calendar'

const HOUR = 3_600_000

describe.each(['Europe/Berlin', 'America/New_York', 'Pacific/Auckland', 'UTC'])(
  'days in %s',
  (zone) => {
    const before = process.env.TZ
    beforeEach(() => {
      process.env.TZ = zone
    })
    afterEach(() => {
      process.env.TZ = before ?? 'UTC'
    })

    it('follow each other without gap or overlap, through both changes of the clock (law)', () => {
      const now = new Date(2026, 11, 31, 12).getTime()
      const days = calendarDays(now, 365)
      for (const [i, { from, to }] of days.entries()) {
        expect(to).toBe(days[i + 1]?.from ?? midnight(now, 1))
        expect([23, 24, 25]).toContain((to - from) / HOUR)
      }
      expect(new Set(days.map(({ day }) => day)).size).toBe(365)
      const [first, last] = [days[0]?.from ?? 0, days.at(-1)?.to ?? 0]
      const all = minutesByDay([{ at: first, seconds: (last - first) / 1000 }], days)
      expect(all.reduce((sum, { minutes }) => sum + minutes, 0)).toBe((last - first) / 60_000)
    })

    it('are counted by the calendar, not by hours', () => {
      const tonight = new Date(2026, 2, 28, 23, 30).getTime()
      expect(daysBetween(tonight, new Date(2026, 2, 29, 0, 10).getTime())).toBe(1)
      expect(daysBetween(tonight, new Date(2026, 2, 30, 23, 59).getTime())).toBe(2)
      expect(daysBetween(tonight, tonight - 60_000)).toBe(0)
    })

    it('say when something is due: tonight is not tomorrow', () => {
      // The night of the 28th is the one in which Europe's clocks go forward.
      const noon = new Date(2026, 2, 28, 12).getTime()
      const at = (day: number, hour: number) =>
        dueWords(daysBetween(new Date(2026, 2, day, hour).getTime(), noon))
      expect([at(28, 0), at(28, 12), at(28, 23)]).toEqual(Array(3).fill('due today'))
      expect([at(29, 0), at(29, 23), at(30, 0)]).toEqual([
        'due tomorrow',
        'due tomorrow',
        'due in 2 days',
      ])
      expect([at(27, 23), at(27, 0), at(26, 23), at(13, 3)]).toEqual([
        'due yesterday',
        'due yesterday',
        'due 2 days ago',
        'due 15 days ago',
      ])
    })
  },
)

it('a day of another year says so', () => {
  const now = new Date(2026, 10, 26).getTime()
  expect(dayOf(new Date(2026, 10, 25).getTime(), now)).toBe('25 Nov')
  expect(dayOf(new Date(2024, 10, 25).getTime(), now)).toBe('25 Nov 2024')
  expect(dayOf(Number.NaN, now)).toBe('no date')
})
