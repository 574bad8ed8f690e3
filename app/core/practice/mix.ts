import { mirrorHands } from '../changes'
import { endRun } from '../fitting'
import { gcd, type RandomStream, toRandomStream } from '../foundation'
import {
  EMPTY_LICK,
  type Frame,
  frameTicks,
  type Lick,
  type Line,
  lineTicks,
  normalGridChanges,
  type Ostinato,
} from '../line'
import { isHand, REST, type SlotContent, strokesInSlot, toStroke } from '../sticking'
import { type Grid, gridTicks, type Ticks } from '../time'
import {
  type DrawPhrase,
  type FlowPhrase,
  type FlowRules,
  type FlowRun,
  NO_RUN,
  toDraw,
} from './flow'
import { type JoinRules, toJoin } from './joins'

/** Something to mix: a cell or the line of a lick, on the grid that it is written in. */
export interface MixSource {
  readonly name: string
  readonly line: Line
  readonly grid: Grid
  /** How often it is wished for beside the others, a whole number; 0 for never. */
  readonly weight: number
  /** What goes on under it; none where nothing is said. */
  readonly ostinatos?: readonly Ostinato[]
}

/** What is played where nothing comes out exactly. */
export const TAILS = ['rest', 'singles', 'kicks'] as const
export type Tail = (typeof TAILS)[number]

/** Licks and cells mixed by chance without a break, every phrase ending on its barline. */
export interface Mix {
  /** Metre, grid of what is made up, tempo, swing. */
  readonly frame: Frame
  readonly ostinatos: readonly Ostinato[]
  readonly sources: readonly MixSource[]
  /** Bars of a phrase. */
  readonly bars: number
  readonly mostInRow: number
  /** How cells are joined; in any way where nothing is said. */
  readonly joins?: JoinRules
  readonly tail: Tail
  readonly seed: number
}

/** One phrase of a mix. */
export interface MixPhrase {
  readonly lick: Lick
  /** Which source each piece is, and its first slot. */
  readonly pieces: readonly { readonly source: number; readonly slot: number }[]
  /** What had to be made up at the end. */
  readonly made: Ticks
}

/**
 * Whether the grid comes out in the bar: else nothing made up could end on the barline.
 *
 * @example fillsBar(lickOf('grid: 1/16\nline: R')) // true
 */
export function fillsBar({ frame }: Pick<Mix, 'frame'>): boolean {
  return frameTicks(frame).bar % gridTicks(frame.grid) === 0
}

/**
 * The phrases of a mix by their number, from 0: the same for the same seed, in whatever order they
 * are asked for. Each fills its bars to the tick; no source comes more than `mostInRow` times in a
 * row, across the barlines too. Throws RangeError where the grid does not come out in the bar.
 */
export function toMix(mix: Mix): (index: number) => MixPhrase {
  const { frame, sources, bars, tail, seed } = mix
  if (!fillsBar(mix)) throw new RangeError('a mix on a grid that does not fill its bar')
  const length = bars * frameTicks(frame).bar
  const fill = toFilling(mix)
  const runs: FlowRun[] = []
  const orders: (readonly Drawn[])[] = []
  return (index) => {
    for (let next = orders.length; next <= index; next += 1) {
      const drawn = fill(length, streamAt(seed, next), runs[next - 1] ?? NO_RUN)
      orders.push(drawnOf(drawn))
      runs.push(drawn.run)
    }
    const order = orders[index] as readonly Drawn[]
    const { line, pieces, made } = toLine([], order, sources, { frame, tail, length })
    const landing = { kind: 'none', at: 'bar' } as const
    return {
      lick: {
        ...EMPTY_LICK,
        frame: {
          ...frame,
          start: 0,
          stop: null,
          lead: 0,
          bars,
          landing,
          swells: [],
          groove: 'none',
        },
        ostinatos: ostinatosOf(mix, order),
        line,
      },
      pieces,
      made,
    }
  }
}

/** A phrase that grows: small cells after it lengthen it beat by beat, up to a most. */
export interface Stretch extends Omit<Mix, 'bars'> {
  readonly base: MixSource
  /** So many beats more at the most. */
  readonly mostBeats: number
  /** How often each length is played before the next. */
  readonly repeats: number
  /** The lengths in order, or drawn by chance. */
  readonly order: 'growing' | 'chance'
}

/** Bars of groove before the longest of the phrases. */
const GROOVE_BARS = 1

/**
 * The rounds of a stretch by their number: after groove, the phrase with so many beats of small
 * cells behind it, begun so early that it ends on the barline. All rounds have the same bars.
 */
export function toStretch(
  stretch: Stretch,
): (round: number) => MixPhrase & { readonly beats: number } {
  const { base, frame, sources, mostBeats, repeats, tail, seed } = stretch
  const { bar, beat } = frameTicks(frame)
  const own = lineTicks(base.line, base.grid)
  const whole = Math.ceil(own / beat) * beat
  const longest = Math.ceil((whole + mostBeats * beat) / bar)
  const fill = toFilling(stretch)
  const begins = { ...NO_RUN, end: endRun(base.line) }
  return (round) => {
    const random = streamAt(seed, round)
    const beats =
      stretch.order === 'growing'
        ? Math.floor(round / repeats) % (mostBeats + 1)
        : Math.floor(random() * (mostBeats + 1))
    const length = whole + beats * beat
    const bars = Math.max(1, Math.ceil(length / bar))
    const order = drawnOf(fill(length - own, random, begins))
    const { line, pieces, made } = toLine([base], order, sources, { frame, tail, length })
    const start = bars * bar - length
    const lead = GROOVE_BARS + longest - bars
    return {
      lick: {
        ...EMPTY_LICK,
        frame: { ...frame, start, stop: null, lead, bars, swells: [] },
        ostinatos: [...stretch.ostinatos, ...(base.ostinatos ?? [])],
        line,
      },
      pieces,
      made,
      beats,
    }
  }
}

