import type { SlotRange } from '~/core/changes'
import { patternOf } from '~/core/groove'
import {
  aimOf,
  crashHand,
  firstFrom,
  frameTicks,
  isChoked,
  type Lick,
  landingStrokes,
  lickSlots,
  pickupSlots,
  strokeEventsBetween,
  type TimedSlot,
} from '~/core/line'
import { formatSlot } from '~/core/notation'
import {
  type Disc,
  type Letter,
  type Level,
  type Limb,
  type SlotContent,
  strokeSurface,
  strokesInSlot,
  toDisc,
} from '~/core/sticking'
import { type CountingSystem, gridName, type Ticks } from '~/core/time'
import { pickupPlace } from '~/words/places'
import { type CountMark, countMarks, freeTicks } from './count-marks'
import { landingOf, type Ruler, type RulerRow, type Segment, xOf } from './layout'
import { type PatternMark, patternMarks, type Under } from './patterns'
import { spokenSlot } from './spoken'
import { type SwellMark, swellMarks } from './swell-marks'

/** A group as a stack over its span. Where it goes on in the next row, only its bracket does. */
export interface StackMark {
  readonly group: number
  readonly size: number
  readonly discs: readonly Disc[] | null
  readonly x: number
  readonly from: number
  readonly to: number
  readonly begins: boolean
  readonly ends: boolean
}

export interface LetterMark {
  readonly x: number
  /** Width of the slot itself, over which a squeeze is spread. */
  readonly width: number
  readonly slot: number
  readonly content: SlotContent
  readonly voices: readonly string[]
  /** What a screen reader says of the slot. */
  readonly spoken: string
}

export interface LaneMark {
  readonly x: number
  readonly limb: Limb
  readonly letter: Letter
  readonly level: Level
  readonly under: boolean
  /** Whether the limb is wanted here by something else too. */
  readonly clash: boolean
}

/** Everything of one row but its staff. */
export interface RowView {
  readonly row: RulerRow
  readonly counts: readonly CountMark[]
  readonly stacks: readonly StackMark[]
  readonly letters: readonly LetterMark[]
  readonly swells: readonly SwellMark[]
  readonly lanes: readonly LaneMark[]
  readonly patterns: readonly PatternMark[]
  readonly beatLines: readonly number[]
  readonly landing: Segment | undefined
  /** The strokes of a landing of the lick's own; undefined for the others. */
  readonly landingContent: SlotContent | undefined
  /** What of the pick-up lies before the bar, where the row cannot show it at its place: `on 4, before bar 1: RL`. */
  readonly pickupBefore: string
}

/** A lick as its rows are made from it: worked out once a change, whatever rows are on screen. */
export interface Scene {
  readonly lick: Lick
  readonly counting: CountingSystem
  readonly slots: readonly TimedSlot[]
  /** The slots of the pickup, before the start. */
  readonly pickup: readonly TimedSlot[]
  /** The first slot of each group. */
  readonly groupStarts: readonly number[]
  /** What goes round under it. */
  readonly under: Under
  /** Everything but the line that all rows depend on, as one string. */
  readonly frameKey: string
  /** What the row that lands depends on beside that. */
  readonly landingKey: string
}

/** Everything the rows of a lick have in common. */
export function toScene(
  lick: Lick,
  counting: CountingSystem,
  under: Under = { ids: lick.ostinatos.map((_, i) => i), grooves: [] },
): Scene {
  let start = 0
  const groupStarts = lick.line.groups.map((size) => {
    const first = start
    start += size
    return first
  })
  const { landing, ...frame } = lick.frame
  return {
    lick,
    counting,
    slots: lickSlots(lick),
    pickup: pickupSlots(lick),
    groupStarts,
    under,
    frameKey: JSON.stringify([
      frame,
      lick.ostinatos,
      lick.pickup,
      counting.id,
      under.ids,
      under.ids.includes('groove') && patternOf(lick, 'groove', under.grooves),
    ]),
    landingKey: JSON.stringify([landing, crashHand(lick)]),
  }
}

