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
  TEMPO_RANGE,
  type TimedSlot,
} from '../line'
import { formatSlot } from '../notation'
import { DEFAULT_SETTING, type PlayContext, speedLimit } from '../playability'
import { HOME_SURFACE, isHand, type Stroke, strokesInSlot } from '../sticking'
import { type Grid, gridName, type Ticks } from '../time'
import { inForm, type PracticeForm } from './form'
import type { PartKind, PracticeOrder } from './kinds'
import { barPulseOf, pulseOf } from './pulse'

/** One step of a build-up: a small lick of its own, in the form in which it is played. */
export interface PracticePart {
  readonly kind: PartKind
  readonly lick: Lick
  readonly form: PracticeForm
  /** The slots of the lick that it is made from. */
  readonly range: SlotRange
  /** What the player calls it; empty for what it is. */
  readonly name?: string
  /** The saved version that is played, by its id. */
  readonly version?: string
}

/**
 * The order for a lick where the player has chosen none: by its parts where it has two or more.
 *
 * @example usualOrder(lickOf('line: RLLK')) // 'parts'
 */
export function usualOrder(lick: Lick): PracticeOrder {
  return lick.line.groups.length > 1 || lick.parts.length > 0 ? 'joined' : 'parts'
}

/** What tells a part of a lick's build-up from the others, also when the lick has changed. */
export function partKey({ kind, range, version }: PracticePart): string {
  return version ? `${kind} ${version}` : `${kind} ${range.from}-${range.to}`
}

export const OVER: PracticeForm = { kind: 'over' }
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
  setting: PlayContext = DEFAULT_SETTING,
): PracticePart[] {
  const all = { from: 0, to: lick.line.slots.length }
  if (all.to === 0) return []
  const making: Making = { lick, setting, limit: speedLimit(lick, 'line', setting).bpm }
  const whole: PracticePart = { kind: 'bar', lick, form: barForm(lick), range: all }
  const plain = withSlots(lick, mapStrokes(lick.line.slots, withoutVoice))
  const together = wholePart('together', bare(plain), making)
  const voices = voiceParts(making)
  if (order === 'bar') return [whole]
  if (order === 'joined') return [...joinedParts(making), whole]
  if (order === 'growing') return [...grownParts(making), whole]
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
  readonly setting: PlayContext
  readonly limit: number | null
}

/** The whole in the bar, after as many bars of groove as the lick has before it. Example: `lead: 3` is 3 + 1. */
export function barForm({ frame }: Lick): PracticeForm {
  return { kind: 'bars', groove: Math.min(MAX_GROOVE, frame.lead), fill: 1 }
}
/** A form has no more bars of groove. */
const MAX_GROOVE = 8

/**
 * A part of all slots: over and over, or where that would be harder than the lick, with a breath; what sounds
 * under it is left out where it would be harder even so, as under a line that is longer than its bars.
 */
