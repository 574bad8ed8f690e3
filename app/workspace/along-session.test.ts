import { describe, expect, it } from 'vitest'
import { EVEN, type LineStroke } from '~/core/timing'
import { type AlongLine, AlongSession } from './along-session'
import { SimulatedDrummer } from './simulated-drummer'

// Four sixteenths at 60 with a bar of rest after them: a tick is 60 / 10080 s, 2520 ticks are 250 ms.
const perTick = 1 / 10080
const strokes = (['RH', 'LH', 'RH', 'RF'] as const).map((limb, slot) => ({
  tick: slot * 2520,
  limb,
  slot,
  velocity: 80,
}))
const line: AlongLine = { rounds: [strokes], every: 50400 }
const ms = (late: number) => late / 1000 / perTick

/** Plays a round; the strokes so many milliseconds late. */
function play(session: AlongSession, round: number, late: readonly (number | null)[]) {
  for (const [i, off] of late.entries()) {
    const { tick, limb } = strokes[i] as LineStroke
    if (off !== null)
      session.hear({ since: round * line.every + tick + ms(off), secondsPerTick: perTick, limb })
  }
}

describe('playing along', () => {
  it('tells of a round once it is over, and not before', () => {
    const session = new AlongSession(line, 0)
    play(session, 0, [0, 8, -1, 12])
    session.reach(3 * 2520 + ms(150))
    expect(session.state().rounds).toEqual([])
    session.reach(3 * 2520 + ms(170))
    const [round] = session.state().rounds
    expect(round?.told.strokes.map(({ offsetMs }) => Math.round(offsetMs))).toEqual([0, 8, -1, 12])
    expect(round?.told.missed).toEqual([])
  })

  it('counts a stroke before the first slot to the round that it begins', () => {
    const session = new AlongSession(line, 0)
    play(session, 0, [-20, 0, 0, 0])
    play(session, 1, [-30, 0, 0, null])
    session.reach(line.every * 2)
    const [first, second] = session.state().rounds
    expect(first?.told.strokes[0]?.offsetMs).toBeCloseTo(-20)
    expect(second?.told.strokes[0]?.offsetMs).toBeCloseTo(-30)
    expect(second?.told.missed.map(({ slot }) => slot)).toEqual([3])
  })

  it('parts rounds without a gap halfway between the last stroke and the first', () => {
    // Sixteenths at 240, over and over: 62.5 ms apart.
    const fast = { ...line, every: 10080 }
    const session = new AlongSession(fast, 0)
    for (let stroke = 0; stroke < 12; stroke += 1) {
      const { limb } = strokes[stroke % 4] as LineStroke
      const off = stroke % 4 === 3 ? 25 : -25
      session.hear({
        since: stroke * 2520 + (off / 62.5) * 2520,
        secondsPerTick: perTick / 4,
        limb,
      })
    }
    session.reach(10080 * 4)
    const { rounds } = session.state()
    expect(rounds.map(({ number }) => number)).toEqual([0, 1, 2])
    for (const { told } of rounds) {
      expect(told.strokes.map(({ offsetMs }) => Math.round(offsetMs))).toEqual([-25, -25, -25, 25])
      expect([told.missed, told.extra]).toEqual([[], []])
    }
  })

  it('leaves out what is played between two rounds', () => {
    const session = new AlongSession(line, 0)
    session.hear({ since: 30000, secondsPerTick: perTick, limb: 'RH' })
    session.reach(line.every * 3)
    expect(session.state().rounds).toEqual([])
    play(session, 1, [0, 0, 0, 0])
    session.hear({ since: line.every + 30000, secondsPerTick: perTick, limb: 'LH' })
    session.reach(line.every * 2)
    expect(session.state().rounds[0]?.told.extra).toEqual([])
  })

  it('claims nothing of too few rounds, and a late limb of enough', () => {
    const session = new AlongSession(line, 0)
    for (let round = 0; round < 2; round += 1) play(session, round, [round, 14 + round, 0, 0])
    session.reach(line.every * 2)
    expect(session.state()).toMatchObject({ counted: 2, claims: { claims: [] } })
    for (let round = 2; round < 8; round += 1) play(session, round, [0, 14 + (round % 3), 0, 0])
    session.reach(line.every * 8)
    const { claims, counted } = session.state()
    expect(counted).toBe(8)
    expect(claims?.claims.some((one) => one.kind === 'offset' && one.limb === 'LH')).toBe(true)
  })

  it('counts rounds that were hardly played, and those at another tempo, for nothing', () => {
    const session = new AlongSession(line, 0)
    play(session, 0, [0, null, null, null])
    play(session, 1, [0, 0, 0, 0])
    session.reach(line.every * 2)
    expect(session.state()).toMatchObject({ counted: 1 })
    expect(session.state().rounds).toHaveLength(2)
    session.hear({ since: line.every * 2, secondsPerTick: perTick / 2, limb: 'RH' })
    session.hear({ since: line.every * 2 + 2520, secondsPerTick: perTick / 2, limb: 'LH' })
    session.reach(line.every * 3)
    expect(session.state().counted).toBe(1)
  })

  it('tells of the first round at a new tempo, whose first stroke came before its barline', () => {
    const session = new AlongSession(line, 0)
    play(session, 0, [0, 0, 0, 0])
    session.hear({ since: line.every - 20, secondsPerTick: perTick, limb: 'RH' })
    for (const { tick, limb } of strokes.slice(1))
      session.hear({ since: line.every + tick, secondsPerTick: perTick / 2, limb })
    session.reach(line.every * 2)
    const last = session.state().rounds.at(-1)
    expect(last?.secondsPerTick).toBe(perTick / 2)
    expect(last?.told.strokes.map(({ offsetMs }) => Math.round(offsetMs))).toEqual([-1, 0, 0, 0])
    expect(session.state().counted).toBe(1)
  })

  it('takes a known delay off, or finds it, and begins anew with another line', () => {
    for (const delay of [40, 'find'] as const) {
      const session = new AlongSession(line, delay)
      play(session, 0, [40, 40, 40, 40])
      session.reach(line.every)
      for (const { offsetMs } of session.state().rounds[0]?.told.strokes ?? [])
        expect(offsetMs).toBeCloseTo(0)
      session.begin(line, 0)
      expect(session.state()).toEqual({
        rounds: [],
        told: 0,
        claims: null,
        counted: 0,
        summary: null,
        cleanness: null,
        proposal: null,
        unsettled: 0,
        lost: 0,
      })
    }
  })

  it('proposes how it went, of the rounds since it was settled last', () => {
    const session = new AlongSession(line, 0)
    for (const round of [0, 1, 2]) play(session, round, [0, 2, -2, 3])
    session.reach(line.every * 3)
    expect(session.state()).toMatchObject({ proposal: 'clean', unsettled: 3 })
    session.settle()
    expect(session.state()).toMatchObject({ proposal: null, unsettled: 0, counted: 3 })
    for (const round of [3, 4, 5]) play(session, round, [0, 60, -60, 3])
    session.reach(line.every * 6)
    expect(session.state()).toMatchObject({ proposal: 'rough', unsettled: 3 })
    expect(session.state().summary).toMatchObject({ rounds: 6, meant: 24, hit: 24 })
  })

  it('tells nothing of a round in which sound was lost', () => {
    const session = new AlongSession(line, 0)
    play(session, 0, [0, 0, 0, 0])
    session.reach(line.every)
    play(session, 1, [0, 0])
    session.lose()
    play(session, 1, [null, null, 0, 0])
    play(session, 2, [0, 0, 0, 0])
    session.reach(line.every * 3)
    const { rounds, lost } = session.state()
    expect([rounds.map(({ number }) => number), lost]).toEqual([[0, 2], 1])
  })

  it('adds up what was played at one tempo without a break, and no more', () => {
    const session = new AlongSession(line, 0)
    const playAt = (round: number, perTickThen: number) => {
      for (const { tick, limb } of strokes)
        session.hear({ since: round * line.every + tick, secondsPerTick: perTickThen, limb })
    }
    for (const [round, tempo] of [perTick, perTick, perTick / 2, perTick].entries())
      playAt(round, tempo)
    session.reach(line.every * 4)
    expect(session.state().rounds).toHaveLength(4)
    expect(session.state().summary).toMatchObject({ rounds: 1, meant: 4 })
  })

  it('hears a simulated player, whose habit is found and no other', () => {
    const session = new AlongSession({ ...line, every: 10080 }, 0)
    const asked: number[] = []
    const habits = { ...EVEN, spreadMs: 5, delayMs: { LH: 15 } }
    const drummer = new SimulatedDrummer({ ...line, every: 10080 }, habits, 1)
    for (let since = -10080; since < 10080 * 40; since += 700) {
      const strokes = drummer.reach(since, perTick)
      if (strokes.length > 0) asked.push(since)
      for (const stroke of strokes) session.hear(stroke)
      session.reach(since)
    }
    // Each round is played once, when the music comes to it.
    expect([asked.length, asked[0]]).toEqual([40, 420])
    const { rounds, claims } = session.state()
    expect(rounds).toHaveLength(40)
    const [claim] = claims?.claims.filter(({ kind }) => kind === 'offset') ?? []
    expect(claim).toMatchObject({ kind: 'offset', limb: 'LH' })
    expect(claim?.kind === 'offset' && Math.abs(claim.meanMs - 15)).toBeLessThan(2)
    expect(claims?.claims.filter(({ kind }) => kind === 'offset')).toHaveLength(1)
  })

  it('leaves out the app’s own click, learnt in the count-in, and calls nothing missed that it covers', () => {
    const beats = [0, 10080]
    const clicks = { countIn: [-40320, -30240, -20160, -10080], round: beats }
    const heardWith = (struck: readonly LineStroke[]) => {
      const session = new AlongSession({ ...line, every: 20160, clicks }, 0)
      for (const tick of [...clicks.countIn, ...beats])
        session.hear({ since: tick + ms(40), secondsPerTick: perTick, attackDb: -30 })
      for (const { tick } of struck)
        session.hear({ since: tick + ms(3), secondsPerTick: perTick, attackDb: -12 })
      session.reach(20160 * 2)
      const told = session.state().rounds[0]?.told
      return [told?.strokes.length, told?.missed.length, told?.extra.length]
    }
    expect(heardWith(strokes)).toEqual([4, 0, 0])
    // The first is on a click; the second is not.
    expect(heardWith(strokes.slice(1))).toEqual([3, 0, 0])
    expect(heardWith(strokes.toSpliced(1, 1))).toEqual([3, 1, 0])
  })

  it('tells nothing of a round in which the sound stood still', () => {
    const session = new AlongSession(line, 0)
    const look = (tick: number, now: number) => session.follow(tick, perTick, now)
    look(0, 1000)
    play(session, 0, [0, 0, 0, 0])
    // 250 ms of music in 255 ms: the clock of the sound goes on in steps.
    look(2520, 1255)
    session.reach(line.every - 1)
    look(line.every, 6000)
    play(session, 1, [0, 0, 0, 0])
    look(line.every + 2520, 6350)
    session.reach(line.every * 2 - 1)
    const { rounds, lost } = session.state()
    expect([rounds.map(({ number }) => number), lost]).toEqual([[0], 1])
  })
})