/** One row of a lick on its ruler. Its cost is that of what stands in it. */
export function toRowView(scene: Scene, ruler: Ruler, row: RulerRow): RowView {
  const { lick, counting } = scene
  const slots = between(scene.slots, row.from, row.to)
  const counts = countMarks(lick, ruler, row, slots, counting)
  const pickup = between(scene.pickup, row.from, row.to)
  const letters = [...pickup, ...slots].map((slot) => letterMark(slot, lick, ruler, row, counting))
  const stacks = stackMarks(scene, slots, ruler, row)
  const swells = swellMarks(lick.frame.swells, slots, ruler, row)
  const lanes = laneMarks(lick, ruler, row)
  const beatLines = beatLinesOf(lick, ruler, row)
  const landing = landingOf(row)
  if (landing) lanes.push(...landingLanes(lick, xOf(ruler, row, landing.from) ?? 0))
  const before = row.index === 0 ? scene.pickup.filter(({ tick }) => tick < row.from) : []
  return {
    row,
    counts,
    stacks,
    letters,
    swells,
    lanes,
    patterns: patternMarks(lick, scene.under, ruler, row),
    beatLines,
    landing,
    landingContent: landing && ownLanding(lick),
    pickupBefore:
      before.length === 0
        ? ''
        : `${pickupPlace(lick, counting)}: ${before.map(({ content }) => formatSlot(content)).join('')}`,
  }
}

/** The strokes of a row on their limbs' lines; a limb struck twice at once is a clash. */
function laneMarks(lick: Lick, ruler: Ruler, row: RulerRow): LaneMark[] {
  const events = strokeEventsBetween(lick, row.from, row.to)
  const wanted = new Map<string, number>()
  for (const { tick, limb } of lick.ostinatos.length > 0 ? events : []) {
    wanted.set(`${tick} ${limb}`, (wanted.get(`${tick} ${limb}`) ?? 0) + 1)
  }
  return events.map(({ tick, limb, surface, dynamic, layer }) => ({
    x: xOf(ruler, row, tick) ?? 0,
    limb,
    letter: letterOf(limb, surface === 'b2'),
    level: dynamic,
    under: layer > 0,
    clash: (wanted.get(`${tick} ${limb}`) ?? 0) > 1,
  }))
}

/**
 * A string that is equal for equal rows, at a fraction of the cost of their views: what stands in
 * the row and around it, as it is typed.
 */
export function rowKey(
  { lick, slots, groupStarts, frameKey, landingKey }: Scene,
  ruler: Ruler,
  row: RulerRow,
): string {
  const first = firstFrom(slots, row.from)
  const after = firstFrom(slots, row.to)
  const last = slots[after - 1]
  // A stack stands whole where its group begins, so the row's last group counts to its end; and a
  // squeeze before the row may reach into it.
  const end =
    last && after > first
      ? (groupStarts[last.group] as number) + (lick.line.groups[last.group] as number)
      : after
  const typed = slots
    .slice(Math.max(0, first - 1), end)
    .map(
      ({ content, group, tick, grid }) =>
        `${group}.${tick}@${gridName(grid)}${formatSlot(content)}`,
    )
  const groupStart = groupStarts[slots[first]?.group ?? 0]
  const { pixelsPerTick, inset } = ruler
  // What goes round under the line sounds as far as it lands.
  const sounds = Math.max(row.from, Math.min(row.to, aimOf(lick).target))
  return JSON.stringify([
    row,
    pixelsPerTick,
    inset,
    frameKey,
    sounds,
    freeTicks(lick, row),
    first,
    after,
    groupStart,
    typed,
    landingOf(row) && landingKey,
  ])
}

/** The slots that begin in [from, to). */
export function slotsBetween(slots: readonly TimedSlot[], from: Ticks, to: Ticks): TimedSlot[] {
  return between(slots, from, to)
}

/** The slot whose column lies under an x of a row; undefined beside the line. */
export function slotAtX(scene: Scene, ruler: Ruler, row: RulerRow, x: number): number | undefined {
  const half = ruler.slotWidth / 2
  return between(scene.slots, row.from, row.to).find((slot) => {
    const left = (xOf(ruler, row, slot.tick) ?? 0) - half
    return x >= left && x < left + slot.ticks * ruler.pixelsPerTick
  })?.index
}

