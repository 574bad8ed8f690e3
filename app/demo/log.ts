import { toRandomStream } from '~/core/foundation'
import type { Rating } from '~/core/log'

/** A session of the circus drummer; days are counted back from today. */
export interface DemoSession {
  readonly lickId: string
  readonly daysAgo: number
  readonly minute: number
  /** Which part of the build-up, by its key, and in words. */
  readonly part: string
  readonly step: string
  readonly tempo: number
  readonly repeats: number
  readonly seconds: number
  readonly rating: Rating
  readonly tense: boolean
  readonly grid: string
  readonly form: string
  readonly note: string
}

const PRACTISED = [
  { lickId: 'demo-tightrope', grid: '1/16', slots: 10, from: 72, to: 108, since: 27 },
  { lickId: 'demo-teeterboard', grid: '1/16t', slots: 12, from: 66, to: 92, since: 26 },
  { lickId: 'demo-parade', grid: '1/16', slots: 6, from: 76, to: 95, since: 19 },
  { lickId: 'demo-five-rings', grid: '1/16', slots: 9, from: 70, to: 84, since: 11 },
  { lickId: 'demo-cannon-exit', grid: '1/32', slots: 16, from: 58, to: 63, since: 24 },
] as const
const STEPS = [
  ['hands', 'hands alone', 'over and over'],
  ['together', 'on one surface', 'over and over'],
  ['bar', 'in the bar, after groove: 1 + 1', '1 + 1'],
] as const
const NOTES = {
  rough: ['the left drags', 'kick ahead of the floor tom', ''],
  lost: ['came out a slot early', 'two shows today, tired', ''],
} as const
const DAYS = 28
/** Show days leave no time: two evenings a week without practice, and a week of travel for one lick. */
const RESTS = new Set([2, 6, 9, 13, 16, 20, 23])

/** Four weeks of a drummer between shows: a lick or two most days, slowly faster, with bad days. */
export function demoSessions(): DemoSession[] {
  const random = toRandomStream(20_261_027)
  const sessions: DemoSession[] = []
  for (let daysAgo = DAYS - 1; daysAgo >= 1; daysAgo -= 1) {
    if (RESTS.has(daysAgo)) continue
    let minute = 17 * 60 + Math.floor(random() * 40)
    for (const { lickId, grid, slots, from, to, since } of PRACTISED) {
      // What came later was begun later; the cannon was left alone these two weeks.
      const neglected = lickId === 'demo-cannon-exit' && daysAgo < 15
      if (daysAgo > since || neglected || random() < 0.45) continue
      const grown = from + ((to - from) * (since - daysAgo)) / since
      const top = Math.round(grown + (random() - 0.5) * 6)
      const [kind, step, form] = STEPS[
        Math.min(2, Math.floor(random() * 3.4))
      ] as (typeof STEPS)[number]
      // Up three rungs: the lower ones are clean, the top one as the day will have it.
      for (const below of [12, 6, 0]) {
        const tempo = top - below
        const luck = random() + (below > 0 ? 0 : 0.28)
        const rating: Rating = luck < 0.9 ? 'clean' : luck < 1.18 ? 'rough' : 'lost'
        const repeats = 16 + Math.floor(random() * 32)
        const seconds = Math.round((repeats * 8 * 60) / tempo)
        const tense = rating !== 'clean' && random() < 0.4
        const notes = rating === 'clean' ? [''] : NOTES[rating]
        const note = notes[Math.floor(random() * notes.length)] as string
        const part = `${kind} 0-${slots}`
        const played = { lickId, grid, part, step, form, tempo, repeats, seconds }
        sessions.push({ ...played, daysAgo, minute, rating, tense, note })
        minute += Math.ceil(seconds / 60) + 1
      }
    }
  }
  return sessions
}
