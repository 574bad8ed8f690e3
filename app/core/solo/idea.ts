import { mapStrokes } from '../changes'
import { type RandomStream, toRandomStream } from '../foundation'
import { EMPTY_LICK, type Lick, type Line, lineTicks, normalGridChanges } from '../line'
import { isHand, REST, type Surface } from '../sticking'
import {
  barTicks,
  beatTicks,
  findGrid,
  type Grid,
  gridName,
  gridTicks,
  type Meter,
  type Ticks,
} from '../time'
import type { LickPart, Solo, SoloPart } from './solo'

/** What is made of one cell, in the order in which a solo tells it. */
export const STAGES = ['groove', 'statement', 'moved', 'voiced', 'run', 'fast', 'landed'] as const
export type Stage = (typeof STAGES)[number]

/** A solo from one idea: a cell, and how many bars each stage has. */
export interface SoloIdea {
  readonly title: string
  readonly cell: Line
  readonly grid: Grid
  readonly meter: Meter
  readonly tempo: number
  readonly groove: string
  /** Bars of each stage; 0 leaves it out. */
  readonly bars: Readonly<Record<Stage, number>>
  /** The same seed gives the same solo. */
  readonly seed: number
}

/** What the part of a stage is called, until the player calls it otherwise. */
const STAGE_NAMES: Readonly<Record<Stage, string>> = {
  groove: '',
  statement: 'Statement',
  moved: 'Moved',
  voiced: 'Voiced',
  run: 'Over the barline',
  fast: 'Twice as fast',
  landed: 'Landing',
}

/** How the bars of a whole are shared out, in 32nds of it. */
const SHARES: Readonly<Record<Stage, number>> = {
  groove: 4,
  statement: 4,
  moved: 4,
  voiced: 8,
  run: 8,
  fast: 3,
  landed: 1,
}

/**
 * Bars for each stage of a solo of so many bars: by their shares, whole numbers by largest remainder, the
 * landing never left out. Law: they sum to the bars. Example: 32 are 4 4 4 8 8 3 1.
 */
export function stageBars(bars: number): Record<Stage, number> {
  const exact = STAGES.map((stage) => ({ stage, share: (SHARES[stage] * bars) / 32 }))
  const shared = exact.map(({ stage, share }) => ({
    stage,
    whole: Math.floor(share),
    rest: share % 1,
  }))
  const order = [...shared].sort(
    (a, b) => Number(b.stage === 'landed') - Number(a.stage === 'landed') || b.rest - a.rest,
  )
  let left = bars - shared.reduce((sum, { whole }) => sum + whole, 0)
  for (const one of order) {
    if (left === 0) break
    one.whole += 1
    left -= 1
  }
  return Object.fromEntries(shared.map(({ stage, whole }) => [stage, whole])) as Record<
    Stage,
    number
  >
}

/** Toms that a cell can go round by its strokes, its accents, or its rights. */
const ROUNDS: readonly (readonly Surface[])[] = [
  ['sn', 't1', 't2', 'f1'],
  ['t1', 't2', 'f1', 'f1'],
  ['f1', 't2', 't1', 'sn'],
  ['t1', 'sn', 'f1', 'sn'],
]

/**
 * The parts of a solo that is made of one cell: stated at the end of a bar, moved to other beats, voiced
 * over the drums time by time, run over the barline, twice as fast, and once more into its landing. All
 * of it is chosen by chance within that, by the seed; every part begins and ends on a barline, and can be
 * changed afterwards like any other. Law: the bars are the sum of the stages' bars.
 * Throws RangeError for a cell without a length.
 */
export function ideaParts(idea: SoloIdea): SoloPart[] {
  const { cell, grid, groove, bars, meter, seed } = idea
  if (lineTicks(cell, grid) <= 0) throw new RangeError('an idea without a stroke')
  const random = toRandomStream(seed)
  return STAGES.flatMap((stage): SoloPart[] => {
    const count = bars[stage]
    if (count <= 0) return []
    if (stage === 'groove')
      return [{ kind: 'groove', id: stage, name: '', groove, meter, bars: count }]
    return stageParts(stage, count, idea, random)
  })
}

/** A whole solo from an idea. */
export function draftSolo(idea: SoloIdea): Solo {
  const { title, meter, tempo } = idea
  return { title, tags: [], meter, tempo, goal: null, parts: ideaParts(idea), wish: [] }
}

function stageParts(
  stage: Exclude<Stage, 'groove'>,
  count: number,
  idea: SoloIdea,
  random: RandomStream,
): SoloPart[] {
  const { cell, grid } = idea
  const common = { name: STAGE_NAMES[stage], lickId: null, otherHand: false, end: 'auto' } as const
  const run = (id: string, lick: Lick, bars: number): SoloPart => ({
    ...common,
    kind: 'run',
    id,
    lick,
    bars,
  })
  switch (stage) {
    case 'statement': {
      const bars = barsOf(idea)
      const lick = atEnd(idea, bars)
      return timesIn({ ...common, kind: 'lick', id: stage, lick, times: 1 }, count, bars)
    }
    case 'moved':
      return moved(idea, count, random)
    case 'voiced':
      return [run(stage, voiced(idea, random), count)]
    case 'run':
      return [run(stage, plain(idea, cell, grid), count)]
    case 'fast':
      return [run(stage, plain(idea, cell, twiceAsFast(grid)), count)]
    case 'landed':
      return [{ ...run(stage, accented(idea), count), end: 'land' } as SoloPart]
  }
}

