import { leaveOut, mapStrokes, type Phrase, phraseOf, type SlotRange, startsOf } from '../changes'
import {
  aimOf,
  EMPTY_LICK,
  frameTicks,
  type Lick,
  type Line,
  lickSlots,
  lineEvents,
  normalGridChanges,
  type TimedSlot,
} from '../line'
import { formatSlot } from '../notation'
import { DEFAULT_SETTING, type Setting, speedLimit } from '../playing'
import { isHand, type Stroke, strokesInSlot } from '../sticking'
import type { Grid, Ticks } from '../time'
import { inForm, type PracticeForm } from './form'
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
  const loop = excerpt(lick, range.from, range.to)
  return {
    kind: 'loop',
    lick: { ...loop, frame: { ...loop.frame, start: 0 } },
    form: OVER,
    range,
  }
}

const OVER: PracticeForm = { kind: 'over' }
/** Slots on either side of a transition, and of a bottleneck. */
const AROUND = 2

/**
 * A lick taken apart to be learnt: the hands with holes where the feet play, the feet against the
 * pulse, both on one surface, each transition between groups and the bottleneck in their place in the
 * bar, the halves, each hand's voices, and the whole in the bar. What the lick does not have is left out.
 * Law: no part, as it is played, is harder than the lick. Example: `RLRKK` is `RLR--`, `---KK`, `RLRKK`.
 */
export function buildUp(
  lick: Lick,
  order: PracticeOrder = 'parts',
  setting: Setting = DEFAULT_SETTING,
): PracticePart[] {
  const all = { from: 0, to: lick.line.slots.length }
  if (all.to === 0) return []
  const making: Making = { lick, setting, limit: speedLimit(lick, 'line', setting).bpm }
  const whole: PracticePart = { kind: 'bar', lick, form: barForm(lick), range: all }
  const plain = withSlots(lick, mapStrokes(lick.line.slots, withoutVoice))
  const together = wholePart('together', bare(plain), making)
  const voices = voiceParts(making)
  if (order === 'bar') return [whole]
  if (order === 'whole') return [together, ...voices, whole]
  if (order === 'halves') return [...halves(plain, making), together, ...voices, whole]
  return [
    ...limbParts(plain, making),
    together,
    ...weakSpots(plain, making),
    ...halves(plain, making),
    ...voices,
    whole,
  ]
}

/** What parts are made from, and the tempo up to which none of them may be too fast. */
interface Making {
  readonly lick: Lick
  readonly setting: Setting
  readonly limit: number | null
}

/** The whole in the bar: after a bar of groove, or without any where the lick has none before it. */
function barForm({ frame }: Lick): PracticeForm {
  return { kind: 'bars', groove: frame.lead > 0 ? 1 : 0, fill: 1 }
}

/** A part of all slots: over and over, or where that would be harder than the lick, with a breath. */
function wholePart(kind: PartKind, lick: Lick, making: Making): PracticePart {
  const range = { from: 0, to: lick.line.slots.length }
  const over = isNoHarder(inForm(lick, OVER), making)
  return { kind, lick, form: over ? OVER : breathing(lick, making), range }
}

/** A part of some slots in its place in the bar, with the first stroke after it. */
function placedPart(kind: PartKind, from: Lick, range: SlotRange, making: Making): PracticePart {
  const lick = excerpt(from, range.from, withNextStroke(from, range.to))
  return { kind, lick, form: breathing(lick, making), range }
}

/** Bars of the part alone, one more than it takes where it would be harder coming round at once. */
function breathing(lick: Lick, making: Making): PracticeForm {
  const fill = Math.max(1, Math.ceil(aimOf(lick).end / frameTicks(lick.frame).bar))
  const form = { kind: 'bars', groove: 0, fill } as const
  return isNoHarder(inForm(lick, form), making) ? form : { ...form, fill: fill + 1 }
}

/** Whether what is played over and over has as much time for every move as the lick itself. */
function isNoHarder(played: Lick, { limit, setting }: Making): boolean {
  const { bpm } = speedLimit(played, 'loop', setting)
  return bpm === null || (limit !== null && bpm >= limit * (1 - 1e-9))
}

/** The end of a part with the first stroke after it, where that comes within a beat. */
function withNextStroke(lick: Lick, to: number): number {
  const slots = lickSlots(lick)
  const end = slots[to]
  if (!end) return to
  const next = slots.findIndex(({ index, content }) => index >= to && content.kind !== 'rest')
  const { beat } = frameTicks(lick.frame)
  return next >= 0 && (slots[next] as TimedSlot).tick - end.tick <= beat ? next + 1 : to
}