/** Draws an order of sources for a length; a remainder is of whole slots of the grid, if it can. */
function toFilling({
  sources,
  frame: { grid },
  mostInRow,
  joins,
}: Pick<Mix, 'sources' | 'frame' | 'mostInRow' | 'joins'>) {
  const join =
    joins &&
    toJoin(
      sources.map(({ line }) => line),
      joins,
    )
  const ticks = sources.map(({ line, grid: own }) => lineTicks(line, own))
  const draws = new Map<Ticks, DrawPhrase>()
  return (length: Ticks, random: RandomStream, before: FlowRun) => {
    const draw = draws.get(length) ?? toDraw(rulesFor(length))
    draws.set(length, draw)
    return draw(random, before)
  }

  function rulesFor(length: Ticks): FlowRules {
    const slot = gridTicks(grid)
    const unit = [...ticks, slot, length].filter((one) => one > 0).reduce(gcd, 0)
    const cells = sources.map(({ weight }, i) => {
      const own = ticks[i] as Ticks
      // What has no length is no cell.
      return { length: Math.max(1, own / unit), weight: own > 0 ? weight : 0 }
    })
    // A remainder that is no whole number of slots can only stand where the length leaves one.
    const restUnit = length % slot === 0 ? slot / unit : 1
    return { cells, length: length / unit, mostInRow, restUnit, ...(join && { join }) }
  }
}

/** A source as it was drawn: as it is written, or led by the other hand. */
interface Drawn {
  readonly source: number
  readonly mirrored: boolean
}

function drawnOf({ order, mirrored }: FlowPhrase): Drawn[] {
  return order.map((source, i) => ({ source, mirrored: mirrored[i] ?? false }))
}

/** What goes on under a phrase: the mix's own, and that of the first source in it which has any. */
function ostinatosOf({ ostinatos, sources }: Mix, order: readonly Drawn[]): Ostinato[] {
  const under = order.map(({ source }) => sources[source]?.ostinatos ?? [])
  return [...ostinatos, ...(under.find((own) => own.length > 0) ?? [])]
}

interface Filling {
  readonly frame: Frame
  readonly tail: Tail
  readonly length: Ticks
}

/** Sources one after the other, each on its own grid, and what is missing made up. */
function toLine(
  first: readonly MixSource[],
  order: readonly Drawn[],
  sources: readonly MixSource[],
  { frame, tail, length }: Filling,
): { line: Line; pieces: MixPhrase['pieces']; made: Ticks } {
  const drawn = order.map(({ source, mirrored }) => {
    const one = sources[source] as MixSource
    return mirrored ? { ...one, line: { ...one.line, ...mirrorHands(one.line) } } : one
  })
  const pieces: { source: number; slot: number }[] = []
  const slots: SlotContent[] = []
  const groups: number[] = []
  const changes: { at: number; grid: Grid }[] = []
  for (const [i, { line, grid }] of [...first, ...drawn].entries()) {
    pieces.push({
      source: i < first.length ? -1 : (order[i - first.length] as Drawn).source,
      slot: slots.length,
    })
    changes.push({ at: slots.length, grid })
    changes.push(...line.gridChanges.map((one) => ({ at: slots.length + one.at, grid: one.grid })))
    slots.push(...line.slots)
    groups.push(...line.groups)
  }
  const used = [...first, ...drawn].reduce((sum, { line, grid }) => sum + lineTicks(line, grid), 0)
  const count = Math.floor((length - used) / gridTicks(frame.grid))
  changes.push({ at: slots.length, grid: frame.grid })
  slots.push(...tailOf(tail, count, slots))
  if (count > 0) groups.push(count)
  const gridChanges = normalGridChanges(changes, frame.grid, slots.length)
  return { line: { slots, groups, gridChanges }, pieces, made: length - used }
}

/** So many slots of what is made up; hands go on by turns from the one that struck last. */
function tailOf(tail: Tail, count: number, before: readonly SlotContent[]): SlotContent[] {
  if (tail === 'rest') return Array.from({ length: count }, () => REST)
  const struck = (letter: 'R' | 'L' | 'K'): SlotContent => ({
    kind: 'struck',
    strokes: [toStroke(letter)],
  })
  if (tail === 'kicks') return Array.from({ length: count }, () => struck('K'))
  const last = before
    .flatMap((slot) => strokesInSlot(slot).map(({ stroke }) => stroke.letter))
    .findLast(isHand)
  const begins = last === 'R' ? 1 : 0
  return Array.from({ length: count }, (_, i) => struck((i + begins) % 2 === 0 ? 'R' : 'L'))
}

const GOLDEN = 0x9e3779b9

/** A stream of its own for every number of a seed: far apart on the generator's circle. */
function streamAt(seed: number, index: number): RandomStream {
  const from = Math.floor(toRandomStream(seed)() * 2 ** 32)
  return toRandomStream(from + Math.imul(index + 1, GOLDEN))
}
