import { zipSync } from 'fflate'
import { formatPdf } from '~/codecs/pdf'
import { formatSvgPage } from '~/codecs/svg'
import type { Page } from '~/core/sheet'
import { pageFonts, pdfFonts } from './sheet-fonts'

/** A file that is ready, and what there is to say of it. */
export interface SheetFile {
  readonly file: string
  readonly type: string
  readonly content: BlobPart
  readonly note: string
}

/** Dots an inch of a picture of a page: fit for a printer and for a screen. */
const PICTURE_DPI = 200

/**
 * A sheet as one file: a PDF of all pages; an SVG or PNG of the page, or a zip of them where there are
 * several. Rejects where fonts cannot be fetched.
 */
export async function sheetFile(
  kind: 'pdf' | 'svg' | 'png',
  pages: readonly Page[],
  name: string,
): Promise<SheetFile> {
  if (kind === 'pdf') {
    const { bytes, missing } = formatPdf(pages, { title: name, fonts: await pdfFonts() })
    return {
      file: `${name}.pdf`,
      type: 'application/pdf',
      content: part(bytes),
      note: missingWords(missing),
    }
  }
  const fonts = await pageFonts()
  const svgs = pages.map((page) => formatSvgPage(page, name, fonts))
  const encoder = new TextEncoder()
  const files =
    kind === 'svg'
      ? svgs.map((svg) => encoder.encode(svg))
      : await Promise.all(svgs.map((svg, i) => pagePicture(svg, pages[i] as Page)))
  const type = kind === 'svg' ? 'image/svg+xml' : 'image/png'
  const [only] = files
  if (files.length === 1 && only)
    return { file: `${name}.${kind}`, type, content: part(only), note: '' }
  const named = files.map((bytes, i) => [`page ${i + 1}.${kind}`, bytes] as const)
  const zip = zipSync(Object.fromEntries(named))
  return {
    file: `${name}.zip`,
    type: 'application/zip',
    content: part(zip),
    note: `The zip has a picture of each of the ${files.length} pages.`,
  }
}

function part(bytes: Uint8Array): BlobPart {
  return bytes as Uint8Array<ArrayBuffer>
}

function missingWords(missing: readonly string[]): string {
  if (missing.length === 0) return ''
  const shown = missing.slice(0, 12).join(' ')
  return `The fonts of the PDF lack ${shown}${missing.length > 12 ? ' and more' : ''}: they are left out there. Printing to PDF from the browser keeps them.`
}

/** A page as a picture of its real size. */
export async function pagePicture(svg: string, { width, height }: Page): Promise<Uint8Array> {
  const image = new Image()
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`
  await image.decode()
  const canvas = document.createElement('canvas')
  canvas.width = Math.round((width / 25.4) * PICTURE_DPI)
  canvas.height = Math.round((height / 25.4) * PICTURE_DPI)
  canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height)
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/png'))
  if (!blob) throw new Error('the canvas gave no picture')
  return new Uint8Array(await blob.arrayBuffer())
}
