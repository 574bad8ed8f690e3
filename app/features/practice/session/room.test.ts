import 'fake-indexeddb/auto'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lineEvents } from '~/core/line'
import { addGridRung } from '~/core/practice'
import { ProgramPlayer } from '~/session/program-player'
import {
  DEFAULT_SETTINGS,
  type Kept,
  type LickRecord,
  type RecordSaver,
  type Settings,
} from '~/storage'
import { newPlan, PLAN_KEEPING } from '~/workspace/documents/plan-document'
import { SET_KEEPING } from '~/workspace/documents/set-document'
import { sharePlan } from '~/workspace/documents/set-edits'
import { StoredDocument } from '~/workspace/documents/stored-document'
import { Slices } from '~/workspace/slices'
import { lickOf } from '../../../../tests/support/licks'
import { SilentDevice, savedLog, settled } from '../../../../tests/support/played-sound'
import { setOf } from '../../../../tests/support/sets'
import { PracticeRoom } from './room'
import type { StoredWorld, World } from './world'

const BAR = 40320
const NO_FOLLOW = () => () => {}

class FixedWorld extends Slices<World> {
  open = () => () => {}
  set(changed: Partial<World>): void {
    this.patch(changed)
  }
}

function record(text: string): Kept<LickRecord> {
  const kept = { revision: 0, createdAt: 0, updatedAt: 0, deletedAt: null }
  return { id: 'a', version: 2, text, draft: null, voicing: '', ...kept }
}

function open(
  text = 'tempo: 80\nline: RLLR LRRL',
  settings: Partial<Settings> = {},
  inSet = false,
) {
  const world = new FixedWorld({
    record: record(text),
    deleted: false,
    settings: { ...DEFAULT_SETTINGS, ...settings },
    sessions: [],
    recent: [],
    versions: [],
    kits: [],
    grooves: [],
  })
  const device = new SilentDevice()
  const { log, sessions } = savedLog()
  const player = new ProgramPlayer(device.open(), log, device.clock)
  const saver = { change: () => {} } as unknown as RecordSaver<'plans'>
  const plan = new StoredDocument(
    saver,
    newPlan('a', lickOf(text), 0),
    null,
    PLAN_KEEPING,
    NO_FOLLOW,
  )
  const whole = sharePlan({ ...setOf('a', 'b') }, { ...plan.content, repeats: 4, steps: [] })
  const setSaver = { change: () => {} } as unknown as RecordSaver<'sets'>
  const set = inSet ? new StoredDocument(setSaver, whole, null, SET_KEEPING, NO_FOLLOW) : null
  const room = new PracticeRoom({
    world: world as unknown as StoredWorld,
    plan,
    set,
    player,
    ear: { listen: () => () => {}, clock: device.clock },
    changeSettings: (changed) => world.set({ settings: { ...world.state().settings, ...changed } }),
  })
  room.open()
  const begin = async () => {
    player.begin()
    await settled()
  }
  return { room, world, device, player, plan, set, sessions, begin }
}

