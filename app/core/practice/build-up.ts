import { leaveOut, mapStrokes, type Phrase, phraseOf, type SlotRange, startsOf } from '../changes'
import { EMPTY_LICK, type Lick, type Line, lickSlots, lineEvents, normalGridChanges } from '../line'
import { formatSlot } from '../notation'
import { DEFAULT_SETTING, type Setting, speedLimit } from '../playing'
import { isHand, type Stroke, strokesInSlot } from '../sticking'
import type { Grid, Ticks } from '../time'
import type { PracticeForm } from './form'
import { pulseOf } from './pulse'

export const PART_KINDS = [
  'hands',
  'feet',
  'together',
  'transition',
  'bottleneck',
  'half',
  'right-voices',
  'left-voices',
  'bar',
  'loop',
] as const
export type PartKind = (typeof PART_KINDS)[number]

/** One step of a build-up: a small lick of its own, in the form in which it is played. */
export interface PracticePart {
  readonly kind: PartKind
  readonly lick: Lick
  readonly form: PracticeForm
  /** The slots of the lick that it is made from. */
  readonly range: SlotRange
}

/**
 * Limbs apart, then joined; halves, then glued; the whole line at once and slow, then voiced; or
 * straight into the bar.
 */
export const PRACTICE_ORDERS = ['parts', 'halves', 'whole', 'bar'] as const
export type PracticeOrder = (typeof PRACTICE_ORDERS)[number]

/** What tells a part of a lick's build-up from the others, also when the lick has changed. */
export function partKey({ kind, range }: PracticePart): string {
  return `${kind} ${range.from}-${range.to}`
}

/** Slots of a lick as a part of their own, over and over: a loop of what is selected. */
export function loopPart(lick: Lick, range: SlotRange): PracticePart {
  return { kind: 'loop', lick: excerpt(lick, range), form: OVER, range }
}

const OVER: PracticeForm = { kind: 'over' }
const IN_BAR: PracticeForm = { kind: 'bars', groove: 1, fill: 1 }
/** Slots on either side of a transition, and of a bottleneck. */
const AROUND = 2

/**
 * A lick taken apart to be learnt: the hands with holes where the feet play, the feet against the
 * pulse, both on one surface, each transition between groups and the bottleneck over and over, the halves,
 * each hand's voices, and the whole in the bar. What the lick does not have is left out.
 * Example: `RLRKK` is `RLR--`, `---KK`, `RLRKK`.
 */
export function buildUp(
  lick: Lick,
  school: PracticeOrder = 'parts',
  setting: Setting = DEFAULT_SETTING,
): PracticePart[] {
  const all = { from: 0, to: lick.line.slots.length }
  if (all.to === 0) return []
  const whole: PracticePart = { kind: 'bar', lick, form: IN_BAR, range: all }
  const plain = withSlots(lick, mapStrokes(lick.line.slots, withoutVoice))
  const together: PracticePart = { kind: 'together', lick: bare(plain), form: OVER, range: all }
  const voices = voiceParts(lick, all)
  if (school === 'bar') return [whole]
  if (school === 'whole') return [together, ...voices, whole]
  if (school === 'halves') return [...halves(plain), together, ...voices, whole]
  return [
    ...limbParts(plain, all),
    together,
    ...weakSpots(lick, plain, setting),
    ...halves(plain),
    ...voices,
    whole,
  ]
}

/** Hands alone and feet alone, where a line has both. */
function limbParts(plain: Lick, all: SlotRange): PracticePart[] {
  const feet = (['K', 'H', 'J'] as const).filter((letter) =>
    uses(plain, (s) => s.letter === letter),
  )
  const hands = uses(plain, ({ letter }) => isHand(letter))
  if (feet.length === 0 || !hands) return []
  const without = (letters: readonly ('R' | 'L' | 'X' | 'K' | 'H' | 'J')[]) =>
    letters.reduce<Phrase>((phrase, letter) => leaveOut(phrase, letter), phraseOf(plain.line, all))
  const pulse = uses(plain, ({ letter }) => letter === 'H' || letter === 'J')
    ? []
    : [pulseOf(plain.frame.meter)]
  return [
    { kind: 'hands', lick: bare(withSlots(plain, without(feet).slots)), form: OVER, range: all },
    {
      kind: 'feet',
      lick: { ...bare(withSlots(plain, without(['R', 'L', 'X']).slots)), ostinatos: pulse },
      form: OVER,
      range: all,
    },
  ]
}

