import {
  landingUnit,
  type StaffUnit,
  type StaffView,
  scoreUnits,
  staffUnit,
  toScore,
  toStaff,
} from '../engraving'
import {
  aimOf,
  frameTicks,
  type Lick,
  lickSlots,
  lineCounts,
  NO_GROOVE,
  pickupSlots,
  type TimedSlot,
} from '../line'
import { type Disc, strokeSurface, strokesInSlot, toDisc } from '../sticking'
import {
  beatWindows,
  type CountingSystem,
  countSyllable,
  type Meter,
  type Ticks,
  UNNAMED_COUNT,
} from '../time'

/** A word at an instant: a count, or the voices that are struck there. */
export interface Word {
  readonly tick: Ticks
  readonly text: string
  readonly strong: boolean
}

/** A group of the line over the stretch that it takes. */
export interface Group {
  readonly from: Ticks
  /** Where its last slot begins. */
  readonly last: Ticks
  readonly size: number
  readonly discs: readonly Disc[]
}

/** A stretch of a lick between two places where a system may be broken: a bar, or a part of a long one. */
export interface Piece {
  readonly kind: 'groove' | 'fill' | 'landing'
  readonly from: Ticks
  readonly to: Ticks
  readonly units: readonly StaffUnit[]
  readonly counts: readonly Word[]
  readonly voices: readonly Word[]
  /** Whether a barline ends it. */
  readonly closesBar: boolean
  /** The number of the bar that begins here, the fill's own being 1; null within a bar and outside of the fill. */
  readonly bar: number | null
  /** What is said over its beginning; empty for nothing. */
  readonly over: string
  /** The metre that begins here, where it is another than before; null where it goes on. */
  readonly meter: Meter | null
}

/** A lick on paper, before it is laid out. */
export interface SheetLine {
  /** The metre that it begins in. */
  readonly meter: Meter
  readonly pieces: readonly Piece[]
  readonly groups: readonly Group[]
}

/** How a lick is written out. */
export interface WrittenAs {
  readonly view: StaffView
  readonly counting?: CountingSystem
  /** What is said over the bar of groove before it; null where that bar is not written. */
  readonly lead: string | null
}

/** A piece over which nothing is said, in the metre of what is before it. */
export const PLAIN = { over: '', meter: null } as const

/** More slots than this in a piece, and a bar is cut at its beats so that it need not go on one system. */
const MAX_COLUMNS = 33

/**
 * A lick as pieces for paper: a bar of the groove before it, its own bars, and what it lands on.
 * Example: one bar of sixteenths into a crash is three pieces, or two where the lead-in is left out.
 */
export function toSheetLine(lick: Lick, { view, counting, lead }: WrittenAs): SheetLine {
  const { frame } = lick
  const { bar } = frameTicks(frame)
  const { end, target } = aimOf(lick)
  const over = Math.max(bar, Math.ceil(Math.max(end, target) / bar) * bar)
  const counts = countWords(lick, counting)
  const voices = voiceWords(lick)
  const staff = toStaff(lick, view)
  const within = (words: readonly Word[], from: Ticks, to: Ticks) =>
    words.filter(({ tick }) => tick >= from && tick < to)
  const fill = Array.from({ length: over / bar }, (_, i) => i).flatMap((i) =>
    cuts(staffUnit(staff, i * bar, (i + 1) * bar), beatWindows(frame.meter)).map(
      ([from, to]): Piece => ({
        kind: 'fill',
        from,
        to,
        units: [staffUnit(staff, from, to)],
        counts: within(counts, from, to),
        voices: within(voices, from, to),
        closesBar: to === (i + 1) * bar,
        bar: from === i * bar ? i + 1 : null,
        ...PLAIN,
      }),
    ),
  )
  const landing = target >= over ? landingUnit(lick, target, bar, view.key) : null
  const landed: Piece[] = landing
    ? [
        {
          kind: 'landing',
          from: target,
          to: target + bar,
          units: [landing],
          counts: [{ tick: target, text: '1', strong: true }],
          voices: [],
          closesBar: true,
          bar: null,
          ...PLAIN,
        },
      ]
    : []
  return {
    meter: frame.meter,
    pieces: [
      ...leadPieces(lick, { view, lead, ...(counting && { counting }) }),
      ...fill,
      ...landed,
    ],
    groups: groupsOf(lick),
  }
}

