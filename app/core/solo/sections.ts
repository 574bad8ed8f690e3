import { mirrorHands } from '../changes'
import { runOn } from '../fitting'
import {
  aimOf,
  DEFAULT_FRAME,
  EMPTY_LICK,
  frameTicks,
  type Lick,
  type Line,
  lickSlots,
  lineTicks,
} from '../line'
import type { Turn } from '../performance'
import { toMix } from '../practice'
import type { Rest, SlotContent } from '../sticking'
import { barTicks, beatTicks, type Meter, STRAIGHT, secondsPerTick, type Ticks } from '../time'
import type { FlowPart, RunPart, Solo, SoloPart } from './solo'

/** Whole bars of a solo that one lick makes: a part is one of them, or several. */
export interface Section extends Turn {
  /** Which part of the solo, and which time of it. */
  readonly part: number
  readonly time: number
  /** Its first barline, in ticks from the beginning of the solo, and its length in ticks and bars. */
  readonly from: Ticks
  readonly ticks: Ticks
  readonly bars: number
  /** The bars that went before it. */
  readonly barsBefore: number
}

const NO_LANDING = { kind: 'none', at: 'bar' } as const

/**
 * A solo bar by bar: every part as licks of whole bars, one after the other, without a gap and without
 * an overlap. Each is at the solo's tempo in beats of its own metre. A lick's own bars of groove before
 * it are left out: groove is a part. Where the next section strikes on its first beat, a part that says
 * nothing else goes straight on; else it lands as it is written.
 *
 * @example groove 3, a lick of 1 bar, 4 for the others, fives for 5, groove 3: 16 bars
 */
export function toSections(solo: Solo): Section[] {
  const pieces = solo.parts.flatMap((part, index) =>
    sectionLicks(part).map((lick, time) => ({ part, index, time, lick })),
  )
  const sections: Section[] = []
  let [from, barsBefore] = [0, 0]
  for (const [i, { part, index, time, lick: own }] of pieces.entries()) {
    const next = pieces[i + 1]?.lick
    const lick = placedLick(own, goesOn(own, part, next), solo)
    const bars = aimOf(lick).bars + lick.frame.lead
    const ticks = bars * frameTicks(lick.frame).bar
    sections.push({ lick, pickup: time === 0, part: index, time, from, ticks, bars, barsBefore })
    from += ticks
    barsBefore += bars
  }
  return sections
}

/** How long a solo is, in bars and in seconds. Example: 16 bars of 4/4 at 100 are 38.4 s. */
export function soloLength(solo: Solo, sections: readonly Section[] = toSections(solo)) {
  const last = sections.at(-1)
  const ticks = last ? last.from + last.ticks : 0
  return {
    bars: last ? last.barsBefore + last.bars : 0,
    ticks,
    seconds: ticks * soloSecondsPerTick(solo),
  }
}

/**
 * Seconds of a tick of a solo, at a tempo in beats of its metre.
 *
 * @example soloSecondsPerTick({ meter: toMeter(4, 4), tempo: 60 }) * 10080 // 1
 */
export function soloSecondsPerTick({ meter, tempo }: Solo, at = tempo): number {
  return secondsPerTick(at, beatTicks(meter))
}

/**
 * The section in which a tick lies, by halving; the last one for all that is later.
 *
 * @example sectionAt([{ from: 0 }, { from: 40320 }], 50000) // 1
 */
export function sectionAt(sections: readonly Section[], tick: Ticks): number {
  let [low, high] = [0, sections.length]
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if ((sections[middle] as Section).from <= tick) low = middle
    else high = middle
  }
  return low
}

/** Licks that are made once for a part that does not change. */
const made = new WeakMap<SoloPart, readonly Lick[]>()

function sectionLicks(part: SoloPart): readonly Lick[] {
  const known = made.get(part) ?? makeLicks(part)
  made.set(part, known)
  return known
}

function makeLicks(part: SoloPart): readonly Lick[] {
  switch (part.kind) {
    case 'groove':
    case 'others':
      return [grooveBars(part.groove, part.meter, part.bars)]
    case 'lick': {
      const lick = led(part)
      return Array.from({ length: part.times }, () => lick)
    }
    case 'run':
      return [runLick(part)]
    case 'flow':
      return flowLicks(part)
  }
}

/**
 * So many bars of groove, and nothing else; of `none`, so many bars in which only the click is heard.
 *
 * @example grooveBars('eighths', toMeter(4, 4), 4).frame.lead // 3
 */
export function grooveBars(groove: string, meter: Meter, bars: number): Lick {
  const frame = { ...DEFAULT_FRAME, meter, groove, swing: STRAIGHT, landing: NO_LANDING }
  return {
    ...EMPTY_LICK,
    frame: { ...frame, lead: bars - 1, start: 0, stop: barTicks(meter), bars: 1 },
  }
}

