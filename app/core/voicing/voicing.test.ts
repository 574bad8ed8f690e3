import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { formatLickText } from '~/codecs/lick-text'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { mirrorHands, phraseOf } from '../changes'
import { DEFAULT_KIT } from '../kit'
import { type Lick, lineEvents } from '../line'
import { formatLine } from '../notation'
import { SURFACES, type Surface } from '../sticking'
import {
  type Action,
  countVoicings,
  outAndBack,
  PLAIN_VOICING,
  roundTheKit,
  type Voicing,
  type VoicingRule,
  voiceLick,
  voicingPresets,
  type Which,
} from '.'

const rule = (
  hands: VoicingRule['hands'],
  action: Action,
  which: Which = { kind: 'every' },
): VoicingRule => ({ hands, which, action, on: true })
const put = (surface: Surface): Action => ({ kind: 'put', surface })
const path = (surfaces: Surface[], end: 'over' | 'turn' = 'over', per: 'group' | number = 1) =>
  ({ kind: 'path', surfaces, per, end, turningStroke: false }) as const
const voicing = (...rules: VoicingRule[]): Voicing => ({ rules, pins: [] })
const written = (text: string, laid: Voicing) =>
  formatLine(voiceLick(lickOf(`line: ${text}`), laid).line)
const surfacesOf = (lick: Lick, limb: string) =>
  lineEvents(lick).flatMap((event) => (event.limb === limb ? [event.surface] : []))

describe('paths', () => {
  const lick = lickOf('line: RLKRL*3 R')
  const walk = (end: 'over' | 'turn') =>
    voiceLick(lick, voicing(rule('RH', path(['t1', 't2', 'f1'], end)), rule('LH', put('sn'))))

  it('start over', () => {
    const over = walk('over')
    expect(surfacesOf(over, 'RH')).toEqual(['t1', 't2', 'f1', 't1', 't2', 'f1', 't1'])
    expect(new Set(surfacesOf(over, 'LH'))).toEqual(new Set(['sn']))
  })

  it('turn at the ends', () =>
    expect(surfacesOf(walk('turn'), 'RH')).toEqual(['t1', 't2', 'f1', 't2', 't1', 't2', 'f1']))

  it('give each group a surface, counting only groups in which the hand plays', () =>
    expect(written('RLR KK RR L', voicing(rule('RH', path(['t1', 'f1'], 'over', 'group'))))).toBe(
      'R:t1LR:t1 KK R:f1R:f1 L',
    ))
})

describe('round the kit', () => {
  const text = (surfaces: Surface[], per: number, again: boolean) => {
    const { slots, groups } = roundTheKit(surfaces, per, again)
    return formatLine({ slots, groups, gridChanges: [] })
  }

  it('turns with one stroke more, so that the other hand leads back', () =>
    expect(text(['t1', 'f1'], 2, true)).toBe('R:t1L:t1R:f1L:f1R:f1 L:f1R:f1L:t1R:t1L:t1'))

  it('comes back another way, with strokes of its own', () => {
    const pass = outAndBack({ surfaces: ['t1', 'f1'], per: 2 }, { surfaces: ['f1', 'sn'], per: 1 })
    expect(formatLine({ ...pass, gridChanges: [] })).toBe('R:t1L:t1R:f1L:f1R:f1 L:f1R:snL:sn')
    expect(() => outAndBack({ surfaces: ['t1'], per: 0 }, { surfaces: ['sn'], per: 1 })).toThrow()
  })

  it('comes back the way it went as it does where the back is that way (law)', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.constantFrom(...SURFACES), { minLength: 2, maxLength: 6 }),
        fc.integer({ min: 1, max: 5 }),
        (surfaces, per) => {
          const back = [...surfaces].reverse()
          expect(outAndBack({ surfaces, per }, { surfaces: back, per })).toEqual(
            roundTheKit(surfaces, per, true),
          )
        },
      ),
    )
  })

  it.each([
    [true, 22],
    [false, 18],
  ])('of five drums, the end visited again: %s, takes %i strokes', (again, strokes) =>
    expect(roundTheKit(['t1', 't2', 't3', 'f1', 'f2'], 2, again).slots).toHaveLength(strokes),
  )
})

