import { readFileSync } from 'node:fs'
import { inflateSync } from 'node:zlib'
import { describe, expect, it } from 'vitest'
import { DEFAULT_CHOICES, layOut, lookOf, type Sheet, toSheetLine } from '~/core/sheet'
import { lickOf } from '../../../tests/support/licks'
import { formatPdf, type PdfFont } from '.'

const FONTS = (['text', 'text-ext', 'mono'] as const).flatMap((face) =>
  ([400, 600] as const).map(
    (weight): PdfFont => ({ face, weight, bytes: readFileSync(`app/fonts/${face}-${weight}.ttf`) }),
  ),
)

function pagesOf(title: string, count = 1) {
  const lick = lickOf('RLrl RLK- fRLRL {RLR}LRK')
  const line = toSheetLine(lick, { view: { beaming: 'beat', groove: 'slashes' }, lead: '' })
  const item = {
    title,
    facts: '',
    notes: [],
    tempo: null,
    rows: [{ label: '', line, groove: '' }],
    rungs: [],
  }
  const sheet: Sheet = { title: '', notes: [], items: Array(count).fill(item), key: [] }
  return layOut(sheet, lookOf({ ...DEFAULT_CHOICES, mostSystems: 1 }))
}

/** Everything drawn on the pages, unpacked. */
function drawn(bytes: Uint8Array): string {
  const buffer = Buffer.from(bytes)
  const text = buffer.toString('latin1')
  return [...text.matchAll(/\/FlateDecode[\s\S]*?stream\r?\n/g)]
    .map((match) => {
      const from = (match.index ?? 0) + match[0].length
      try {
        return inflateSync(buffer.subarray(from)).toString('latin1')
      } catch {
        return ''
      }
    })
    .join('\n')
}

describe('a PDF', () => {
  it('has its pages in millimetres, vectors, and its fonts inside', () => {
    const { bytes, missing } = formatPdf(pagesOf('Tightrope', 3), {
      title: 'Tightrope',
      fonts: FONTS,
    })
    const text = Buffer.from(bytes).toString('latin1')
    expect(text.match(/\/Type \/Page\b/g)).toHaveLength(3)
    expect(text).toMatch(/\/MediaBox \[0 0 595\.\d+ 841\.\d+\]/)
    expect(text.match(/\/FontFile2/g)?.length).toBeGreaterThan(0)
    expect(text).not.toContain('/Subtype /Image')
    const curves = drawn(bytes).match(/ c$/gm)?.length ?? 0
    expect(curves).toBeGreaterThan(100)
    expect(missing).toEqual([])
  })

  it('sets letters that the first face lacks in the second, and tells those that no face has', () => {
    const written = formatPdf(pagesOf('Zażółć 太鼓'), { title: 'x', fonts: FONTS })
    expect(written.missing).toEqual(['太', '鼓'])
  })

  it('refuses no pages', () => {
    expect(() => formatPdf([], { title: '', fonts: FONTS })).toThrow('one at least')
  })
})