/**
 * The last bar of groove before a fill, with the strokes of a pick-up in it; none where there is silence. Where the
 * groove is not to be written, the pick-up alone.
 */
function leadPieces(lick: Lick, { view, counting, lead }: WrittenAs): Piece[] {
  const silent = lead === null || (lick.frame.groove === NO_GROOVE && lick.ostinatos.length === 0)
  const score = toScore(lead === null ? withoutGroove(lick) : lick, view)
  const last = score.filter(({ to }) => to <= 0).at(-1)
  if (!last || (silent && last.over.atoms.length === 0)) return []
  const early = pickupSlots(lick).filter(({ tick }) => tick >= last.from && tick < 0)
  return [
    {
      kind: 'groove',
      from: last.from,
      to: last.to,
      units: scoreUnits(last, view.key),
      counts: early.map((slot) => pickupCount(slot, lick, counting)),
      voices: voicesOf(early),
      closesBar: true,
      bar: null,
      ...PLAIN,
      over: lead ?? 'pick-up',
    },
  ]
}

/** Where a bar is cut: nowhere, or at beats where it has more columns than a system holds. */
function cuts(
  unit: StaffUnit,
  windows: readonly { readonly from: Ticks; readonly to: Ticks }[],
): [from: Ticks, to: Ticks][] {
  if (unit.notes.length <= MAX_COLUMNS) return [[unit.from, unit.to]]
  const parts = Math.ceil(unit.notes.length / MAX_COLUMNS)
  const most = Math.ceil(windows.length / parts)
  const found: [Ticks, Ticks][] = []
  for (let i = 0; i < windows.length; i += most) {
    const [first, last] = [windows[i], windows[Math.min(windows.length, i + most) - 1]]
    if (first && last) found.push([unit.from + first.from, unit.from + last.to])
  }
  return found
}

function countWords(lick: Lick, counting?: CountingSystem): Word[] {
  const { beat } = frameTicks(lick.frame)
  const syllables = lineCounts(lick, counting)
  const line = lickSlots(lick).map(({ tick }, i) => ({
    tick,
    text: syllables[i] ?? '',
    strong: tick % beat === 0,
  }))
  const early = pickupSlots(lick).filter(({ tick }) => tick >= 0)
  return [...early.map((slot) => pickupCount(slot, lick, counting)), ...line]
}

function pickupCount({ tick, grid }: TimedSlot, { frame }: Lick, counting?: CountingSystem): Word {
  const text = countSyllable(tick, grid, frame.meter, counting)
  return { tick, text: text === UNNAMED_COUNT ? '' : text, strong: false }
}

/** A lick without what is played before its line but for its pick-up. */
function withoutGroove(lick: Lick): Lick {
  return { ...lick, ostinatos: [], frame: { ...lick.frame, groove: NO_GROOVE, lead: 0 } }
}

function voiceWords(lick: Lick): Word[] {
  return voicesOf([...pickupSlots(lick).filter(({ tick }) => tick >= 0), ...lickSlots(lick)])
}

function voicesOf(slots: readonly TimedSlot[]): Word[] {
  return slots.flatMap(({ tick, content }): Word[] => {
    const voices = [...new Set(strokesInSlot(content).map(({ stroke }) => strokeSurface(stroke)))]
    return voices.length === 0 ? [] : [{ tick, text: voices.join(' '), strong: false }]
  })
}

function groupsOf(lick: Lick): Group[] {
  const slots = lickSlots(lick)
  let start = 0
  return lick.line.groups.flatMap((size): Group[] => {
    const inside = slots.slice(start, start + size)
    start += size
    const [first, last] = [inside[0], inside.at(-1)]
    if (!first || !last) return []
    const discs = inside.map(({ content }) => toDisc(content))
    return [{ from: first.tick, last: last.tick, size, discs }]
  })
}