describe('rules', () => {
  it('voice a changed sticking again without a new rule', () => {
    const accents = voicing(rule('hands', put('t2'), { kind: 'accents' }))
    expect(written('>LrKrl*3', accents)).toBe('>L:t2rKrl*3')
    expect(written('L>rKrl'.replace('>r', '>R'), accents)).toBe('L>R:t2Krl')
  })

  it('yield to pins, whoever plays them', () => {
    const pinned: Voicing = {
      rules: [rule('RH', put('t1'))],
      pins: [
        { slot: 4, surface: 'sn' },
        { slot: 12, surface: 'sn' },
      ],
    }
    const lick = voiceLick(lickOf('line: RLLRR*3 R'), pinned)
    const onTom = lineEvents(lick).flatMap(({ surface, slot }) => (surface === 't1' ? [slot] : []))
    expect(onTom).toEqual([0, 3, 5, 8, 9, 10, 13, 14, 15])
    const turned = voiceLick(lickOf('line: LLRRR*3 L'), pinned)
    const at = (slot: number) => lineEvents(turned).find((event) => event.slot === slot)
    expect([at(4), at(12)]).toMatchObject([
      { limb: 'RH', surface: 'sn' },
      { limb: 'RH', surface: 'sn' },
    ])
  })

  it('yield to later ones, and all to what is written', () => {
    const laid = voicing(rule('hands', put('t1')), rule('RH', put('f1')))
    expect(written('RLR:rdL', laid)).toBe('R:f1L:t1R:rdL:t1')
    expect(written('RL', voicing({ ...rule('hands', put('t1')), on: false }))).toBe('RL')
  })

  it.each<[string, Which, string]>([
    ['RRLRL', { kind: 'doubles' }, 'R:t1R:t1LRL'],
    ['RRLRL', { kind: 'singles' }, 'RRL:t1R:t1L:t1'],
    ['RfLR', { kind: 'graced' }, 'RfL:t1R'],
    ['RLR LKL', { kind: 'first-of-group' }, 'R:t1LR L:t1KL'],
    ['RLR LKL', { kind: 'last-of-group' }, 'RLR:t1 LKL:t1'],
    ['RL RL RL RL', { kind: 'every-nth-group', nth: 2, from: 2 }, '[RL R:t1L:t1]*2'],
    ['RL RL RL', { kind: 'groups', groups: [1, 3] }, 'R:t1L:t1 RL R:t1L:t1'],
    ['RLRLRLRL', { kind: 'beats', beats: [2] }, 'RLRLR:t1LRL'],
    ['R_Lr>L', { kind: 'taps' }, 'R:t1_L:t1r>L'],
    ['Rlr>L', { kind: 'ghosts' }, 'Rl:t1r:t1>L'],
  ])('of %s, %j', (text, which, expected) =>
    expect(written(text, voicing(rule('hands', put('t1'), which)))).toBe(expected),
  )

  it('put the kick under a cymbal where there is none yet', () => {
    const crash = voicing(rule('hands', { kind: 'with-kick', surface: 'c1' }, { kind: 'accents' }))
    expect(written('>RLL(>RK)', crash)).toBe('(>R:c1>K)LL(>R:c1K)')
  })

  it('add the other hand where it is free', () => {
    const both = voicing(rule('RH', { kind: 'with-hand', surface: 'f1' }))
    expect(written('RL(RL)fR', both)).toBe('(RL:f1)L(RL)fR')
  })

  it('split flams, or send the grace where its hand was', () => {
    const split = voicing(rule('hands', { kind: 'split', main: 'f1', grace: 'sn' }))
    expect(written('fR', split)).toBe('fR:f1/sn')
    const own = voicing(
      rule('LH', put('t1')),
      rule('RH', put('f1')),
      rule('hands', { kind: 'graces-with-hand' }),
    )
    expect(written('LfRfL', own)).toBe('L:t1fR:f1/t1fL:t1/f1')
  })
})

