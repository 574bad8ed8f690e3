import {
  landedOn,
  type StaffUnit,
  type StaffView,
  scoreUnits,
  strokesOf,
  toScore,
} from '../engraving'
import { aimOf, EMPTY_LICK, frameTicks, type Lick } from '../line'
import type { Section } from '../solo'
import type { CountingSystem, Meter, Ticks } from '../time'
import { type Group, type Piece, PLAIN, type SheetLine, toSheetLine, type Word } from './bars'

/** How a whole solo is written out. */
export interface SoloWrittenAs {
  readonly view: StaffView
  readonly counting?: CountingSystem
  /** What is said over bars that begin a part, or stand for several bars; empty for nothing. */
  readonly over: (section: Section, bars: number, begins: boolean) => string
}

/**
 * A whole solo as one line for paper, bar after bar, numbered from its first. Ticks count from the solo's
 * beginning. Bars of groove that are alike are written once; what lands on a barline is written in
 * the bar there, and a pick-up in the bar before its part. Law: the bars that the pieces stand for are
 * those of the solo, in order.
 *
 * @example groove 3, a lick of one bar into groove 4: groove, the lick, its landing, 3 bars of groove
 */
export function toSoloLine(sections: readonly Section[], written: SoloWrittenAs): SheetLine {
  return lineOf(sections.map(asPlayed), written)
}

/** A section without the pick-up that it does not play: that comes before the first time only. */
function asPlayed(section: Section): Section {
  const { lick, pickup } = section
  return pickup ? section : { ...section, lick: { ...lick, pickup: EMPTY_LICK.pickup } }
}

function lineOf(sections: readonly Section[], written: SoloWrittenAs): SheetLine {
  const visits = visitsOf(sections, written.view)
  const groups: Group[] = []
  const pieces: Piece[] = []
  let meter: Meter | undefined
  for (const [i, section] of sections.entries()) {
    const base = section.from + section.lick.frame.lead * frameTicks(section.lick.frame).bar
    const own = sectionPieces(section, visits.get(i) ?? NO_VISITS, written)
    const shifted = own.pieces.map((piece) => shiftPiece(piece, base))
    groups.push(...own.groups.map((one) => shiftGroup(one, base)))
    const now = section.lick.frame.meter
    const [first, ...rest] = shifted
    const changes = meter !== undefined && JSON.stringify(meter) !== JSON.stringify(now)
    if (first) pieces.push({ ...first, meter: changes ? now : null }, ...rest)
    meter = now
  }
  const last = sections.at(-1)
  const landed = last ? behind(last, written.view).map((piece) => shiftPiece(piece, last.from)) : []
  return {
    meter: sections[0]?.lick.frame.meter ?? ({ count: 4, unit: 4 } as Meter),
    pieces: [...pieces, ...landed],
    groups,
  }
}

/** What comes into a section from others: licks that land in it, and pick-ups of the one after it. */
interface Visits {
  /** Who lands, and on which tick of the solo. */
  readonly landings: readonly { readonly lick: Lick; readonly at: Ticks }[]
  /** Strokes of a pick-up, or of a line that is longer than its bars, in ticks of the solo. */
  readonly strokes: readonly StaffUnit[]
}
const NO_VISITS: Visits = { landings: [], strokes: [] }

function visitsOf(sections: readonly Section[], view: StaffView): Map<number, Visits> {
  const visits = new Map<number, Visits>()
  const add = (i: number, more: Partial<Visits>) => {
    const { landings, strokes } = visits.get(i) ?? NO_VISITS
    visits.set(i, {
      landings: [...landings, ...(more.landings ?? [])],
      strokes: [...strokes, ...(more.strokes ?? [])],
    })
  }
  const sectionAt = (tick: Ticks) =>
    sections.findIndex((one) => one.from <= tick && tick < one.from + one.ticks)
  for (const [i, section] of sections.entries()) {
    const { lick, from, pickup } = section
    if (lick.line.slots.length === 0) continue
    const { target, end } = aimOf(lick)
    if (target >= section.ticks) {
      const into = sectionAt(from + target)
      if (into >= 0) add(into, { landings: [{ lick, at: from + target }] })
    }
    if (end > section.ticks)
      for (const { units } of behind(section, view))
        for (const unit of units.map((one) => shiftUnit(one, from)))
          for (const [into, one] of sections.entries())
            if (into > i && one.from < unit.to && unit.from < one.from + one.ticks)
              add(into, { strokes: [unit] })
    if (!pickup || i === 0) continue
    const before = toScore(lick, view).filter((bar) => bar.to <= 0 && bar.from >= -barOf(lick))
    const units = before.flatMap((bar) =>
      scoreUnits({ ...bar, line: { atoms: [], beams: [], tuplets: [] }, layers: [] }, view.key),
    )
    const struck = units.filter(({ notes }) => notes.length > 0)
    if (struck.length > 0) add(i - 1, { strokes: struck.map((unit) => shiftUnit(unit, from)) })
  }
  return visits
}

