import {
  barlineFigure,
  clefFigure,
  type Figure,
  heightOf,
  letterFigure,
  meterFigure,
  type Shape,
  stackFigure,
  staffFigures,
  staveFigure,
} from '../figures'
import type { Ticks } from '../time'
import type { Group, Piece, SheetLine, Word } from './bars'
import { METRE, OVER_SIZE, placeAt, placesOf, type Spaced } from './spacing'

/** What is written beside the staff. */
export interface Rows {
  readonly stacks: boolean
  readonly sticking: 'below' | 'above' | 'none'
  /** Whether the sticking tells the feet too. */
  readonly footLetters: boolean
  readonly counts: boolean
  readonly voices: boolean
}

/** Figures with their height: y is 0 at the top line of the staff, or of the block. */
export interface Drawn {
  readonly figures: readonly Figure[]
  readonly top: number
  readonly bottom: number
}

/** Some pieces of a line as one system of staff. */
export interface SystemPart {
  readonly pieces: readonly Piece[]
  readonly spaced: readonly Spaced[]
  /** Whether it begins the line, and so has the metre. */
  readonly first: boolean
  /** Whether it ends the line, and may stay short. */
  readonly last: boolean
}

/** What the clef takes. */
const CLEF = 3
/** A last system is not stretched further than this. */
const MAX_STRETCH = 1.2

/** The sizes of what is set as text, in staff spaces. */
const LETTER = 1.75
const COUNT = 1.6
const SMALL = 1.35

/** Nothing on paper is pressed by a row above: stems may be as long as they need. */
const ROOM = { ceiling: -12, floor: 16 } as const

/** What is left of a system's width for its pieces. */
export function roomFor(width: number, first: boolean): number {
  return width - CLEF - (first ? METRE : 0)
}

/** A piece in its place on the system. */
interface Placed {
  readonly piece: Piece
  readonly x: number
  readonly width: number
  readonly xOf: (tick: Ticks) => number
}

/** Draws a system of `width` staff spaces. */
export function drawSystem(line: SheetLine, part: SystemPart, rows: Rows, width: number): Drawn {
  const placed = placePieces(part, width)
  const end = placed.at(-1)
  const right = end ? end.x + end.width : width
  const staff = placed.flatMap(({ piece, xOf }) =>
    piece.units.flatMap((unit) => staffFigures(unit, { xOf, room: ROOM, sticking: null })),
  )
  const frame = [
    staveFigure(0, right),
    clefFigure(0.8),
    ...(part.first ? [meterFigure(line.meter, CLEF + METRE / 2 - 0.2)] : []),
    ...placed.flatMap(({ piece, x }) =>
      piece.meter ? [meterFigure(piece.meter, x + METRE / 2)] : [],
    ),
    ...barlines(placed, part.last),
  ]
  const height = heightOf(staff)
  const above = Math.min(-0.6, height?.top ?? 0)
  const below = Math.max(4.6, height?.bottom ?? 4)
  const upper = aboveRows(line, placed, part, rows, above)
  const lower = belowRows(placed, rows, below)
  const figures = [...frame, ...staff, ...upper, ...lower]
  const all = heightOf(figures) ?? { top: 0, bottom: 4 }
  return { figures, ...all }
}

function placePieces({ pieces, spaced, first, last }: SystemPart, width: number): Placed[] {
  const room = roomFor(width, first)
  const sum = (of: 'least' | 'natural') => spaced.reduce((all, one) => all + one[of], 0)
  const [least, natural] = [sum('least'), sum('natural')]
  const wanted = last ? Math.min(room, natural * MAX_STRETCH) : room
  const share = (one: Spaced) => {
    if (wanted >= natural) return (one.natural * wanted) / natural
    if (wanted <= least) return (one.least * wanted) / least
    return one.least + ((one.natural - one.least) * (wanted - least)) / (natural - least)
  }
  let x = width - room
  return pieces.map((piece, i): Placed => {
    const one = spaced[i] as Spaced
    const own = share(one)
    const left = x
    const places = placesOf(one, own)
    const ends = { from: piece.from, to: piece.to, width: own }
    x += own
    return { piece, x: left, width: own, xOf: (tick) => left + placeAt(places, tick, ends) }
  })
}

function barlines(placed: readonly Placed[], last: boolean): Figure[] {
  return placed.flatMap(({ piece, x, width }, i) => {
    if (!piece.closesBar) return []
    const ends = last && i === placed.length - 1
    return [barlineFigure(x + width, ends ? 'final' : 'single')]
  })
}

function word(
  text: string,
  at: readonly [number, number],
  size: number,
  more: {
    bold?: boolean
    anchor?: 'start' | 'middle' | 'end'
    mono?: boolean
  } = {},
): Shape {
  return {
    kind: 'text',
    at,
    anchor: more.anchor ?? 'middle',
    face: more.mono ? 'mono' : 'text',
    runs: [{ text, size, bold: more.bold ?? false }],
  }
}