const surface = fc.constantFrom<Surface>('sn', 't1', 't2', 'f1', 'rd', 'c1', 'hh')
const which = fc.oneof(
  fc
    .constantFrom(
      'every',
      'accents',
      'taps',
      'ghosts',
      'doubles',
      'singles',
      'graced',
      'first-of-group',
      'last-of-group',
    )
    .map((kind) => ({ kind }) as Which),
  fc
    .record({ nth: fc.integer({ min: 1, max: 4 }), from: fc.integer({ min: 1, max: 4 }) })
    .map((rest): Which => ({ kind: 'every-nth-group', ...rest })),
  fc.array(fc.integer({ min: 1, max: 5 })).map((beats): Which => ({ kind: 'beats', beats })),
)
const moving = fc.oneof<fc.Arbitrary<Action>[]>(
  surface.map(put),
  fc.record({
    kind: fc.constant('path' as const),
    surfaces: fc.array(surface, { maxLength: 4 }),
    per: fc.oneof(fc.constant('group' as const), fc.integer({ min: 1, max: 3 })),
    end: fc.constantFrom('over' as const, 'turn' as const, 'turn-again' as const),
    turningStroke: fc.boolean(),
  }),
  fc.record({
    kind: fc.constant('draw' as const),
    surfaces: fc.array(surface, { maxLength: 4 }),
    per: fc.constantFrom('stroke' as const, 'group' as const),
    twice: fc.boolean(),
    seed: fc.nat(99),
  }),
  fc.record({ kind: fc.constant('split' as const), main: surface, grace: surface }),
  fc.constant({ kind: 'graces-with-hand' as const }),
)
const adding = fc.oneof<fc.Arbitrary<Action>[]>(
  surface.map((on): Action => ({ kind: 'with-kick', surface: on })),
  surface.map((on): Action => ({ kind: 'with-hand', surface: on })),
)
const someRule = (actions: fc.Arbitrary<Action>): fc.Arbitrary<VoicingRule> =>
  fc.record({
    hands: fc.constantFrom('hands' as const, 'RH' as const, 'LH' as const),
    which,
    action: actions,
    on: fc.boolean(),
  })
const laid = (actions: fc.Arbitrary<Action>): fc.Arbitrary<Voicing> =>
  fc.record({
    rules: fc.array(someRule(actions), { maxLength: 4 }),
    pins: fc.array(fc.record({ slot: fc.nat(12), surface }), { maxLength: 3 }),
  })

/** A line without any voices: its sticking, levels and graces alone. */
const bare = (lick: Lick) =>
  JSON.stringify(lick.line.slots, (key, value) =>
    key === 'voice' || key === 'graceVoice' ? undefined : value,
  )

describe('laws', () => {
  it('a voicing moves strokes and changes nothing else', () =>
    fc.assert(
      fc.property(random.lick, laid(moving), (lick, how) => {
        const voiced = voiceLick(lick, how)
        expect(bare(voiced)).toBe(bare(lick))
        expect(voiced.line.groups).toEqual(lick.line.groups)
      }),
    ))

  it('voicing what is voiced changes nothing, and the plain voicing gives the same lick', () =>
    fc.assert(
      fc.property(random.lick, laid(moving), (lick, how) => {
        expect(voiceLick(lick, PLAIN_VOICING)).toBe(lick)
        const voiced = voiceLick(lick, how)
        const again = voiceLick(voiced, how)
        expect(lineEvents(again).map(({ surface: on }) => on)).toEqual(
          lineEvents(voiced).map(({ surface: on }) => on),
        )
      }),
    ))

  it('what is added can be played: the text of a voiced lick is read back the same', () =>
    fc.assert(
      fc.property(random.lick, laid(fc.oneof(moving, adding)), (lick, how) => {
        const voiced = voiceLick(lick, how)
        expect(lickOf(formatLickText(voiced)).line).toEqual(voiced.line)
      }),
    ))

  it('other hands by mirrored rules lie on the same surfaces', () =>
    fc.assert(
      fc.property(random.lick, laid(moving), (lick, how) => {
        const hands = { hands: 'hands', RH: 'LH', LH: 'RH' } as const
        const mirroredRules = how.rules.map((one) => ({ ...one, hands: hands[one.hands] }))
        const all = { from: 0, to: lick.line.slots.length }
        const { slots } = mirrorHands(phraseOf(lick.line, all))
        const mirrored = { ...lick, line: { ...lick.line, slots } }
        const surfaces = (one: Lick) =>
          lineEvents(one)
            .map((e) => `${e.tick} ${e.surface}`)
            .sort()
        expect(surfaces(voiceLick(mirrored, { ...how, rules: mirroredRules }))).toEqual(
          surfaces(voiceLick(lick, how)),
        )
      }),
    ))

  it.each(voicingPresets(DEFAULT_KIT).map(({ name, rules }) => [name, rules] as const))(
    '%s does something to a line that has it all',
    (_, rules) => {
      const lick = lickOf('line: >RRLfR LrL>R RLLR')
      expect(voiceLick(lick, { rules, pins: [] })).not.toBe(lick)
    },
  )
})

