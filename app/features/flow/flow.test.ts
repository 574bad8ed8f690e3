import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { formatLickText, parseLickText } from '~/codecs/lick-text'
import { positionAt, toMedley } from '~/core/performance'
import { ALL_GRIDS, gridName } from '~/core/time'
import { lickOf } from '../../../tests/support/licks'
import { flowBar, flowPhaseAt, toFlowMusic, toSavedLick } from './flow-music'
import { type FlowSetup, formatSetup, HAT_FEET, parseSetup } from './flow-setup'

const usual = parseSetup(new URLSearchParams())
const licks = [{ id: 'a', lick: lickOf('title: Ring\ngrid: 1/8t\nline: RLKRLK') }]

describe('a flow in the address', () => {
  it('begins with something to play', () => {
    expect(usual.sources.map(({ of }) => of)).toEqual(['RLLRK', 'RLK'])
    expect(toFlowMusic(usual, []).phraseAt).not.toBeNull()
  })

  it('takes what it can read and leaves the rest as usual', () => {
    const odd = parseSetup(
      new URLSearchParams(
        'tempo=9000&meter=banana&seed=-3&tail=x&source=9:cell:R&source=3:line:RL',
      ),
    )
    expect(odd).toEqual({ ...usual, sources: [{ kind: 'line', of: 'RL', weight: 3 }] })
  })

  it('comes back as it was (law)', () => {
    const setup: fc.Arbitrary<FlowSetup> = fc.record({
      mode: fc.constantFrom('mix' as const, 'stretch' as const),
      sources: fc.array(
        fc.record({
          kind: fc.constantFrom('lick' as const, 'line' as const, 'version' as const),
          of: fc.string({ minLength: 1, maxLength: 40 }),
          weight: fc.nat(9),
        }),
        { maxLength: 12 },
      ),
      meter: fc.constantFrom('4/4', '7/8', '12/8'),
      grid: fc.constantFrom(...ALL_GRIDS.map(gridName)),
      tempo: fc.integer({ min: 20, max: 400 }),
      bars: fc.integer({ min: 1, max: 4 }),
      mostInRow: fc.integer({ min: 1, max: 9 }),
      longestRun: fc.integer({ min: 0, max: 4 }),
      mirrors: fc.boolean(),
      tail: fc.constantFrom('rest' as const, 'singles' as const, 'kicks' as const),
      seed: fc.integer({ min: 1, max: 999_999 }),
      beats: fc.integer({ min: 1, max: 8 }),
      times: fc.integer({ min: 1, max: 16 }),
      order: fc.constantFrom('growing' as const, 'chance' as const),
      density: fc.constantFrom('any' as const, 'sparse' as const, 'dense' as const),
      register: fc.constantFrom('any' as const, 'low' as const, 'high' as const),
      voicing: fc.constantFrom('', 'oblique'),
      feet: fc.constantFrom('', '@1/4 H', 'H-', ...HAT_FEET),
      answers: fc.boolean(),
      varies: fc.constantFrom('' as const, 'voices' as const, 'accents' as const, 'kicks' as const),
    })
    fc.assert(
      fc.property(setup, (one) => {
        const address = formatSetup(one).toString()
        expect(parseSetup(new URLSearchParams(address))).toEqual(one)
      }),
    )
  })
})

describe('what a flow is made into', () => {
  const phrases = (changed: Partial<FlowSetup>) => {
    const { phraseAt, trouble } = toFlowMusic({ ...usual, ...changed }, licks)
    if (!phraseAt) throw new Error(trouble)
    return [0, 1, 2, 3].map((round) => phraseAt(round).lick)
  }

  it('leaves as many bars free after each phrase, for the answer', () => {
    const plain = phrases({})
    const called = phrases({ answers: true })
    expect(called.map(({ line }) => line.slots.length > 0)).toEqual([true, false, true, false])
    expect([called[0]?.line, called[2]?.line]).toEqual([plain[0]?.line, plain[1]?.line])
    expect(called.map(({ frame }) => frame.bars)).toEqual([1, 1, 1, 1])
    expect(toMedley((round) => called[round % 4] as never, { countIn: true }).roundTicks).toBe(
      40320,
    )
  })

  it('has feet under it, is voiced, and draws anew what is to vary', () => {
    expect(phrases({ feet: '@1/4 H' })[0]?.ostinatos).toHaveLength(1)
    expect(toFlowMusic({ ...usual, feet: '@1/4 Q' }, licks).trouble).toContain('feet')
    const voices = (one?: ReturnType<typeof phrases>[number]) => JSON.stringify(one?.line)
    expect(voices(phrases({ voicing: 'oblique' })[0])).toContain('t1')
    const [first, second] = [phrases({ varies: 'voices' }), phrases({ varies: 'voices', seed: 2 })]
    expect(voices(first[0])).not.toBe(voices(second[0]))
    expect(phrases({ varies: 'voices' })).toEqual(first)
  })
})

