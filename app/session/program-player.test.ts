import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { toPerformance } from '~/core/performance'
import { lickOf } from '../../tests/support/licks'
import { SilentDevice, savedLog, settled } from '../../tests/support/played-sound'
import type { Program } from './program'
import { ProgramPlayer } from './program-player'

const LICK = lickOf('line: RLRL*4')
const BAR = 40320

function program(more: Partial<Program> = {}): Program {
  return {
    lickId: 'a',
    part: 'bar 0-16',
    words: 'in the bar',
    grid: '1/16',
    form: 'over and over',
    compose: () =>
      toPerformance(LICK, {
        loop: true,
        countIn: true,
        click: { marks: 'beats', dropOut: null },
        grooves: [],
        swapsGroove: false,
      }),
    music: 'a',
    tempos: [60, 80, 100],
    climb: { rungs: 3, barTicks: BAR, repeatTicks: BAR, roundBars: 1, every: null },
    beat: BAR / 4,
    ...more,
  }
}

function setUp(opening?: Promise<unknown>) {
  const device = new SilentDevice()
  const { log, sessions } = savedLog()
  const player = new ProgramPlayer(device.open(opening), log, device.clock)
  player.take(program())
  return { device, player, sessions, log }
}

describe('a program that is played', () => {
  it('counts in, climbs where a rating says so, and is logged rung by rung', async () => {
    const { device, player, sessions } = setUp()
    player.begin()
    await settled()
    device.advance(BAR)
    expect(sessions()).toEqual([])
    device.advance(2 * BAR + BAR / 2)
    player.rate('clean')
    expect([player.rung, player.tempo, player.nextTempo]).toEqual([1, 60, 80])
    device.advance(BAR / 2 + 2 * BAR)
    expect([player.rung, player.tempo, player.nextTempo]).toEqual([1, 80, null])
    player.stop()
    expect(sessions().map((one) => [one.tempo, one.repeats, one.seconds, one.rating])).toEqual([
      [60, 3, 12, 'clean'],
      [80, 2, 6, null],
    ])
  })

  it('is silent when it was stopped while the sound opened, and plays what was wanted last', async () => {
    let open = () => {}
    const { device, player } = setUp(
      new Promise<void>((resolve) => {
        open = resolve
      }),
    )
    player.begin()
    player.stop()
    player.begin()
    player.take(program({ music: 'b', tempos: [90], part: 'b' }))
    player.stop()
    open()
    await settled()
    expect([device.performance, player.state().playing]).toEqual([null, false])
    player.begin()
    await settled()
    expect([device.performance !== null, player.tempo, player.state().playing]).toEqual([
      true,
      90,
      true,
    ])
  })

  it('begins anew with another music, and goes over where the sound alone is another', async () => {
    const { device, player, sessions } = setUp()
    player.begin()
    await settled()
    device.advance(3 * BAR)
    const before = device.performance
    player.take(program({ compose: program().compose }))
    expect([device.performance === before, device.tick]).toEqual([false, 3 * BAR])
    player.take(program({ music: 'b', part: 'b' }))
    await settled()
    expect(device.tick).toBe(0)
    device.advance(2 * BAR)
    player.stop()
    expect(sessions().map(({ part, seconds }) => [part, seconds])).toEqual([
      ['bar 0-16', 8],
      ['b', 4],
    ])
  })

  it('is silent without a program, and says nothing of what never sounded', () => {
    const { player, sessions } = setUp()
    player.take(null)
    player.begin()
    player.rate('clean')
    expect([player.state().playing, player.rung, sessions()]).toEqual([false, 0, []])
  })

  const act = fc.oneof(
    {
      weight: 5,
      arbitrary: fc.record({
        kind: fc.constant('play' as const),
        by: fc.integer({ min: 500, max: 3 * BAR }),
      }),
    },
    fc.record({
      kind: fc.constantFrom('clean', 'rough', 'lost', 'start', 'stop', 'faster'),
      by: fc.constant(0),
    }),
  )

  it('logs the seconds that sounded, no more and no fewer, whatever is done (law)', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(act, { maxLength: 14 }), async (acts) => {
        const { device, player, sessions } = setUp()
        let shift = 0
        for (const { kind, by } of acts) {
          if (kind === 'play') device.advance(by)
          if (kind === 'start') player.begin()
          if (kind === 'stop') player.stop()
          if (kind === 'faster') {
            shift += 5
            player.take(program({ tempos: [60 + shift, 80 + shift, 100 + shift] }))
          }
          if (kind === 'clean' || kind === 'rough' || kind === 'lost') player.rate(kind)
          await settled()
        }
        player.stop()
        player.close()
        const logged = sessions().reduce((sum, { seconds }) => sum + seconds, 0)
        // Each session is rounded to tenths; less than a second was only tried, unless it was rated.
        const starts = acts.filter(({ kind }) => kind !== 'play').length + 1
        expect(logged).toBeGreaterThanOrEqual(device.soundedSeconds - starts * 1.05)
        expect(logged).toBeLessThanOrEqual(device.soundedSeconds + sessions().length * 0.05 + 0.01)
      }),
      { numRuns: 150 },
    )
  })

  it('stands on the rung that its bars and ratings say, however often it is looked at (law)', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(act, { maxLength: 12 }),
        fc.constantFrom(null, 2),
        async (acts, every) => {
          const climb = { ...program().climb, every }
          const seen = await Promise.all(
            [200, 420, 5000].map(async (step) => {
              const { device, player, sessions } = setUp()
              player.take(program({ climb }))
              player.begin()
              await settled()
              const rungs: number[] = []
              for (const { kind, by } of acts) {
                if (kind === 'play') device.advance(by, step)
                if (kind === 'clean' || kind === 'rough' || kind === 'lost') player.rate(kind)
                await settled()
                rungs.push(device.plan(positionBar(device)))
              }
              player.stop()
              return [rungs, sessions().map(({ tempo, rating }) => [tempo, rating])]
            }),
          )
          expect(seen[1]).toEqual(seen[0])
          expect((seen[2] as unknown[])[0]).toEqual((seen[0] as unknown[])[0])
        },
      ),
      { numRuns: 60 },
    )
  })
})

function positionBar(device: SilentDevice): number {
  const counted = device.performance?.countInTicks ?? 0
  return Math.max(0, Math.floor((device.tick - counted) / BAR))
}