/** Each transition between two groups once, and the move that sets the speed limit. */
function weakSpots(lick: Lick, plain: Lick, setting: Setting): PracticePart[] {
  const count = lick.line.slots.length
  const around = (from: number, to: number) => ({
    from: Math.max(0, from - AROUND),
    to: Math.min(count, to + AROUND),
  })
  const seen = new Set<string>()
  const transitions = startsOf(lick.line.groups)
    .slice(1)
    .flatMap((start): PracticePart[] => {
      const range = around(start, start)
      const key = plain.line.slots.slice(range.from, range.to).map(formatSlot).join('')
      if (seen.has(key)) return []
      seen.add(key)
      return [{ kind: 'transition', lick: excerpt(plain, range), form: OVER, range }]
    })
  const { bottleneck } = speedLimit(lick, 'line', setting)
  const slotAt = (tick?: Ticks) => lineEvents(lick).find((event) => event.tick === tick)?.slot
  const [from, last] = [slotAt(bottleneck?.fromTick), slotAt(bottleneck?.toTick)]
  // A move of the feet under the line alone is no spot of the line.
  if (from === undefined || last === undefined) return transitions
  const tight = { from, to: last + 1 }
  if (tight.to - tight.from >= count) return transitions
  const spot = { kind: 'bottleneck', lick: excerpt(lick, tight), form: OVER, range: tight } as const
  return [...transitions, spot]
}

/** The halves of a line of several groups, cut where a group ends nearest to the middle. */
function halves(plain: Lick): PracticePart[] {
  const count = plain.line.slots.length
  const middle = startsOf(plain.line.groups)
    .slice(1)
    .sort((a, b) => Math.abs(a - count / 2) - Math.abs(b - count / 2))[0]
  if (middle === undefined) return []
  return [
    { from: 0, to: middle },
    { from: middle, to: count },
  ].map((range) => ({ kind: 'half', lick: excerpt(plain, range), form: OVER, range }))
}

/** One hand's voices at a time, where a line has voices of its own. */
function voiceParts(lick: Lick, all: SlotRange): PracticePart[] {
  const moved = (letter: 'R' | 'L') =>
    uses(lick, (stroke) => stroke.letter === letter && (stroke.voice ?? 'sn') !== 'sn')
  const only = (letter: 'R' | 'L') =>
    withSlots(
      lick,
      mapStrokes(lick.line.slots, (stroke) =>
        isHand(stroke.letter) && stroke.letter !== letter ? withoutVoice(stroke) : stroke,
      ),
    )
  const hands = (['R', 'L'] as const).filter(moved)
  if (hands.length < 2) return []
  return hands.map((letter) => ({
    kind: letter === 'R' ? 'right-voices' : 'left-voices',
    lick: bare(only(letter)),
    form: OVER,
    range: all,
  }))
}

function uses(lick: Lick, has: (stroke: Stroke) => boolean): boolean {
  return lick.line.slots.some((slot) => strokesInSlot(slot).some(({ stroke }) => has(stroke)))
}

function withoutVoice({ voice: _voice, graceVoice: _graceVoice, ...stroke }: Stroke): Stroke {
  return isHand(stroke.letter) ? stroke : { ...stroke, ...(_voice && { voice: _voice }) }
}

function withSlots(lick: Lick, slots: Line['slots']): Lick {
  return { ...lick, line: { ...lick.line, slots } }
}

/** A lick by itself, over and over: without groove or landing. */
function bare(lick: Lick): Lick {
  const landing = { kind: 'none', at: 'beat' } as const
  return {
    ...lick,
    frame: { ...lick.frame, lead: 0, groove: 'none', stop: null, bars: null, landing },
  }
}

/** A range of a lick from 1 on, at its own grids and tempo. */
function excerpt(lick: Lick, range: SlotRange): Lick {
  const slots = lickSlots(lick).slice(range.from, range.to)
  const grid: Grid = slots[0]?.grid ?? lick.frame.grid
  const gridChanges = normalGridChanges(
    slots.map((slot, at) => ({ at, grid: slot.grid })),
    grid,
    slots.length,
  )
  const phrase = phraseOf(lick.line, range)
  const { meter, tempo, goal, swing } = lick.frame
  return bare({
    ...EMPTY_LICK,
    title: lick.title,
    kit: lick.kit,
    frame: { ...EMPTY_LICK.frame, meter, tempo, goal, swing, grid, start: 0 },
    line: { ...phrase, gridChanges },
  })
}