const barOf = (lick: Lick) => frameTicks(lick.frame).bar

/** The pieces of a section in its own ticks: 0 is the barline of its lick's bar. */
function sectionPieces(
  section: Section,
  { landings, strokes }: Visits,
  written: SoloWrittenAs,
): Pick<SheetLine, 'pieces' | 'groups'> {
  const { lick, time } = section
  const { view, counting, over } = written
  const base = section.from + lick.frame.lead * barOf(lick)
  const visited = (piece: Piece): Piece => {
    const { from, to } = piece
    const within = landings.filter(({ at }) => at - base >= from && at - base < to)
    const own = within.reduce(
      (units, one) => units.map((unit) => landedOn(unit, one.lick, one.at - base, view.key)),
      piece.units as StaffUnit[],
    )
    const more = strokes
      .map((unit) => strokesOf(shiftUnit(unit, -base), from, to))
      .filter(({ notes }) => notes.length > 0)
    return { ...piece, units: [...own, ...more] }
  }
  if (lick.line.slots.length === 0) {
    const bars = toScore(lick, view).slice(0, section.bars)
    const plain = bars.map((bar, i): Piece => {
      return {
        kind: 'groove',
        from: bar.from,
        to: bar.to,
        units: scoreUnits(bar, view.key),
        counts: [],
        voices: [],
        closesBar: true,
        bar: section.barsBefore + i + 1,
        ...PLAIN,
      }
    })
    return { pieces: condensed(plain, visited, section, over), groups: [] }
  }
  const line = toSheetLine(lick, {
    view,
    ...(counting && { counting }),
    lead: null,
  })
  const pieces = line.pieces
    .filter(({ kind, from }) => kind === 'fill' && from < section.ticks)
    .map(visited)
    .map(
      (piece, i): Piece => ({
        ...piece,
        bar: piece.bar === null ? null : section.barsBefore + piece.bar,
        over: i === 0 && time === 0 ? over(section, section.bars, true) : '',
      }),
    )
  return { pieces, groups: line.groups }
}

/** Bars of groove, those that are alike written once; those into which something comes by themselves. */
function condensed(
  bars: readonly Piece[],
  visited: (piece: Piece) => Piece,
  section: Section,
  over: SoloWrittenAs['over'],
): Piece[] {
  const runs: { piece: Piece; bars: number; alone: boolean }[] = []
  for (const bar of bars) {
    const piece = visited(bar)
    const alone = JSON.stringify(piece.units) !== JSON.stringify(bar.units)
    const last = runs.at(-1)
    if (last && !last.alone && !alone) last.bars += 1
    else runs.push({ piece, bars: 1, alone })
  }
  return runs.map(({ piece, bars: count }, i) => ({
    ...piece,
    over: over(section, count, i === 0),
  }))
}

/** What a section has behind its last barline, in its own ticks: what it lands on, what is too long. */
function behind({ lick, ticks }: Section, view: StaffView): Piece[] {
  if (lick.line.slots.length === 0) return []
  const { pieces } = toSheetLine(lick, { view, lead: null })
  return pieces
    .filter(({ kind, from }) => kind === 'landing' || from >= ticks)
    .map((piece) => ({ ...piece, bar: null }))
}

function shiftUnit(unit: StaffUnit, by: Ticks): StaffUnit {
  const move = <T extends { readonly tick: Ticks }>(one: T): T => ({ ...one, tick: one.tick + by })
  return {
    ...unit,
    from: unit.from + by,
    to: unit.to + by,
    notes: unit.notes.map(move),
    feet: unit.feet.map(move),
  }
}

function shiftPiece(piece: Piece, by: Ticks): Piece {
  const move = (word: Word): Word => ({ ...word, tick: word.tick + by })
  return {
    ...piece,
    from: piece.from + by,
    to: piece.to + by,
    units: piece.units.map((unit) => shiftUnit(unit, by)),
    counts: piece.counts.map(move),
    voices: piece.voices.map(move),
  }
}

function shiftGroup(group: Group, by: Ticks): Group {
  return { ...group, from: group.from + by, last: group.last + by }
}
