import { noteReach } from '../figures'
import type { Ticks } from '../time'
import type { Piece } from './bars'
import { textWidth } from './text'

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
/** The size of what is said over a piece, staff spaces. */
export const OVER_SIZE = 1.35
/** What a metre takes on the staff. */
export const METRE = 2.6

/**
 * The columns of a piece with the room that each wants: longer notes have more, but not in proportion
 * (twice the length has about a third more, as engravers space by hand), notes of one length all the same,
 * and none less than its heads, brackets, graces and words take.
 */
export function spacePiece(piece: Piece): Spaced {
  const [heads, words] = [headReaches(piece), wordReaches(piece)]
  const ticks = [...new Set([...heads.keys(), ...words.keys()])].sort((a, b) => a - b)
  const last = ticks.at(-1) ?? piece.from
  const right = Math.max(rightOf(heads, last), rightOf(words, last)) + BETWEEN
  const gaps = ticks.slice(1).map((tick, i) => {
    const before = ticks[i] as Ticks
    const apart = (of: Reaches) => rightOf(of, before) + BETWEEN + leftOf(of, tick)
    return { tick, length: tick - before, heads: apart(heads), words: apart(words) }
  })
  // A long word makes room at all notes of that length, so that they stay evenly apart.
  const widest = new Map<Ticks, number>()
  for (const gap of gaps)
    widest.set(gap.length, Math.max(widest.get(gap.length) ?? 0, gap.words, roomOf(gap.length)))
  const [first] = ticks
  const metre = piece.meter ? METRE : 0
  const before = metre + AFTER_BARLINE + Math.max(leftOf(heads, first), leftOf(words, first))
  const columns: Column[] = [
    ...(first === undefined ? [] : [{ tick: first, least: before, natural: before }]),
    ...gaps.map((gap) => ({
      tick: gap.tick,
      least: Math.max(gap.heads, gap.words),
      natural: Math.max(gap.heads, widest.get(gap.length) ?? 0),
    })),
  ]
  const behind = { least: right, natural: Math.max(right, roomOf(lengthBehind(piece, last))) }
  // What is said over a piece stands over that piece alone.
  const said = piece.over === '' ? 0 : textWidth(piece.over, OVER_SIZE, false) + AFTER_BARLINE * 2
  const sum = (of: 'least' | 'natural') =>
    columns.reduce((all, column) => all + column[of], behind[of])
  const [least, natural] = [Math.max(said, sum('least')), Math.max(said, sum('natural'))]
  return { columns, least, natural }
}

/** What the landing lasts does not matter: nothing follows it. */
function lengthBehind(piece: Piece, last: Ticks): Ticks {
  return piece.kind === 'landing' ? THIRTY_SECOND * 2 : piece.to - last
}

function roomOf(ticks: Ticks): number {
  return SHORTEST_ROOM * DOUBLED ** Math.max(-0.6, Math.log2(Math.max(1, ticks) / THIRTY_SECOND))
}

/** How far what is written at each instant reaches to both sides. */
type Reaches = ReadonlyMap<Ticks, { readonly left: number; readonly right: number }>

/** What nothing is written at takes. */
const NOTHING = 0.6
const leftOf = (reaches: Reaches, tick: Ticks | undefined) =>
  (tick === undefined ? undefined : reaches.get(tick)?.left) ?? NOTHING
const rightOf = (reaches: Reaches, tick: Ticks) => reaches.get(tick)?.right ?? NOTHING

function joined(
  all: readonly { readonly tick: Ticks; readonly left: number; readonly right: number }[],
): Reaches {
  const reaches = new Map<Ticks, { left: number; right: number }>()
  for (const { tick, left, right } of all) {
    const known = reaches.get(tick) ?? { left: 0, right: 0 }
    reaches.set(tick, { left: Math.max(known.left, left), right: Math.max(known.right, right) })
  }
  return reaches
}

/** Of heads, brackets, graces and flags. */
function headReaches({ units }: Piece): Reaches {
  return joined(
    units.flatMap(({ notes, feet }) =>
      [...notes, ...feet].map((note) => ({ tick: note.tick, ...noteReach(note) })),
    ),
  )
}

/** Of counts and letters under the notes. */
function wordReaches({ units, counts }: Piece): Reaches {
  const even = (tick: Ticks, half: number) => ({ tick, left: half, right: half })
  const letters = units.flatMap(({ notes }) =>
    notes.flatMap(({ tick, group, letters: all }) =>
      group === null ? [] : [even(tick, (all.length * WIDEST_LETTER) / 2)],
    ),
  )
  const words = counts.map(({ tick, text }) => even(tick, Math.max(0.5, text.length * 0.42)))
  return joined([...letters, ...words])
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

/**
 * The place of an instant between columns, in proportion to time; at the ends those of the piece.
 *
 * @example placeAt(new Map([[0, 10], [100, 30]]), 50, { from: 10, to: 50 }) // 20
 */
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