/** Hands alone and feet alone, where a line has both. */
function limbParts(plain: Lick, making: Making): PracticePart[] {
  const all = { from: 0, to: plain.line.slots.length }
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
  const feetAlone = bare(withSlots(plain, without(['R', 'L', 'X']).slots))
  return [
    wholePart('hands', bare(withSlots(plain, without(feet).slots)), making),
    wholePart('feet', { ...feetAlone, ostinatos: pulse }, making),
  ]
}

/** Each transition between two groups once, and the move that sets the speed limit. */
function weakSpots(plain: Lick, making: Making): PracticePart[] {
  const { lick, setting } = making
  const count = lick.line.slots.length
  const seen = new Set<string>()
  const transitions = startsOf(lick.line.groups)
    .slice(1)
    .flatMap((start): PracticePart[] => {
      const range = { from: Math.max(0, start - AROUND), to: Math.min(count, start + AROUND) }
      const key = plain.line.slots.slice(range.from, range.to).map(formatSlot).join('')
      if (seen.has(key)) return []
      seen.add(key)
      return [placedPart('transition', plain, range, making)]
    })
  const { bottleneck } = speedLimit(lick, 'line', setting)
  const slotAt = (tick?: Ticks) => lineEvents(lick).find((event) => event.tick === tick)?.slot
  const [from, last] = [slotAt(bottleneck?.fromTick), slotAt(bottleneck?.toTick)]
  // A move of the feet under the line alone is no spot of the line.
  if (from === undefined || last === undefined) return transitions
  const tight = { from, to: last + 1 }
  if (tight.to - tight.from >= count) return transitions
  return [...transitions, placedPart('bottleneck', lick, tight, making)]
}

/** The halves of a line of several groups, cut where a group ends nearest to the middle. */
function halves(plain: Lick, making: Making): PracticePart[] {
  const count = plain.line.slots.length
  const middle = startsOf(plain.line.groups)
    .slice(1)
    .sort((a, b) => Math.abs(a - count / 2) - Math.abs(b - count / 2))[0]
  if (middle === undefined) return []
  return [
    { from: 0, to: middle },
    { from: middle, to: count },
  ].map((range) => placedPart('half', plain, range, making))
}

/** Each hand's voices by themselves, where it has any of its own. */
function voiceParts(making: Making): PracticePart[] {
  const { lick } = making
  const moved = (letter: 'R' | 'L') =>
    uses(lick, (stroke) => stroke.letter === letter && (stroke.voice ?? 'sn') !== 'sn')
  const only = (letter: 'R' | 'L') =>
    withSlots(
      lick,
      mapStrokes(lick.line.slots, (stroke) =>
        isHand(stroke.letter) && stroke.letter !== letter ? withoutVoice(stroke) : stroke,
      ),
    )
  return (['R', 'L'] as const)
    .filter(moved)
    .map((letter) =>
      wholePart(letter === 'R' ? 'right-voices' : 'left-voices', bare(only(letter)), making),
    )
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

/** A lick by itself: without groove, pick-up or landing. */
function bare(lick: Lick): Lick {
  const landing = { kind: 'none', at: 'bar' } as const
  return {
    ...lick,
    pickup: EMPTY_LICK.pickup,
    frame: { ...lick.frame, lead: 0, groove: 'none', stop: 0, bars: null, landing },
  }
}

/** Slots of a lick in their place in the bar, at their own grids and tempo. */
function excerpt(lick: Lick, from: number, to: number): Lick {
  const slots = lickSlots(lick).slice(from, to)
  const grid: Grid = slots[0]?.grid ?? lick.frame.grid
  const gridChanges = normalGridChanges(
    slots.map((slot, at) => ({ at, grid: slot.grid })),
    grid,
    slots.length,
  )
  const phrase = phraseOf(lick.line, { from, to })
  const { meter, tempo, goal, swing } = lick.frame
  const start = (slots[0]?.tick ?? 0) % frameTicks(lick.frame).bar
  return bare({
    ...EMPTY_LICK,
    title: lick.title,
    kit: lick.kit,
    frame: { ...EMPTY_LICK.frame, meter, tempo, goal, swing, grid, start },
    line: { ...phrase, gridChanges },
  })
}
