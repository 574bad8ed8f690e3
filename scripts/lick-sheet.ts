import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { formatPdf, type PdfFont } from '../app/codecs/pdf'
import { formatSvgPage, type PageFont } from '../app/codecs/svg'
import type { Lick } from '../app/core/line'
import { DEFAULT_CHOICES, layOut, lookOf } from '../app/core/sheet'
import { type SheetEntry, type SheetReading, sheetOf } from '../app/words/sheet-words'

const FACES = ['text', 'text-ext', 'mono'] as const
const WEIGHTS = [400, 600] as const

/** The first page of a lick's sheet, as it is printed if nothing is chosen. */
export function svgSheet(lick: Lick, reading: SheetReading): string {
  const [page] = pagesOf(lick, reading)
  const fonts = readFonts().map(({ face, weight, bytes }): PageFont => {
    const source = `data:font/ttf;base64,${Buffer.from(bytes).toString('base64')}`
    return { family: face, weight, source }
  })
  return page ? formatSvgPage(page, lick.title, fonts) : ''
}

/** The whole sheet of a lick. */
export function pdfSheet(lick: Lick, reading: SheetReading): Uint8Array {
  return formatPdf(pagesOf(lick, reading), { title: lick.title, fonts: readFonts() }).bytes
}

/** A sheet of several licks under a title, as a PDF. */
export function pdfOf(
  entries: readonly SheetEntry[],
  head: { readonly title: string; readonly notes: readonly string[] },
): Uint8Array {
  const pages = layOut(sheetOf(entries, DEFAULT_CHOICES, head), lookOf(DEFAULT_CHOICES))
  return formatPdf(pages, { title: head.title, fonts: readFonts() }).bytes
}

function pagesOf(lick: Lick, reading: SheetReading) {
  const sheet = sheetOf([{ lick, rows: [] }], DEFAULT_CHOICES, {}, reading)
  return layOut(sheet, lookOf(DEFAULT_CHOICES))
}

function readFonts(): PdfFont[] {
  return FACES.flatMap((face) =>
    WEIGHTS.map((weight) => ({
      face,
      weight,
      bytes: readFileSync(join(import.meta.dirname, `../app/fonts/${face}-${weight}.ttf`)),
    })),
  )
}