/** Bar numbers, groove, letters where they stand above, and the stacks over their spans. */
function aboveRows(
  { groups }: SheetLine,
  placed: readonly Placed[],
  { first }: SystemPart,
  rows: Rows,
  above: number,
): Figure[] {
  const figures: Figure[] = []
  const words: Shape[] = []
  const [begin] = placed
  if (!first && begin?.piece.bar)
    words.push(word(String(begin.piece.bar), [0, -0.8], SMALL, { anchor: 'start' }))
  let y = above
  if (rows.sticking === 'above') {
    y -= 0.7
    figures.push(...letters(placed, rows, y))
    y -= LETTER
  }
  if (rows.stacks) figures.push(...stacks(groups, placed, y - 0.6))
  const over = heightOf(figures)?.top ?? y
  for (const { piece, x, xOf } of placed) {
    if (piece.over === '') continue
    const own = piece.units.flatMap((unit) =>
      staffFigures(unit, { xOf, room: ROOM, sticking: null }),
    )
    const top = Math.min(-1, (heightOf(own)?.top ?? 0) - 0.5)
    const clear = piece.kind === 'fill' ? Math.min(top, over - 0.5) : top
    words.push(word(piece.over, [x + 0.9, clear], OVER_SIZE, { anchor: 'start' }))
  }
  return [...figures, { part: 'words', shapes: words }]
}

/** Letters where they stand below, counts and voices. */
function belowRows(placed: readonly Placed[], rows: Rows, below: number): Figure[] {
  const figures: Figure[] = []
  let y = below
  if (rows.sticking === 'below') {
    y += LETTER + 0.1
    figures.push(...letters(placed, rows, y))
  }
  const row = (of: 'counts' | 'voices', size: number) => {
    y += size + 0.4
    const shapes = placed.flatMap(({ piece, xOf }) =>
      piece[of].map(({ tick, text, strong }: Word) =>
        word(text, [xOf(tick), y], size, { bold: strong }),
      ),
    )
    figures.push({ part: of === 'counts' ? 'count' : 'words', shapes })
  }
  if (rows.counts) row('counts', COUNT)
  if (rows.voices) row('voices', SMALL)
  return figures
}

function letters(placed: readonly Placed[], { footLetters }: Rows, y: number): Figure[] {
  return placed
    .filter(({ piece }) => piece.kind !== 'landing')
    .flatMap(({ piece, xOf }) =>
      piece.units.map((unit) => letterFigure(unit, y, { xOf, footLetters, letterSize: LETTER })),
    )
}

const DISC_PITCH = 0.72
const DISC_WIDTH = 3.1
/** Taller stacks have thinner discs. */
const TALLEST = 6.2

/** Groups as stacks over brackets, a number beside each; one that began on another system has its bracket alone. */
function stacks(groups: readonly Group[], placed: readonly Placed[], floor: number): Figure[] {
  const fill = placed.filter(({ piece }) => piece.kind === 'fill')
  const [begin, end] = [fill[0], fill.at(-1)]
  if (!begin || !end) return []
  const xAt = (tick: Ticks) => {
    const inside = fill.find(({ piece }) => tick >= piece.from && tick < piece.to)
    return inside?.xOf(tick)
  }
  return groups
    .filter(({ from, last }) => last >= begin.piece.from && from < end.piece.to)
    .flatMap(({ from, last, size, discs }): Figure[] => {
      const [left, right] = [xAt(from), xAt(last)]
      const x0 = left === undefined ? begin.x + 0.4 : left - 0.6
      const x1 = right === undefined ? end.x + end.width - 0.4 : right + 0.6
      const hook = (x: number): Shape => ({
        kind: 'line',
        from: [x, floor],
        to: [x, floor + 0.5],
        width: 0.1,
      })
      const bracket: Shape[] = [
        { kind: 'line', from: [x0, floor], to: [x1, floor], width: 0.1 },
        ...(left === undefined ? [] : [hook(x0)]),
        ...(right === undefined ? [] : [hook(x1)]),
      ]
      if (left === undefined) return [{ part: 'stack', shapes: bracket }]
      const pitch = Math.min(DISC_PITCH, TALLEST / Math.max(1, discs.length))
      // At the right end a stack stands so far in that its number is on the staff.
      const edge = end.x + end.width - DISC_WIDTH / 2 - 0.35 - String(size).length
      const x = Math.min(left + DISC_WIDTH / 2 - 0.6, edge)
      const bottom = floor - 0.3
      const number = word(String(size), [x + DISC_WIDTH / 2 + 0.35, bottom - 0.1], 1.7, {
        bold: true,
        anchor: 'start',
      })
      return [
        { part: 'stack', shapes: bracket },
        stackFigure(discs, { x, bottom, width: DISC_WIDTH, pitch }),
        { part: 'words', shapes: size > 1 ? [number] : [] },
      ]
    })
}