/**
 * A lick as its part leads it, without its own bars of groove: by the other hand with everything that hands play of
 * it, its pick-up, what goes on under it, and the strokes of its own that it lands on.
 */
function led({ lick, otherHand }: Pick<RunPart, 'lick' | 'otherHand'>): Lick {
  const frame = { ...lick.frame, lead: 0 }
  if (!otherHand) return { ...lick, frame }
  const mirrored = (line: Line): Line => ({ ...line, ...mirrorHands(line) })
  const { landing } = frame
  const lands = (slot: Exclude<SlotContent, Rest>) =>
    mirrorHands({ slots: [slot], groups: [1] }).slots[0] as typeof slot
  return {
    ...lick,
    line: mirrored(lick.line),
    pickup: mirrored(lick.pickup),
    ostinatos: lick.ostinatos.map((layer) => ({ ...layer, line: mirrored(layer.line) })),
    frame: {
      ...frame,
      landing: landing.kind === 'strokes' ? { ...landing, slot: lands(landing.slot) } : landing,
    },
  }
}

/** A cell over the barlines; one that is longer than its bars is cut at their end. */
function runLick(part: RunPart): Lick {
  const own = led(part)
  const lick = {
    ...own,
    frame: { ...own.frame, start: 0, stop: null, bars: part.bars, swells: [] },
  }
  const all = { from: 0, to: lick.line.slots.length }
  return runOn(lick, all, part.bars)?.lick ?? cutTo(lick, part.bars * frameTicks(lick.frame).bar)
}

/** A line up to the last slot that ends by a tick. */
function cutTo(lick: Lick, end: Ticks): Lick {
  if (lineTicks(lick.line, lick.frame.grid) <= end) return lick
  const count = lickSlots(lick).filter(({ tick, ticks }) => tick + ticks <= end).length
  const groups: number[] = []
  let left = count
  for (const size of lick.line.groups) {
    if (left > 0) groups.push(Math.min(size, left))
    left -= size
  }
  const gridChanges = lick.line.gridChanges.filter(({ at }) => at < count)
  return { ...lick, line: { slots: lick.line.slots.slice(0, count), groups, gridChanges } }
}

function flowLicks({
  sources,
  meter,
  grid,
  bars,
  phrase,
  mostInRow,
  tail,
  seed,
}: FlowPart): Lick[] {
  const frame = { ...DEFAULT_FRAME, meter, grid, landing: NO_LANDING }
  const mix = { frame, ostinatos: [], sources, mostInRow, tail, seed }
  const whole = toMix({ ...mix, bars: phrase })
  const count = Math.floor(bars / phrase)
  const licks = Array.from({ length: count }, (_, i) => whole(i).lick)
  const rest = bars - count * phrase
  return rest > 0 ? [...licks, toMix({ ...mix, bars: rest })(0).lick] : licks
}

/** Whether a section goes straight on into the next one, without the landing that is written. */
function goesOn(lick: Lick, part: SoloPart, next: Lick | undefined): boolean {
  if (part.kind !== 'lick' && part.kind !== 'run') return false
  // What lands inside the bar, or with its own last stroke, does so whatever comes.
  const { kind, at } = lick.frame.landing
  if (kind === 'last' || kind === 'none' || at === 'beat') return false
  if (part.end !== 'auto') return part.end === 'straight-on'
  return next !== undefined && strikesFirst(next)
}

/** Whether a lick strikes on its first barline itself, its groove aside. */
function strikesFirst({ line, frame }: Lick): boolean {
  const [first] = line.slots
  return frame.lead === 0 && frame.start === 0 && first !== undefined && first.kind !== 'rest'
}

/** Licks as they stand in a solo: one object as long as nothing of it changes. */
const placed = new WeakMap<Lick, Map<string, Lick>>()

/**
 * A lick without its landing, perhaps, at the solo's tempo, told in beats of the lick's own metre: 100
 * quarters a minute are 66.7 dotted ones.
 */
function placedLick(lick: Lick, straightOn: boolean, { meter, tempo, goal }: Solo): Lick {
  const times = beatTicks(meter) / beatTicks(lick.frame.meter)
  const own = { tempo: tempo * times, goal: goal === null ? null : goal * times }
  const key = `${straightOn} ${own.tempo} ${own.goal}`
  const ofLick = placed.get(lick) ?? new Map<string, Lick>()
  placed.set(lick, ofLick)
  const known = ofLick.get(key)
  if (known) return known
  const landing = straightOn ? NO_LANDING : lick.frame.landing
  const made = { ...lick, frame: { ...lick.frame, ...own, landing } }
  ofLick.set(key, made)
  return made
}