function wholePart(kind: PartKind, lick: Lick, making: Making): PracticePart {
  const range = { from: 0, to: lick.line.slots.length }
  if (isNoHarder(inForm(lick, OVER), making)) return { kind, lick, form: OVER, range }
  const form = breathing(lick, making)
  if (lick.ostinatos.length > 0 && !isNoHarder(inForm(lick, form), making))
    return wholePart(kind, { ...lick, ostinatos: [] }, making)
  return { kind, lick, form, range }
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

/** Whether what is played, over and over or once, has as much time for every move as the lick itself. */
function isNoHarder(
  played: Lick,
  { limit, setting }: Making,
  reading: 'line' | 'loop' = 'loop',
): boolean {
  const { bpm } = speedLimit(played, reading, setting)
  // Nothing is played faster than a lick's tempo can be written.
  const least = Math.min(limit ?? TEMPO_RANGE.most, TEMPO_RANGE.most)
  return bpm === null || bpm >= least * (1 - 1e-9)
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
  const feetAlone = {
    ...bare(withSlots(plain, without(['R', 'L', 'X']).slots)),
    ostinatos: [],
  }
  const beaten = { ...feetAlone, ostinatos: [pulseOf(plain.frame.meter)] }
  const pulsed = isNoHarder(beaten, making, 'line')
    ? beaten
    : { ...feetAlone, ostinatos: [barPulseOf(plain.frame.meter)] }
  const hasPulse = uses(plain, ({ letter }) => letter === 'H' || letter === 'J')
  return [
    wholePart('hands', bare(withSlots(plain, without(feet).slots)), making),
    wholePart('feet', hasPulse ? feetAlone : pulsed, making),
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

/**
 * Each new part alone, then all so far, each in its place in the bar: the parts that the player named, in
 * their order, or the groups. Example: groups of 5 3 4 4 are 5, 3, 5+3, 4, 5+3+4, 4, before the whole.
 */
function joinedParts(making: Making): PracticePart[] {
  const { lick } = making
  const count = lick.line.slots.length
  const starts = startsOf(lick.line.groups)
  const own = lick.parts
    .filter(({ from }) => from < count)
    .map(({ name, from, to }) => ({ name, from, to: Math.min(count, to + 1) }))
  const groups = starts.map((from, i) => ({ name: '', from, to: starts[i + 1] ?? count }))
  const spans = own.length > 0 ? own : few(withoutSingles(groups, lick))
  const seen = new Set([`0-${count}`])
  const played = new Set<string>()
  const steps: PracticePart[] = []
  const add = (kind: 'part' | 'so-far', { from, to, name }: (typeof spans)[number]) => {
    if (seen.has(`${from}-${to}`)) return
    seen.add(`${from}-${to}`)
    const music = name + musicOf(lick, from, to)
    // Equal parts are one step: the same strokes in the same place against the beat.
    if (kind === 'part' && played.has(music)) return
    played.add(music)
    steps.push({ ...placedPart(kind, lick, { from, to }, making), ...(name && { name }) })
  }
  let [least, most] = [count, 0]
  for (const span of spans) {
    const first = most === 0
    least = Math.min(least, span.from)
    most = Math.max(most, span.to)
    add('part', span)
    if (!first) add('so-far', { name: '', from: least, to: most })
  }
  return steps
}

/** What some slots are to the hands: their strokes and grids, and where they lie against the beat. */
function musicOf(lick: Lick, from: number, to: number): string {
  const { beat } = frameTicks(lick.frame)
  const slots = lickSlots(lick).slice(from, to)
  const place = (slots[0]?.tick ?? 0) % beat
  return [
    place,
    ...slots.map(({ content, grid }) => `${gridName(grid)} ${formatSlot(content)}`),
  ].join()
}

/** Spans that are no single stroke: one of a slot alone joins the span before it, the first the one after it. */
function withoutSingles<S extends { readonly from: number; readonly to: number }>(
  spans: readonly S[],
  { line }: Lick,
): S[] {
  const strokes = ({ from, to }: S) =>
    line.slots.slice(from, to).filter(({ kind }) => kind !== 'rest').length
  const joined: S[] = []
  for (const span of spans) {
    const last = joined.at(-1)
    if (last && (strokes(span) < 2 || strokes(last) < 2))
      joined[joined.length - 1] = { ...last, to: span.to }
    else joined.push(span)
  }
  return joined
}

/** So many parts are learnt by heart; of more groups, neighbours are one part. */
const MAX_SPANS = 16

function few<S extends { from: number; to: number }>(spans: readonly S[]): readonly S[] {
  if (spans.length <= MAX_SPANS) return spans
  const pairs = spans.flatMap((span, i) =>
    i % 2 === 0 ? [{ ...span, to: (spans[i + 1] ?? span).to }] : [],
  )
  return few(pairs)
}

/** The line up to its first beat, its second, and so on, each in its place in the bar. */
function grownParts(making: Making): PracticePart[] {
  const { lick } = making
  const { beat } = frameTicks(lick.frame)
  const slots = lickSlots(lick)
  const ends = new Set<number>()
  for (const { index, tick } of slots) {
    const next = slots[index + 1]
    if (next && Math.floor(next.tick / beat) > Math.floor(tick / beat)) ends.add(index + 1)
  }
  const few = [...ends].filter((_, i) => i % Math.ceil(ends.size / MAX_SPANS) === 0)
  return few.map((to) => placedPart('so-far', lick, { from: 0, to }, making))
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
    withSlots(lick, mapStrokes(lick.line.slots, voicesOfHand(letter)))
  return (['R', 'L'] as const)
    .filter(moved)
    .map((letter) =>
      wholePart(letter === 'R' ? 'right-voices' : 'left-voices', bare(only(letter)), making),
    )
}

function uses(lick: Lick, has: (stroke: Stroke) => boolean): boolean {
  return lick.line.slots.some((slot) => strokesInSlot(slot).some(({ stroke }) => has(stroke)))
}

/**
 * Strokes with what one hand plays where the lick has it, and the other at home. Graces go with the hand that
 * plays them, which is the other one: so the hand's ways are those of the lick.
 *
 * @example of `fL:t1` and `fR:t2` the right hand's are `fL:sn/t1` and `fR:t2/sn`
 */
export function voicesOfHand(letter: 'R' | 'L'): (stroke: Stroke) => Stroke {
  return (stroke) => {
    if (!isHand(stroke.letter)) return stroke
    const grace = stroke.graces > 0 && (stroke.graceVoice ?? stroke.voice)
    if (stroke.letter === letter) return grace ? { ...stroke, graceVoice: HOME } : stroke
    const plain = withoutVoice(stroke)
    return grace && stroke.letter !== 'X' ? { ...plain, voice: HOME, graceVoice: grace } : plain
  }
}

const HOME = HOME_SURFACE.R

export function withoutVoice({
  voice: _voice,
  graceVoice: _graceVoice,
  ...stroke
}: Stroke): Stroke {
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
    parts: EMPTY_LICK.parts,
    frame: { ...lick.frame, lead: 0, groove: 'none', stop: 0, bars: null, landing },
  }
}

/**
 * Slots of a lick in their place in the bar, at their own grids and tempo.
 *
 * @example formatLine(excerpt(lickOf('line: RLLKRL'), 1, 4).line) // 'LLK'
 */
export function excerpt(lick: Lick, from: number, to: number): Lick {
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
