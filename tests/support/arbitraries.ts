import fc from 'fast-check'
import {
  DEFAULT_FRAME,
  EMPTY_LICK,
  EMPTY_LINE,
  LANDING_WORDS,
  type Landing,
  type Lick,
  type Line,
  normalGridChanges,
  OSTINATO_SCOPES,
  type Ostinato,
} from '~/core/line'
import {
  findTogetherFault,
  isHand,
  LETTERS,
  LEVELS,
  REST,
  type Rest,
  type SlotContent,
  type Stroke,
  type Struck,
  SURFACES,
  UNDECIDED_SURFACE,
} from '~/core/sticking'
import {
  ALL_GRIDS,
  barTicks,
  beatsPerBar,
  beatTicks,
  type Grid,
  STRAIGHT,
  type Swing,
  toMeter,
} from '~/core/time'

/** Random values of the domain, all of them legal, for property tests. */
const voice = fc.constantFrom(...SURFACES, UNDECIDED_SURFACE)

export const stroke: fc.Arbitrary<Stroke> = fc
  .record({
    letter: fc.constantFrom(...LETTERS),
    level: fc.constantFrom(...LEVELS),
    graces: fc.constantFrom(0, 1, 2, 3),
    voice: fc.option(voice, { nil: undefined, freq: 3 }),
    graceVoice: fc.option(voice, { nil: undefined, freq: 3 }),
  })
  .map(({ letter, level, graces, voice: main, graceVoice }) => {
    const graced = isHand(letter) ? (graces as Stroke['graces']) : 0
    return {
      letter,
      level,
      graces: graced,
      ...(main && { voice: main }),
      ...(main && graceVoice && graced > 0 && { graceVoice }),
    }
  })

const single: fc.Arbitrary<Struck> = stroke.map((one) => ({ kind: 'struck', strokes: [one] }))
const unison: fc.Arbitrary<Struck> = fc
  .array(stroke, { minLength: 2, maxLength: 4 })
  .filter((strokes) => !findTogetherFault(strokes))
  .map((strokes) => ({ kind: 'struck', strokes }))
const part: fc.Arbitrary<Rest | Struck> = fc.oneof(
  { weight: 6, arbitrary: single },
  { weight: 1, arbitrary: fc.constant(REST) },
  { weight: 1, arbitrary: unison },
)
export const slot: fc.Arbitrary<SlotContent> = fc.oneof(
  { weight: 8, arbitrary: part },
  {
    weight: 1,
    arbitrary: fc
      .array(part, { minLength: 2, maxLength: 8 })
      .map((parts): SlotContent => ({ kind: 'squeeze', parts })),
  },
)

export const grid: fc.Arbitrary<Grid> = fc.constantFrom(...ALL_GRIDS)

/** A line on a base grid; some of its groups repeat, some change the grid inside. */
export function line(base: Grid, most = 5): fc.Arbitrary<Line> {
  const group = fc.record({
    slots: fc.array(slot, { minLength: 1, maxLength: 6 }),
    change: fc.option(fc.record({ at: fc.nat(5), grid }), { nil: undefined, freq: 3 }),
    times: fc.integer({ min: 1, max: 3 }),
  })
  return fc.array(group, { maxLength: most }).map((groups) => {
    const slots: SlotContent[] = []
    const sizes: number[] = []
    const changes: { at: number; grid: Grid }[] = []
    for (const { slots: content, change, times } of groups) {
      for (let time = 0; time < times; time += 1) {
        if (change && change.at < content.length) {
          changes.push({ at: slots.length + change.at, grid: change.grid })
        }
        slots.push(...content)
        sizes.push(content.length)
      }
    }
    return { slots, groups: sizes, gridChanges: normalGridChanges(changes, base, slots.length) }
  })
}

const layer: fc.Arbitrary<Ostinato> = grid
  .chain((base) => fc.tuple(fc.constant(base), line(base, 2), fc.constantFrom(...OSTINATO_SCOPES)))
  .filter(([, content]) => content.slots.length > 0 && content.gridChanges[0]?.at !== 0)
  .map(([base, content, scope]) => ({ scope, grid: base, line: content }))