describe('the hi-hat foot of a flow', () => {
  it('goes with the metre that is chosen', () => {
    const under = (meter: string) =>
      toFlowMusic({ ...usual, feet: 'hat second', meter }, []).phraseAt?.(0).lick.ostinatos[0]?.line
    expect(under('4/4')?.slots).toHaveLength(4)
    expect(under('6/8')?.slots).toHaveLength(6)
  })
})

describe('what a flow says', () => {
  it('names what cannot be drawn, and why nothing can be played', () => {
    const long = { kind: 'line', of: 'RLRK*8', weight: 1 } as const
    const both = toFlowMusic({ ...usual, sources: [...usual.sources, long] }, licks)
    expect(both.listed.map(({ trouble }) => trouble)).toEqual(['', '', 'longer than a phrase'])
    expect(toFlowMusic({ ...usual, sources: [long] }, licks).trouble).toContain(
      'Nothing to draw from',
    )
    expect(toFlowMusic({ ...usual, sources: [] }, licks).phraseAt).toBeNull()
    const uneven = toFlowMusic({ ...usual, meter: '5/8', grid: '1/4' }, licks)
    expect(uneven.trouble).toBe('1/4 does not fit a whole number of times into a bar of 5/8.')
    const lone = { ...usual, mode: 'stretch' as const, sources: usual.sources.slice(0, 1) }
    expect(toFlowMusic(lone, licks).trouble).toContain('Add a phrase first')
  })

  it('leaves out licks that are gone and stickings that cannot be read', () => {
    const sources = [
      { kind: 'lick', of: 'gone', weight: 1 },
      { kind: 'line', of: 'RQ(', weight: 1 },
      { kind: 'lick', of: 'a', weight: 2 },
    ] as const
    const { listed } = toFlowMusic({ ...usual, sources }, licks)
    expect(listed.map(({ title }) => title)).toEqual(['Ring'])
  })
})

describe('the bars of a flow', () => {
  const mixed = toFlowMusic(
    { ...usual, bars: 2, sources: [...usual.sources, { kind: 'lick', of: 'a', weight: 1 }] },
    licks,
  ).phraseAt
  const stretched = toFlowMusic({ ...usual, mode: 'stretch' }, licks).phraseAt
  if (!mixed || !stretched) throw new Error('a flow that cannot be played')

  it('together are its phrases, slot for slot', () => {
    for (const phrase of [0, 1, 5]) {
      const both = [flowBar(mixed, 2 * phrase), flowBar(mixed, 2 * phrase + 1)]
      const slots = both.flatMap(({ lick }) => lick?.line.slots ?? [])
      expect(slots).toEqual(mixed(phrase).lick.line.slots)
      expect(both.map((bar) => bar.phrase)).toEqual([phrase, phrase])
    }
  })

  it('have groove before a phrase that grows', () => {
    const bars = [0, 1].map((index) => flowBar(stretched, index))
    expect(bars[0]).toMatchObject({ groove: true, lick: null })
    expect(bars[1]?.lick).not.toBeNull()
    expect(flowBar(stretched, 1).groove).toBe(true)
  })

  it('light the slot that sounds', () => {
    const medley = toMedley((round) => mixed(round).lick, { countIn: true })
    const ticks = { bar: 40320, beat: 10080 }
    const { slots } = flowBar(mixed, 0)
    expect(flowPhaseAt(positionAt(medley, 10080), ticks, slots)).toMatchObject({
      name: 'count-in',
      beat: 1,
    })
    for (const [i, tick] of slots.slice(0, -1).entries()) {
      const at = flowPhaseAt(positionAt(medley, 40320 + tick), ticks, slots)
      expect(at).toMatchObject({ name: 'fill', slot: i, beat: Math.floor(tick / 10080) })
    }
    expect(flowPhaseAt(undefined, ticks, slots).name).toBe('still')
  })

  it('can be kept as a lick that is written and read the same', () => {
    const kept = toSavedLick(mixed(3), 'Flow 1, phrase 4')
    const read = parseLickText(formatLickText(kept))
    expect(read.ok && read.value.lick).toMatchObject({ title: 'Flow 1, phrase 4', line: kept.line })
    expect(kept.frame).toMatchObject({ groove: 'eighths', landing: { kind: 'crash' }, lead: 1 })
  })
})
