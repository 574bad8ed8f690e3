import { XMLValidator } from 'fast-xml-parser'
import { describe, expect, it } from 'vitest'
import { formatSvgPage, svgElements } from '.'

const words = (text: string) => ({
  part: 'words' as const,
  shapes: [
    {
      kind: 'text' as const,
      at: [1, 2] as const,
      anchor: 'start' as const,
      face: 'text' as const,
      runs: [{ text, size: 2, bold: true }],
    },
  ],
})
const page = (text: string) => ({ width: 210, height: 297, space: 1.75, figures: [words(text)] })

describe('an SVG page', () => {
  it('stands alone: size in millimetres, fonts inside, the title told', () => {
    const font = {
      family: 'text' as const,
      weight: 600 as const,
      source: 'data:font/ttf;base64,AA==',
    }
    const svg = formatSvgPage(page('Tightrope'), 'Tightrope', [font])
    expect(XMLValidator.validate(svg)).toBe(true)
    expect(svg).toContain('width="210mm" height="297mm" viewBox="0 0 210 297"')
    expect(svg).toContain("@font-face{font-family:'sheet-text'")
    expect(svg).toContain('<title>Tightrope</title>')
  })

  it('escapes what a player writes, and leaves out what XML has no place for', () => {
    const svg = formatSvgPage(page('<script>alert("&")</script>\u0000\ud800'), '</title><x>')
    expect(XMLValidator.validate(svg)).toBe(true)
    expect(svg).not.toContain('<script>')
    expect(svg).not.toContain('<x>')
    expect(svg).toContain('&lt;script&gt;')
  })

  it('joins lines of one weight, and keeps what is of the paper’s colour on top of what it covers', () => {
    const line = (y: number, paper = false) => ({
      kind: 'line' as const,
      from: [0, y] as const,
      to: [4, y] as const,
      width: 0.1,
      ...(paper && { paper }),
    })
    const box = {
      kind: 'box' as const,
      at: [0, 0] as const,
      width: 4,
      height: 1,
      radius: 0.5,
      hollow: null,
    }
    const elements = svgElements({
      part: 'stack',
      shapes: [line(1), line(2), box, line(0.5, true)],
    })
    expect(
      elements.map(({ tag, attributes }) => [tag, attributes.stroke ?? attributes.fill]),
    ).toEqual([
      ['path', 'currentColor'],
      ['rect', 'currentColor'],
      ['path', '#fff'],
    ])
    expect(elements[0]?.attributes.d).toBe('M0 1L4 1M0 2L4 2')
  })
})
