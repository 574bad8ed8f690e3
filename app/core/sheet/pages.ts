import { type Figure, moved, type Shape } from '../figures'
import { itemBlocks, keyBlocks, titleBlocks } from './blocks'
import { type Block, PAPERS, type Sheet, type SheetLook } from './sheet'
import { cutToWidth } from './text'

/** A page as it is printed: figures in staff spaces from its upper left corner. */
export interface Page {
  /** Millimetres. */
  readonly width: number
  readonly height: number
  /** A staff space in millimetres. */
  readonly space: number
  readonly figures: readonly Figure[]
}

/** White around everything, millimetres. */
const MARGIN = 14
/** What the foot of a page takes, staff spaces. */
const FOOT = 3.2

/**
 * Lays a sheet out on pages: headings keep to their first system, systems are never cut, and no page has
 * more of them than the look allows. Every sheet has one page at least. Law: every system is on
 * one page, and nothing stands over the margin.
 */
export function layOut(sheet: Sheet, look: SheetLook): Page[] {
  const paper = PAPERS[look.paper]
  const space = look.space
  const width = (paper.width - 2 * MARGIN) / space
  const height = (paper.height - 2 * MARGIN) / space - FOOT
  const blocks = [
    ...titleBlocks(sheet, width),
    ...sheet.items.flatMap((item) => itemBlocks(item, look.rows, width)),
    ...keyBlocks(sheet.key, width),
  ]
  const filled = fillPages(blocks, height, look.mostSystems)
  return filled.map((figures, i) => ({
    width: paper.width,
    height: paper.height,
    space,
    figures: [...figures, footFigure(sheet.title, i, filled.length, width, height)].map((figure) =>
      moved(figure, MARGIN / space, MARGIN / space),
    ),
  }))
}

/** Blocks one under the other; those that keep to what follows go to the next page with it. */
function fillPages(
  blocks: readonly Block[],
  height: number,
  mostSystems: number | null,
): Figure[][] {
  const pages: Figure[][] = [[]]
  let [y, systems] = [0, 0]
  const runs = keptTogether(blocks)
  for (const run of runs) {
    const needed = run.reduce((sum, block) => sum + block.gap + block.height, 0)
    const own = run.filter(({ system }) => system).length
    const full = y > 0 && y + needed > height
    const enough = mostSystems !== null && systems > 0 && systems + own > mostSystems
    if (full || enough) {
      pages.push([])
      y = 0
      systems = 0
    }
    systems += own
    for (const block of run) {
      const top = y === 0 ? 0 : y + block.gap
      pages.at(-1)?.push(...block.figures.map((figure) => moved(figure, 0, top)))
      y = top + block.height
    }
  }
  return pages
}

/** Blocks in runs that stay together: headings with what they head. */
function keptTogether(blocks: readonly Block[]): Block[][] {
  const runs: Block[][] = []
  let run: Block[] = []
  for (const block of blocks) {
    run.push(block)
    if (block.keep) continue
    runs.push(run)
    run = []
  }
  return run.length > 0 ? [...runs, run] : runs
}

function footFigure(
  title: string,
  page: number,
  pages: number,
  width: number,
  height: number,
): Figure {
  const text = (words: string, x: number, anchor: 'start' | 'end'): Shape => ({
    kind: 'text',
    at: [x, height + FOOT - 0.4],
    anchor,
    face: 'text',
    runs: [{ text: words, size: 1.4, bold: false }],
  })
  return {
    part: 'words',
    shapes: [
      text(cutToWidth(title, 1.4, false, width - 12), 0, 'start'),
      text(`${page + 1} / ${pages}`, width, 'end'),
    ],
  }
}