describe('the practice of a lick', () => {
  it('begins at the first step that is not skipped, and passes over the others', () => {
    const { room } = open('tempo: 80\nline: >RllRl >RlK >LK')
    const { planned } = room.practised()
    room.arrange(planned.map((step, i) => ({ ...step, skipped: i === 0 || i === 2 })))
    expect(planned.length).toBeGreaterThan(3)
    expect(room.practised().at).toBe(1)
    room.goStep(1)
    expect(room.practised().at).toBe(3)
    room.goStep(-1)
    room.goStep(-1)
    expect(room.practised().at).toBe(1)
  })

  it('loops slots of the lick, also told within a part, until a step is gone to', () => {
    const { room } = open()
    room.loopOver({ from: 4, to: 8 })
    room.loopWithin({ from: 1, to: 3 })
    expect(room.state().choice.loop).toEqual({ from: 5, to: 7 })
    expect(room.practised().step?.part.range).toEqual({ from: 5, to: 7 })
    room.keepLoop({ from: 5, to: 7 })
    const { planned, at } = room.practised()
    expect([room.state().choice.loop, at, planned.length - 1]).toEqual([null, at, at])
  })

  it('goes to a step at a tempo, in silence and while it plays, and through the plan by ratings', async () => {
    const { room, player, begin, device } = open('tempo: 80\nline: >RllRl >RlK >LK')
    room.changePlan({ rungs: [60, 80, 100] })
    const last = room.practised().planned.length - 1
    room.goToCell({ step: last, rung: 2 })
    expect([room.practised().at, player.rung, player.tempo]).toEqual([last, 2, 100])
    room.goToCell({ step: 0, rung: 1 })
    expect([room.practised().at, player.rung, player.tempo]).toEqual([0, 1, 80])
    room.rate('clean')
    room.rate('clean')
    expect([room.practised().at, player.rung]).toEqual([1, 0])
    room.unrate()
    expect([room.practised().at, player.rung]).toEqual([0, 2])
    room.changePlan({ sequence: 'tempo' })
    room.goToCell({ step: 0, rung: 0 })
    await begin()
    device.advance(3 * BAR)
    room.rate('clean')
    await settled()
    expect([room.practised().at, player.rung, player.state().playing]).toEqual([1, 0, true])
    player.stop()
  })

  it('stands on the tempo that it stood on while rungs come and go (law)', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(5), { maxLength: 8 }), (acts) => {
        const { room, player } = open()
        room.changePlan({ rungs: [60, 80, 100] })
        player.go(1)
        for (const at of acts) {
          const { rungs } = room.practised()
          const { tempo } = player
          const [rung] = rungs.filter((one) => one.tempo !== tempo)
          if (at < 3) room.setRungs(addGridRung(rungs))
          else if (rung) room.setRungs(rungs.filter((one) => one !== rung))
          expect(player.tempo).toBe(tempo)
        }
      }),
      { numRuns: 40 },
    )
  })

  it('gives a step tempos of its own, and takes them back', () => {
    const { room, player } = open('tempo: 80\nline: >RllRl >RlK >LK')
    room.changePlan({ rungs: [60, 80, 100] })
    room.temposAlone([50, 70])
    expect([room.practised().tempos, room.practised().counts.slice(0, 2)]).toEqual([
      [50, 70],
      [2, 3],
    ])
    room.moveTempo(2)
    expect([room.practised().tempos, room.practised().ladder.map(({ tempo }) => tempo)]).toEqual([
      [52, 70],
      [60, 80, 100],
    ])
    room.goStep(1)
    expect(room.practised().tempos).toEqual([60, 80, 100])
    room.goStep(-1)
    room.temposAlone(null)
    expect(room.practised().tempos).toEqual([60, 80, 100])
    expect(player.rung).toBe(0)
  })

  it('puts a slower tempo below the ladder where the lowest rung is lost, and takes it back', async () => {
    const { room, begin, device, player, sessions } = open()
    const { tempos } = room.practised()
    await begin()
    device.advance(3 * BAR)
    room.rate('lost')
    const below = room.practised().tempos[0] ?? 0
    expect(below).toBeLessThan(tempos[0] ?? 0)
    expect([room.state().choice.lost, room.state().choice.rated?.rating]).toEqual([below, 'lost'])
    expect(sessions().at(-1)?.rating).toBe('lost')
    room.unrate()
    expect([room.state().choice.rated, sessions().at(-1)?.rating]).toEqual([null, null])
    room.undo()
    expect(room.practised().tempos).toEqual(tempos)
    player.stop()
  })

  it('climbs by itself, goes on to the next step at the top, and begins that at the bottom', async () => {
    const { room, begin, device, player, sessions } = open()
    room.changePlan({ climbs: true, repeats: 2, rungs: [100, 120] })
    const first = room.practised().step?.words
    await begin()
    for (let i = 0; i < 200 && room.practised().step?.words === first; i += 1) {
      device.advance(BAR / 2)
      await settled()
    }
    expect(room.practised().at).toBe(1)
    expect([player.rung, player.tempo, player.state().playing]).toEqual([0, 100, true])
    expect(sessions().map(({ tempo, repeats }) => [tempo, repeats])).toEqual([
      [100, 2],
      [120, 2],
    ])
  })

  it('leaves no trace of a simulated player, who climbs all the same', async () => {
    const { room, begin, device, player, sessions } = open('tempo: 80\nline: RLRL RLRL RLRL RLRL')
    room.ear.choose({ wanted: true, who: 'even' })
    room.byEar(true)
    await begin()
    device.advance(30 * BAR)
    expect(room.ear.state().heard.told).toBeGreaterThan(4)
    room.rate('clean')
    expect(player.rung).toBeGreaterThan(0)
    player.stop()
    expect(sessions()).toEqual([])
    room.ear.choose({ wanted: false })
    await begin()
    device.advance(3 * BAR)
    player.stop()
    expect(sessions()).toHaveLength(1)
  })

  it('hears another simulated player from where that is chosen, and nothing of the one before', async () => {
    const { room, begin, device } = open('tempo: 80\nline: RLRL RLRL RLRL RLRL')
    room.goTo(room.practised().planned.length - 1)
    room.ear.choose({ wanted: true, who: 'even' })
    await begin()
    const leftBy = () => {
      const strokes = room.ear.state().heard.rounds.flatMap(({ told }) => told.strokes)
      const left = strokes.filter(({ limb }) => limb === 'LH').map(({ offsetMs }) => offsetMs)
      return left.reduce((sum, one) => sum + one, 0) / Math.max(1, left.length)
    }
    device.advance(20 * BAR)
    expect(room.ear.state().heard.told).toBeGreaterThan(4)
    expect(Math.abs(leftBy())).toBeLessThan(5)
    room.ear.choose({ who: 'left hand late' })
    expect(room.ear.state().heard.told).toBe(0)
    device.advance(20 * BAR)
    expect(leftBy()).toBeGreaterThan(8)
  })

  it('shows what sounds, round by round, where voices are drawn anew (law)', async () => {
    const { room, begin, device } = open('tempo: 80\nline: RLLR LRRL RLRL RLRL')
    const last = room.practised().planned.findIndex(({ part }) => part.kind === 'bar')
    room.goTo(last)
    room.improvise({ drawn: 'voices', share: 0.8 })
    await begin()
    expect(room.practised().soundingAt).not.toBeNull()
    const drawn = new Set<string>()
    fc.assert(
      fc.property(fc.nat(20), (round) => {
        const line = room.lineAt(round)
        const shown = lineEvents(line).map(
          ({ slot, limb, surface }) => `${slot} ${limb} ${surface}`,
        )
        const sounds = (device.performance?.round(round) ?? []).flatMap((event) =>
          event.kind === 'stroke' && event.slot !== undefined
            ? [`${event.slot} ${event.limb} ${event.surface}`]
            : [],
        )
        expect(sounds).toEqual(expect.arrayContaining(shown))
        for (const one of shown) drawn.add(one)
        expect(room.lineAt(round)).toBe(line)
      }),
      { numRuns: 20 },
    )
    expect(drawn.size).toBeGreaterThan(16)
  })

  it('follows the plan of a set, and keeps what is changed for this exercise in the set', () => {
    const { room, set, plan } = open(undefined, {}, true)
    expect(room.practised().plan.repeats).toBe(4)
    room.changePlan({ repeats: 12 })
    expect([room.practised().plan.repeats, plan.content.repeats]).toEqual([12, 8])
    expect(set?.content.exercises[0]?.plan?.repeats).toBe(12)
    room.undo()
    expect(room.practised().plan.repeats).toBe(4)
    room.redo()
    room.followSet()
    expect([room.practised().plan.repeats, set?.content.exercises[0]?.plan]).toEqual([4, null])
  })

  it('has the same objects while nothing of them changes', () => {
    const { room, world } = open()
    const before = room.practised()
    world.set({ settings: { ...world.state().settings, breakAfter: 45 } })
    const after = room.practised()
    for (const part of ['lick', 'setting', 'planned', 'steps', 'rungs', 'tempos', 'step'] as const)
      expect([part, after[part] === before[part]]).toEqual([part, true])
  })

  it('leaves a loop that the lick has no more, and is silent once there is nothing to play', async () => {
    const { room, world, begin, device, player } = open()
    room.loopOver({ from: 5, to: 8 })
    await begin()
    device.advance(2 * BAR)
    world.set({ record: { ...record('tempo: 80\nline: RLRL'), revision: 1 } })
    expect([room.state().choice.loop, room.practised().step?.part.range.to]).toEqual([null, 4])
    expect(player.state().playing).toBe(true)
    world.set({ record: { ...record('tempo: 80\nline:'), revision: 2 } })
    expect([player.state().playing, room.practised().step]).toEqual([false, undefined])
    world.set({ record: { ...record('tempo: 80\nline: RLRL'), revision: 3 } })
    expect(room.practised().step).toBeDefined()
  })

  it('mutes limbs and the click, and lets them be heard again', () => {
    const { room, player } = open()
    const level = (channel: string) =>
      (player.sound as unknown as { mixer: { level: (of: string) => number } }).mixer.level(channel)
    room.mute('RH')
    room.switchClick()
    expect([level('RH'), level('click'), level('LH')]).toEqual([0, 0, 1])
    room.mute('RH')
    room.switchClick()
    expect([level('RH'), level('click') > 0]).toEqual([1, true])
  })
})