/** A lick so often that it fills some bars; what does not come out is groove before it. */
function timesIn(part: LickPart, count: number, bars: number): SoloPart[] {
  const times = Math.floor(count / bars)
  const rest = count - times * bars
  const { groove, meter } = part.lick.frame
  const before: SoloPart[] =
    rest > 0
      ? [{ kind: 'groove', id: `${part.id} groove`, name: '', groove, meter, bars: rest }]
      : []
  return times > 0 ? [...before, { ...part, times }] : before
}

/** Whole bars that the cell needs. */
function barsOf({ cell, grid, meter }: SoloIdea): number {
  return Math.ceil(lineTicks(cell, grid) / barTicks(meter))
}

/** The cell in the last beats of so many bars, groove before it, into the barline. */
function atEnd(idea: SoloIdea, bars: number): Lick {
  const start = bars * barTicks(idea.meter) - lineTicks(idea.cell, idea.grid)
  return framed(idea, idea.cell, idea.grid, { start, bars, groove: idea.groove })
}

/** The cell begun on other beats, bar by bar, each time with the groove round it; nothing else changes. */
function moved(idea: SoloIdea, count: number, random: RandomStream): SoloPart[] {
  const { cell, grid, meter, groove } = idea
  const [beat, bar] = [beatTicks(meter), barTicks(meter)]
  const bars = barsOf(idea)
  // Whole beats at which it can begin and still end inside its bars, filled up with rests to a beat.
  const filled = padded(cell, grid, beat)
  const places = Array.from({ length: (bars * bar) / beat }, (_, i) => i * beat).filter(
    (start) => start + lineTicks(filled, grid) <= bars * bar,
  )
  const parts: SoloPart[] = []
  let left = count
  let last = -1
  while (left >= bars && places.length > 0) {
    const others = places.filter((place) => place !== last)
    const pool = others.length > 0 ? others : places
    const start = pool[Math.floor(random() * pool.length)] as Ticks
    last = start
    const end = start + lineTicks(filled, grid)
    // The time comes back on the beat after it; where no slot ends on one, on the barline.
    const toBeat = end % beat === 0 && end < bars * bar
    const lick = framed(idea, filled, grid, {
      start,
      bars: toBeat ? null : bars,
      groove,
      landing: { kind: 'groove', at: toBeat ? 'beat' : 'bar' },
    })
    const id = `moved ${parts.length + 1}`
    parts.push({
      kind: 'lick',
      id,
      name: STAGE_NAMES.moved,
      lick,
      times: 1,
      lickId: null,
      otherHand: random() < 0.5,
      end: 'auto',
    })
    left -= bars
  }
  if (left > 0)
    parts.push({ kind: 'groove', id: 'moved groove', name: '', groove, meter, bars: left })
  return parts
}

/** A line with rests up to the next multiple of some ticks, where its grid has them. */
function padded(line: Line, grid: Grid, to: Ticks): Line {
  const slot = gridTicks(line.gridChanges.at(-1)?.grid ?? grid)
  const missing = (to - (lineTicks(line, grid) % to)) % to
  if (missing === 0 || missing % slot !== 0) return line
  const rests = missing / slot
  return {
    ...line,
    slots: [...line.slots, ...Array.from({ length: rests }, () => REST)],
    groups: [...line.groups, rests],
  }
}

/** The cell four times, each on other drums: all its hands, its accents alone, or its rights alone. */
function voiced(idea: SoloIdea, random: RandomStream): Lick {
  const { cell, grid } = idea
  const round = ROUNDS[Math.floor(random() * ROUNDS.length)] as readonly Surface[]
  const which = (['all', 'rights', 'lefts'] as const)[Math.floor(random() * 3)]
  const times = round.map((voice) =>
    mapStrokes(cell.slots, (stroke) => {
      const moves =
        isHand(stroke.letter) &&
        (which === 'all' || stroke.letter === (which === 'rights' ? 'R' : 'L'))
      return moves && voice !== 'sn' ? { ...stroke, voice } : stroke
    }),
  )
  const slots = times.flat()
  const changes = times.flatMap((_, time) => [
    { at: time * cell.slots.length, grid },
    ...cell.gridChanges.map((one) => ({ ...one, at: one.at + time * cell.slots.length })),
  ])
  const line: Line = {
    slots,
    groups: times.flatMap(() => cell.groups),
    gridChanges: normalGridChanges(changes, grid, slots.length),
  }
  return plain(idea, line, grid)
}

/** The cell with an accent on its first stroke, into a crash. */
function accented(idea: SoloIdea): Lick {
  const { cell, grid } = idea
  const slots = mapStrokes(cell.slots, (stroke, { stroke: count }) =>
    count === 0 ? { ...stroke, level: 'accent' } : stroke,
  )
  return plain(idea, { ...cell, slots }, grid)
}

/** The grid of half the slot; of the finest, itself. */
function twiceAsFast(grid: Grid): Grid {
  return findGrid(gridName({ ...grid, value: (grid.value * 2) as Grid['value'] })) ?? grid
}

function plain(idea: SoloIdea, line: Line, grid: Grid): Lick {
  return framed(idea, line, grid, { start: 0, bars: null, groove: 'none' })
}

function framed(
  { meter, tempo, title }: SoloIdea,
  line: Line,
  grid: Grid,
  frame: Partial<Lick['frame']>,
): Lick {
  return {
    ...EMPTY_LICK,
    title,
    line,
    frame: { ...EMPTY_LICK.frame, meter, tempo, grid, lead: 0, ...frame },
  }
}
