import { formatSvgPage } from '~/codecs/svg'
import { heightOf } from '~/core/figures'
import type { Lick } from '~/core/line'
import { DEFAULT_CHOICES, layOut, lookOf, type Page } from '~/core/sheet'
import { type SheetReading, sheetOf } from '~/words/sheet-words'
import { pagePicture } from './sheet-file'
import { pageFonts } from './sheet-fonts'

/** White under the last row of a picture, millimetres. */
const MARGIN = 8

/** A lick as a picture (PNG) to paste: its title and its staff as on paper, no higher than these. */
export async function lickPicture(lick: Lick, reading: SheetReading): Promise<Blob> {
  const choices = { ...DEFAULT_CHOICES, ladder: false, key: false }
  const [page] = layOut(sheetOf([{ lick, rows: [] }], choices, {}, reading), lookOf(choices))
  if (!page) throw new Error('a sheet has a page')
  const cut = trimmed(page)
  const bytes = await pagePicture(formatSvgPage(cut, lick.title, await pageFonts()), cut)
  return new Blob([bytes as Uint8Array<ArrayBuffer>], { type: 'image/png' })
}

/** A page without its foot, as high as what is on it. */
function trimmed(page: Page): Page {
  const figures = page.figures.slice(0, -1)
  const bottom = heightOf(figures)?.bottom ?? 0
  return { ...page, figures, height: bottom * page.space + MARGIN }
}
