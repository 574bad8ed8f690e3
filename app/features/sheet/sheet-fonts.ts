import type { PdfFont } from '~/codecs/pdf'
import type { PageFont } from '~/codecs/svg'
import mono400 from '~/fonts/mono-400.ttf?url'
import mono600 from '~/fonts/mono-600.ttf?url'
import text400 from '~/fonts/text-400.ttf?url'
import text600 from '~/fonts/text-600.ttf?url'
import ext400 from '~/fonts/text-ext-400.ttf?url'
import ext600 from '~/fonts/text-ext-600.ttf?url'

const FONTS = [
  ['text', 400, text400],
  ['text', 600, text600],
  ['text-ext', 400, ext400],
  ['text-ext', 600, ext600],
  ['mono', 400, mono400],
  ['mono', 600, mono600],
] as const

/** The fonts of a sheet for a PDF. Rejects where one cannot be fetched. */
export function pdfFonts(): Promise<PdfFont[]> {
  return Promise.all(
    FONTS.map(async ([face, weight, address]) => {
      const answer = await fetch(address)
      if (!answer.ok) throw new Error(`${address}: ${answer.status}`)
      return { face, weight, bytes: new Uint8Array(await answer.arrayBuffer()) }
    }),
  )
}

/** The same for pictures that stand alone. */
export async function pageFonts(): Promise<PageFont[]> {
  const fonts = await pdfFonts()
  return fonts.map(({ face, weight, bytes }) => {
    let binary = ''
    for (const byte of bytes) binary += String.fromCharCode(byte)
    return { family: face, weight, source: `data:font/ttf;base64,${btoa(binary)}` }
  })
}