describe('voices by chance (C51)', () => {
  const drawn = (changed: Partial<Extract<Action, { kind: 'draw' }>> = {}): Action => ({
    kind: 'draw',
    surfaces: ['t1', 't2', 'f1'],
    per: 'stroke',
    twice: true,
    seed: 0,
    ...changed,
  })
  const tally = (text: string, hands: VoicingRule['hands'], action: (seed: number) => Action) => {
    const lick = lickOf(`line: ${text}`)
    const counts = new Map<string, number>()
    for (let seed = 0; seed < 6000; seed += 1) {
      const on = surfacesOf(voiceLick(lick, voicing(rule(hands, action(seed)))), 'RH').join(' ')
      counts.set(on, (counts.get(on) ?? 0) + 1)
    }
    return counts
  }

  it('are every voicing of the family, each as often as any other', () => {
    const counts = tally('RRR', 'RH', (seed) => drawn({ seed }))
    expect(counts.size).toBe(Number(countVoicings(3, 3, false)))
    // 6000 draws of 27: 222 each, with a standard deviation of 14.6.
    for (const count of counts.values()) expect(Math.abs(count - 222.2)).toBeLessThan(4.5 * 14.6)
  })

  it('are none twice running where that is asked', () => {
    const counts = tally('RRR', 'RH', (seed) => drawn({ seed, twice: false }))
    expect(counts.size).toBe(Number(countVoicings(3, 3, true)))
    for (const count of counts.values()) expect(Math.abs(count - 500)).toBeLessThan(4.5 * 21.4)
    const one = drawn({ surfaces: ['t1', 't1'], twice: false })
    expect(written('RRR', voicing(rule('RH', one)))).toBe('R:t1R:t1R:t1')
  })

  it('are as likely as they are often listed', () => {
    const counts = tally('R', 'RH', (seed) => drawn({ seed, surfaces: ['t1', 't1', 't1', 'f1'] }))
    // A quarter of 6000, with a standard deviation of 33.5.
    expect(Math.abs((counts.get('f1') ?? 0) - 1500)).toBeLessThan(4.5 * 33.5)
  })

  it('are one a group where that is asked, and leave feet, pins and written voices alone', () => {
    const text = 'RLK RRL:rd KRL RLRL'
    const laid = { ...voicing(rule('hands', drawn({ per: 'group', twice: false, seed: 4 }))) }
    const voiced = voiceLick(lickOf(`line: ${text}`), laid)
    const byGroup = voiced.line.groups.map((size, group) => {
      const from = voiced.line.groups.slice(0, group).reduce((sum, one) => sum + one, 0)
      const inside = lineEvents(voiced).filter(({ slot }) => slot >= from && slot < from + size)
      return new Set(inside.map(({ surface: on }) => on).filter((on) => on !== 'bd' && on !== 'rd'))
    })
    expect(byGroup.map(({ size }) => size)).toEqual([1, 1, 1, 1])
    for (const [i, here] of byGroup.entries())
      if (i > 0) expect([...here]).not.toEqual([...(byGroup[i - 1] ?? [])])
    const pinned = voiceLick(lickOf(`line: ${text}`), {
      ...laid,
      pins: [{ slot: 0, surface: 'xs' }],
    })
    expect(lineEvents(pinned)[0]?.surface).toBe('xs')
    expect(lineEvents(pinned)[5]?.surface).toBe('rd')
  })

  it('are the same for the same seed, and go on where a shorter line ended (law)', () =>
    fc.assert(
      fc.property(fc.nat(), fc.boolean(), fc.integer({ min: 1, max: 12 }), (seed, twice, n) => {
        const laid = voicing(rule('RH', drawn({ seed, twice })))
        const [short, long] = ['R'.repeat(n), 'R'.repeat(n + 4)].map((line) =>
          surfacesOf(voiceLick(lickOf(`line: ${line}`), laid), 'RH'),
        )
        expect(long?.slice(0, n)).toEqual(short)
      }),
    ))
})

describe('how many', () => {
  it.each([
    [3, 5, 125n, 80n],
    [5, 4, 1024n, 324n],
    [0, 4, 1n, 1n],
    [2, 1, 1n, 0n],
  ])('%i strokes on %i surfaces', (strokes, surfaces, all, noneTwice) =>
    expect([
      countVoicings(strokes, surfaces, false),
      countVoicings(strokes, surfaces, true),
    ]).toEqual([all, noneTwice]),
  )

  it('is what writing them all out comes to (law)', () => {
    for (let n = 0; n < 6; n += 1) {
      for (let s = 1; s < 5; s += 1) {
        let lines: number[][] = [[]]
        for (let i = 0; i < n; i += 1) {
          lines = lines.flatMap((line) => Array.from({ length: s }, (_, on) => [...line, on]))
        }
        const plain = lines.filter((line) => line.every((on, i) => i === 0 || on !== line[i - 1]))
        expect(countVoicings(n, s, false)).toBe(BigInt(lines.length))
        expect(countVoicings(n, s, true)).toBe(BigInt(plain.length))
      }
    }
  })
})