/** The slots of the group that a slot lies in. */
export function groupAt(scene: Scene, slot: number): SlotRange {
  const group = scene.slots[slot]?.group ?? 0
  const from = scene.groupStarts[group] ?? 0
  return { from, to: from + (scene.lick.line.groups[group] ?? 0) }
}

/** Those of a list in order of time that begin in [from, to), found by halving. */
function between<T extends { readonly tick: Ticks }>(
  list: readonly T[],
  from: Ticks,
  to: Ticks,
): T[] {
  return list.slice(firstFrom(list, from), firstFrom(list, to))
}

/** The limbs that the landing strikes with. */
function landingLanes(lick: Lick, x: number): LaneMark[] {
  return landingStrokes(lick).map(({ limb, surface, dynamic }) => ({
    x,
    limb,
    letter: letterOf(limb, surface === 'b2'),
    level: dynamic,
    under: false,
    clash: false,
  }))
}

/** The slot of a landing of the lick's own; undefined for the others. */
export function ownLanding({ frame: { landing } }: Lick): SlotContent | undefined {
  return landing.kind === 'strokes' ? landing.slot : undefined
}

/** What stands under the landing: where it strikes, and whether that is choked. */
export function landingVoice(lick: Lick): string {
  const { landing } = lick.frame
  if (landing.kind === 'groove') return 'groove'
  const hands = landingStrokes(lick).filter(({ limb }) => limb !== 'RF' && limb !== 'LF')
  const surfaces = [...new Set(hands.map(({ surface }) => surface))].join(' ')
  if (isChoked(lick.frame)) return `${surfaces} choke`.trim()
  return landing.kind === 'crash' ? 'crash' : surfaces
}

function letterOf(limb: Limb, secondPedal: boolean): Letter {
  const letters = { RH: 'R', LH: 'L', XH: 'X', RF: 'K', LF: secondPedal ? 'J' : 'H' } as const
  return letters[limb]
}

function letterMark(
  slot: TimedSlot,
  lick: Lick,
  ruler: Ruler,
  row: RulerRow,
  counting: CountingSystem,
): LetterMark {
  const strokes = [...strokesInSlot(slot.content)].map(({ stroke }) => stroke)
  return {
    x: xOf(ruler, row, slot.tick) ?? 0,
    width: slot.ticks * ruler.pixelsPerTick,
    slot: slot.index,
    content: slot.content,
    voices: [...new Set(strokes.map(strokeSurface))],
    spoken: spokenSlot(slot, lick, counting),
  }
}

function stackMarks(
  { lick, slots, groupStarts }: Scene,
  here: readonly TimedSlot[],
  ruler: Ruler,
  row: RulerRow,
): StackMark[] {
  const half = ruler.slotWidth / 2 - 3
  const groups = [...new Set(here.map(({ group }) => group))]
  return groups.map((group) => {
    const size = lick.line.groups[group] as number
    const first = groupStarts[group] as number
    const members = here.filter((slot) => slot.group === group)
    const [start, end] = [members[0] as TimedSlot, members.at(-1) as TimedSlot]
    const begins = start.index === first
    const from = xOf(ruler, row, start.tick) ?? 0
    const to =
      (xOf(ruler, row, end.tick) ?? 0) + (end.ticks * ruler.pixelsPerTick - ruler.slotWidth)
    return {
      group,
      size,
      discs: begins ? slots.slice(first, first + size).map(({ content }) => toDisc(content)) : null,
      x: from,
      from: from - half,
      to: to + half,
      begins,
      ends: end.index === first + size - 1,
    }
  })
}

function beatLinesOf(lick: Lick, ruler: Ruler, row: RulerRow): number[] {
  const { bar, beat } = frameTicks(lick.frame)
  const lines: number[] = []
  for (const { kind, from, to, x } of row.segments) {
    if (kind !== 'bar') continue
    for (let tick = Math.ceil(from / beat) * beat; tick < to; tick += beat) {
      if (tick % bar !== 0) lines.push(x + (tick - from) * ruler.pixelsPerTick)
    }
  }
  return lines
}
