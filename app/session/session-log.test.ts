import { describe, expect, it } from 'vitest'
import type { Climb, Standing } from '~/core/practice'
import type { PracticeSessionRecord } from '~/storage'
import { SessionLog, type Training } from './session-log'

const BAR = 40320
const CLIMB: Climb = { rungs: 3, barTicks: BAR, repeatTicks: BAR, roundBars: 1, every: 4 }
const TEMPOS = [60, 80, 100]

function training(chosen: readonly Standing[] = [{ bar: 0, rung: 0 }], more = {}): Training {
  return {
    lickId: 'a',
    part: 'bar 0-16',
    words: 'all',
    grid: '1/16',
    form: 'over and over',
    compose: () => {
      throw new Error('nothing is composed to be logged')
    },
    music: 'all',
    tempos: TEMPOS,
    climb: CLIMB,
    beat: 10080,
    chosen,
    ...more,
  }
}

function log() {
  const saved = new Map<string, PracticeSessionRecord>()
  let id = 0
  const made = new SessionLog(
    (session) => saved.set(session.id, session),
    () => {
      id += 1
      return String(id)
    },
    () => 7,
  )
  return { made, saved: () => [...saved.values()] }
}

describe('the sessions of a training', () => {
  it('are worked out from the bars that sounded: repeats, seconds, the part by its key', () => {
    const { made, saved } = log()
    expect(made.look(training(), 2, 2.5 * BAR)).toBe(2)
    made.write()
    expect(saved()).toMatchObject([
      { part: 'bar 0-16', tempo: 60, repeats: 2, seconds: 10, rating: null, grid: '1/16' },
    ])
  })

  it('are one a rung: the rung before ends where the next begins', () => {
    const { made, saved } = log()
    made.look(training(), 3, 3.9 * BAR)
    made.look(training(), 4, 4.5 * BAR)
    made.write()
    expect(saved().map(({ tempo, repeats, seconds }) => [tempo, repeats, seconds])).toEqual([
      [60, 4, 16],
      [80, 0, 1.5],
    ])
  })

  it('have no trace of a simulated player, before, between or after what the player played', () => {
    const { made, saved } = log()
    made.leaveNoTrace(true)
    expect(made.look(training(), 1, 1.5 * BAR)).toBe(1)
    made.say(training(), { rating: 'clean' })
    made.say(training(), { tense: true })
    made.write()
    expect(saved()).toEqual([])
    // The player takes over in the middle: what counts begins there.
    made.leaveNoTrace(false)
    made.look(training(), 2, 2 * BAR)
    made.look(training(), 3, 3.5 * BAR)
    made.leaveNoTrace(true)
    made.look(training(), 3, 3.9 * BAR)
    made.look(training(), 5, 5.5 * BAR)
    made.write()
    expect(saved().map(({ repeats, seconds, rating }) => [repeats, seconds, rating])).toEqual([
      [1, 6, null],
    ])
    // A new start is whole again.
    made.leaveNoTrace(false)
    made.begin()
    made.look(training(), 0, 0.5 * BAR)
    made.write()
    expect(saved().at(-1)).toMatchObject({ repeats: 0, seconds: 2 })
  })

  it('shorter than a second are not written down, unless they were rated', () => {
    const { made, saved } = log()
    made.look(training(), 0, BAR / 10)
    made.write()
    expect(saved()).toEqual([])
    made.say(training(), { rating: 'rough' })
    expect(saved()).toMatchObject([{ rating: 'rough', seconds: 0.4 }])
  })

  it('take a rating before the first look, and keep it as they go on', () => {
    const { made, saved } = log()
    made.say(training(), { rating: 'clean' })
    made.look(training(), 1, 1.5 * BAR)
    made.write()
    expect(saved()).toMatchObject([{ rating: 'clean', seconds: 6, repeats: 1 }])
  })

  it('are rated, and the rating is taken back, while they go on and after the rung has changed', () => {
    const { made, saved } = log()
    made.look(training(), 1, 1.5 * BAR)
    made.say(training(), { tense: true })
    made.say(training(), { rating: 'lost' })
    made.unsay()
    expect(saved()).toMatchObject([{ rating: null, tense: true, seconds: 6 }])
    made.say(training(), { rating: 'clean' })
    made.look(
      training([
        { bar: 0, rung: 0 },
        { bar: 2, rung: 1 },
      ]),
      2,
      2.5 * BAR,
    )
    made.unsay()
    made.unsay()
    expect(saved()[0]).toMatchObject({ rating: null, tense: true, seconds: 8, tempo: 60 })
  })

  it('begin anew with each start, and where the tempo of a rung was changed', () => {
    const { made, saved } = log()
    made.look(training(), 0, BAR)
    made.write()
    made.begin()
    made.look(training(), 0, BAR)
    made.look(training(undefined, { tempos: [66] }), 1, 1.5 * BAR)
    made.write()
    expect(saved().map(({ tempo }) => tempo)).toEqual([60, 66])
  })

  it('have what was heard of them, each its own', () => {
    const { made, saved } = log()
    const heard = { rounds: 3, meant: 12, hit: 12, onTime: 11, extra: 0, limbs: [] }
    made.hear(heard)
    made.look(training(), 0, BAR)
    made.hear(heard)
    made.write()
    made.begin()
    made.look(training(), 0, BAR)
    made.write()
    expect(saved().map((one) => one.heard)).toEqual([heard, null])
  })

  it('remember what felt tense', () => {
    const { made, saved } = log()
    made.look(training(), 0, BAR)
    made.say(training(), { tense: true })
    made.say(training(), { rating: 'clean' })
    expect(saved()).toMatchObject([{ tense: true, rating: 'clean' }])
  })
})