const meter = fc.oneof(
  fc.constantFrom(toMeter(4, 4), toMeter(3, 4), toMeter(6, 8), toMeter(7, 8), toMeter(3, 2)),
  fc.constant({ count: 7, unit: 8 as const, groups: [3, 2, 2] }),
  fc.constant({ count: 6, unit: 8 as const, groups: [2, 2, 2] }),
)

const landing: fc.Arbitrary<Landing> = fc.oneof(
  {
    weight: 4,
    arbitrary: fc.record({
      kind: fc.constantFrom(...LANDING_WORDS),
      at: fc.constantFrom('bar' as const, 'beat' as const),
    }),
  },
  {
    weight: 1,
    arbitrary: fc.record({
      kind: fc.constant('strokes' as const),
      at: fc.constantFrom('bar' as const, 'beat' as const),
      slot: slot.filter((one): one is Exclude<SlotContent, Rest> => one.kind !== 'rest'),
      choke: fc.boolean(),
    }),
  },
)

/** A whole lick with everything that the text format can carry. */
export const lick: fc.Arbitrary<Lick> = fc
  .record({
    meter,
    grid,
    beat: fc.nat(6),
    part: fc.constantFrom(0, 1 / 4, 1 / 2, 3 / 4, 1 / 3, 2 / 3, 1 / 6, 1 / 5),
    title: fc
      .string({ maxLength: 12 })
      .filter(
        (text) => /^[\w&'!][\w &'!]*$/.test(text) && !text.endsWith(' ') && !text.includes('  '),
      ),
    tempo: fc.integer({ min: 80, max: 1600 }).map((quarters) => quarters / 4),
    goal: fc.option(fc.integer({ min: 20, max: 400 })),
    lead: fc.nat(8),
    bars: fc.option(fc.integer({ min: 1, max: 64 })),
    landing,
    percent: fc.integer({ min: 50, max: 75 }),
    lean: fc.option(fc.integer({ min: 34, max: 66 })),
    grooveSwing: fc.option(
      fc.constantFrom<Swing>(
        STRAIGHT,
        { percent: 62, pairs: 8 },
        { percent: 50, pairs: 8, lean: 40 },
      ),
    ),
    ostinatos: fc.array(layer, { maxLength: 2 }),
    level: fc.constantFrom(...LEVELS),
    pickup: fc.array(slot, { maxLength: 3 }),
    picksUp: fc.nat(4),
    pickupGrid: fc.option(grid),
  })
  .chain((parts) =>
    line(parts.grid).map((content): Lick => {
      const start =
        (parts.beat % beatsPerBar(parts.meter)) * beatTicks(parts.meter) +
        Math.floor(parts.part * beatTicks(parts.meter))
      return {
        ...EMPTY_LICK,
        title: parts.title,
        tags: ['odd', 'two words'],
        line: content,
        pickup:
          parts.picksUp === 0 && parts.pickup.length > 0
            ? {
                slots: parts.pickup,
                groups: [parts.pickup.length],
                gridChanges: normalGridChanges(
                  parts.pickupGrid ? [{ at: 0, grid: parts.pickupGrid }] : [],
                  parts.grid,
                  parts.pickup.length,
                ),
              }
            : EMPTY_LINE,
        ostinatos: parts.ostinatos,
        frame: {
          ...DEFAULT_FRAME,
          meter: parts.meter,
          grid: parts.grid,
          tempo: parts.tempo,
          goal: parts.goal,
          lead: parts.lead,
          bars: parts.bars,
          landing: parts.landing,
          start: Math.min(start, barTicks(parts.meter) - 1),
          stop: parts.percent % 2 === 0 ? 0 : null,
          swing: {
            percent: parts.percent,
            pairs: parts.percent > 60 ? 16 : 8,
            ...(parts.lean !== null && { lean: parts.lean }),
          },
          grooveSwing: parts.grooveSwing,
          swells: [{ from: 0, to: 3, start: parts.level, end: 'accent' }],
        },
        parts: parts.picksUp < 2 ? [{ name: 'first few', from: 0, to: parts.picksUp }] : [],
        unknown: [['mood', 'calm']],
      }
    }),
  )
