import {
  type Figure,
  headFigure,
  heightOf,
  moved,
  type Shape,
  staveFigure,
  tempoFigure,
  tempoNoteWidth,
} from '../figures'
import { breakSystems } from './breaking'
import type { Block, Sheet, SheetItem, SheetRow } from './sheet'
import { spacePiece } from './spacing'
import { drawSystem, type Rows, roomFor } from './system'
import { textWidth, wrapped } from './text'

/** Sizes of type in staff spaces; beside a staff of 7 mm the first is 17 points. */
const TITLE = 3.4
const HEADING = 2.3
const TEXT = 1.7
const LABEL = 1.7
const LEADING = 1.25

const words = (
  text: string,
  [x, y]: readonly [number, number],
  size: number,
  bold = false,
  anchor: 'start' | 'middle' | 'end' = 'start',
): Shape => ({ kind: 'text', at: [x, y], anchor, face: 'text', runs: [{ text, size, bold }] })

/** Rows of text under each other. */
function paragraph(
  rows: readonly string[],
  size: number,
  bold: boolean,
): Pick<Block, 'figures' | 'height'> {
  const step = size * LEADING
  return {
    figures: [
      {
        part: 'words',
        shapes: rows.map((row, i) => words(row, [0, size * 0.8 + i * step], size, bold)),
      },
    ],
    height: rows.length * step,
  }
}

/** The title of the sheet and what is said under it. */
export function titleBlocks({ title, notes }: Sheet, width: number): Block[] {
  const rows = title === '' ? [] : wrapped(title, TITLE, true, width)
  const heads =
    rows.length > 0 ? [{ ...paragraph(rows, TITLE, true), gap: 0, keep: true, system: false }] : []
  return [...heads, ...noteBlocks(notes, width, 0.4)]
}

/** Notes row by row, so that long ones go over the pages; few of them keep to what follows. */
function noteBlocks(notes: readonly string[], width: number, gap: number): Block[] {
  const rows = notes
    .filter((note) => note.trim() !== '')
    .flatMap((note) => wrapped(note, TEXT, false, width))
  const keep = rows.length <= MAX_KEPT
  return rows.map((row, i) => ({
    ...paragraph([row], TEXT, false),
    gap: i === 0 ? gap : 0,
    keep,
    system: false,
  }))
}
const MAX_KEPT = 8

/** A lick with its heading, its systems and its ladder. */
export function itemBlocks(item: SheetItem, rows: Rows, width: number): Block[] {
  const ladder = ladderBlocks(item.rungs, width)
  const systems = item.rows.flatMap((row) => rowBlocks(row, rows, width))
  const last = systems.length - 1
  // Tempos to tick off stay with the last system of their lick.
  const kept = systems.map((block, i) =>
    i === last && ladder.length > 0 ? { ...block, keep: true } : block,
  )
  return [headingBlock(item, width), ...noteBlocks(item.notes, width, 0.3), ...kept, ...ladder]
}

function headingBlock({ title, facts, tempo }: SheetItem, width: number): Block {
  const mark = tempo ? textWidth(`= ${tempo.words}`, TEXT, true) + tempoNoteWidth(tempo.beat) : 0
  const titles = wrapped(title, HEADING, true, width - mark - 1)
  const under = facts === '' ? [] : wrapped(facts, TEXT, false, width)
  const head = paragraph(titles, HEADING, true)
  const body = paragraph(under, TEXT, false)
  const right = tempo
    ? [
        tempoFigure(tempo.beat, tempo.words, {
          x: width - mark,
          y: HEADING * 0.8,
          size: TEXT,
        }),
      ]
    : []
  return {
    figures: [
      ...head.figures,
      ...right,
      ...body.figures.map((figure) => moved(figure, 0, head.height)),
    ],
    height: head.height + body.height,
    gap: 4,
    keep: true,
    system: false,
  }
}

/** The systems of a row, its label over the first. */
function rowBlocks({ label, line }: SheetRow, rows: Rows, width: number): Block[] {
  const spaced = line.pieces.map(spacePiece)
  const breakable = spaced.map((one, i) => ({ ...one, glued: line.pieces[i]?.kind === 'landing' }))
  const ends = breakSystems(breakable, (first) => roomFor(width, first === 0))
  const systems = ends.map((end, i): Block => {
    const from = ends[i - 1] ?? 0
    const part = {
      pieces: line.pieces.slice(from, end),
      spaced: spaced.slice(from, end),
      first: from === 0,
      last: end === line.pieces.length,
    }
    const { figures, top, bottom } = drawSystem(line, part, rows, width)
    return {
      figures: figures.map((figure) => moved(figure, 0, -top)),
      height: bottom - top,
      gap: i === 0 ? 1.2 : 2,
      keep: false,
      system: true,
    }
  })
  if (label === '') return systems
  const head = paragraph(wrapped(label, LABEL, true, width), LABEL, true)
  return [{ ...head, gap: 2, keep: true, system: false }, ...systems]
}

const BOX = 1.5
const RUNG = 7.2

/** Tempos with a box before each, in as many rows as they take. */
function ladderBlocks(rungs: readonly number[], width: number): Block[] {
  if (rungs.length === 0) return []
  const across = Math.max(1, Math.floor(width / RUNG))
  const rows = Math.ceil(rungs.length / across)
  const shapes = rungs.flatMap((tempo, i): Shape[] => {
    const [x, y] = [(i % across) * RUNG, Math.floor(i / across) * 2.4]
    return [
      { kind: 'box', at: [x + 0.07, y], width: BOX, height: BOX, radius: 0.2, hollow: 0.14 },
      words(String(tempo), [x + BOX + 0.5, y + BOX - 0.15], TEXT),
    ]
  })
  return [
    {
      figures: [{ part: 'words', shapes }],
      height: rows * 2.4,
      gap: 1.4,
      keep: false,
      system: false,
    },
  ]
}

const KEY_COLUMN = 9

/** The key to the staff: every head with its name under it. */
export function keyBlocks(key: Sheet['key'], width: number): Block[] {
  const across = Math.max(1, Math.floor(width / KEY_COLUMN))
  const rows: (typeof key)[] = []
  for (let i = 0; i < key.length; i += across) rows.push(key.slice(i, i + across))
  return rows.map((entries, row): Block => {
    const heads = entries.map(({ place }, i) => headFigure(place, (i + 0.5) * KEY_COLUMN))
    const staff: Figure[] = [staveFigure(0, entries.length * KEY_COLUMN), ...heads]
    const { top, bottom } = heightOf(staff) ?? { top: 0, bottom: 4 }
    const baseline = bottom + 1.9
    const names = entries.map(({ name }, i) =>
      wrapped(name, 1.4, false, KEY_COLUMN - 0.6).map((text, at) =>
        words(text, [(i + 0.5) * KEY_COLUMN, baseline + at * 1.7], 1.4, false, 'middle'),
      ),
    )
    const tallest = Math.max(0, ...names.map((lines) => lines.length))
    const figures = [...staff, { part: 'words' as const, shapes: names.flat() }]
    return {
      figures: figures.map((figure) => moved(figure, 0, -top)),
      height: baseline + (tallest - 1) * 1.7 + 0.5 - top,
      gap: row === 0 ? 4 : 1.5,
      keep: row < rows.length - 1,
      system: false,
    }
  })
}
