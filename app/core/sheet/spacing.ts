import { noteReach } from '../figures'
import type { Ticks } from '../time'
import type { Piece } from './bars'

/** An instant at which something is written, and how much room it wants. */
export interface Column {
  readonly tick: Ticks
  /** From what is before it to its own place at the least, staff spaces. */
  readonly least: number
  /** What a longer note would rather have. */
  readonly natural: number
}

/** A piece's columns, and the room behind the last one. */
export interface Spaced {
  readonly columns: readonly Column[]
  readonly least: number
  readonly natural: number
}

/** A thirty-second has so much room, staff spaces, and every doubling of a length so many times more. */
const SHORTEST_ROOM = 2.15
const DOUBLED = 1.32
const THIRTY_SECOND = 1260
/** Between a barline and the first note, and between notes at the least. */
const AFTER_BARLINE = 0.9
const BETWEEN = 0.3
const WIDEST_LETTER = 1.1

/**
 * The columns of a piece with the room that each wants: longer notes have more, but not in proportion
 * (twice the length has about a third more, as engravers space by hand), and none less than its heads,
 * brackets, graces and letters take.
 */
export function spacePiece(piece: Piece): Spaced {
  const reaches = reachesOf(piece)
  const ticks = [...reaches.keys()].sort((a, b) => a - b)
  const columns = ticks.map((tick, i): Column => {
    const reach = reaches.get(tick) ?? NONE
    const before = ticks[i - 1]
    if (before === undefined) {
      const least = AFTER_BARLINE + reach.left
      return { tick, least, natural: least }
    }
    const least = (reaches.get(before) ?? NONE).right + BETWEEN + reach.left
    return { tick, least, natural: Math.max(least, roomOf(tick - before)) }
  })
  const last = ticks.at(-1) ?? piece.from
  const right = (reaches.get(last) ?? NONE).right + BETWEEN
  const behind = { least: right, natural: Math.max(right, roomOf(lengthBehind(piece, last))) }
  const sum = (of: 'least' | 'natural') =>
    columns.reduce((all, column) => all + column[of], behind[of])
  return { columns, least: sum('least'), natural: sum('natural') }
}

const NONE = { left: 0.6, right: 0.6 }

/** What the landing lasts does not matter: nothing follows it. */
function lengthBehind(piece: Piece, last: Ticks): Ticks {
  return piece.kind === 'landing' ? THIRTY_SECOND * 2 : piece.to - last
}

function roomOf(ticks: Ticks): number {
  return SHORTEST_ROOM * DOUBLED ** Math.max(-0.6, Math.log2(Math.max(1, ticks) / THIRTY_SECOND))
}

/** How far what is written at each instant reaches to both sides. */
function reachesOf({ units, counts }: Piece): Map<Ticks, { left: number; right: number }> {
  const reaches = new Map<Ticks, { left: number; right: number }>()
  const widen = (tick: Ticks, left: number, right: number) => {
    const known = reaches.get(tick) ?? { left: 0, right: 0 }
    reaches.set(tick, { left: Math.max(known.left, left), right: Math.max(known.right, right) })
  }
  for (const { notes, feet } of units) {
    for (const note of [...notes, ...feet]) {
      const { left, right } = noteReach(note)
      widen(note.tick, left, right)
      const half = (note.letters.length * WIDEST_LETTER) / 2
      if (note.group !== null) widen(note.tick, half, half)
    }
  }
  for (const { tick, text } of counts) {
    const half = Math.max(0.5, text.length * 0.42)
    widen(tick, half, half)
  }
  return reaches
}

/**
 * Where the columns of a piece stand when it is `width` wide: what is over its natural width is shared
 * out in proportion, what is missing is taken from the room above the least; only where even that is too
 * wide is everything squeezed. Law: the places rise, and the last is within the width.
 */
export function placesOf(spaced: Spaced, width: number): Map<Ticks, number> {
  const { least, natural } = spaced
  const room = ({ least: small, natural: full }: Pick<Column, 'least' | 'natural'>) => {
    if (width >= natural) return (full * width) / natural
    if (width <= least) return (small * width) / least
    return small + ((full - small) * (width - least)) / (natural - least)
  }
  const places = new Map<Ticks, number>()
  let x = 0
  for (const column of spaced.columns) {
    x += room(column)
    places.set(column.tick, x)
  }
  return places
}

/** The place of an instant between columns, in proportion to time; at the ends those of the piece. */
export function placeAt(
  places: ReadonlyMap<Ticks, number>,
  tick: Ticks,
  ends: { readonly from: Ticks; readonly to: Ticks; readonly width: number },
): number {
  const exact = places.get(tick)
  if (exact !== undefined) return exact
  let [before, after]: (readonly [Ticks, number])[] = [
    [ends.from, 0],
    [ends.to, ends.width],
  ] as const
  for (const column of places) {
    if (column[0] < tick) before = column
    if (column[0] > tick) {
      after = column
      break
    }
  }
  const [[t0, x0], [t1, x1]] = [before, after] as [[Ticks, number], [Ticks, number]]
  return t1 === t0 ? x0 : x0 + ((x1 - x0) * (tick - t0)) / (t1 - t0)
}
