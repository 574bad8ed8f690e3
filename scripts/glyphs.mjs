// Takes the outlines of the music glyphs that the staff needs out of the music font, and the widths of
// the text face, and writes them where the core reads them. Run after either font has changed.
import { readFileSync, writeFileSync } from 'node:fs'
import { create } from 'fontkit'

const FONT = 'node_modules/@vexflow-fonts/bravura/bravura.otf'
const METADATA = 'node_modules/@vexflow-fonts/bravura/metadata.json'
const TEXT = (weight) =>
  ['latin', 'latin-ext'].map(
    (set) =>
      `node_modules/@fontsource/hanken-grotesk/files/hanken-grotesk-${set}-${weight}-normal.woff`,
  )

/** Name in the standard layout of music fonts, and its code point there. */
const GLYPHS = {
  unpitchedPercussionClef1: 0xe069,
  noteheadBlack: 0xe0a4,
  noteheadHalf: 0xe0a3,
  noteheadWhole: 0xe0a2,
  noteheadXBlack: 0xe0a9,
  noteheadXHalf: 0xe0a8,
  noteheadXWhole: 0xe0a7,
  noteheadCircleX: 0xe0b3,
  noteheadCircleXHalf: 0xe0b2,
  noteheadCircleXWhole: 0xe0b1,
  noteheadDiamondBlack: 0xe0db,
  noteheadDiamondHalf: 0xe0d9,
  noteheadDiamondWhole: 0xe0d8,
  noteheadTriangleUpBlack: 0xe0be,
  noteheadTriangleUpHalf: 0xe0bc,
  noteheadTriangleUpWhole: 0xe0bb,
  noteheadCircledBlack: 0xe0e4,
  noteheadCircledHalf: 0xe0e5,
  noteheadCircledWhole: 0xe0e6,
  noteheadSquareBlack: 0xe0b9,
  noteheadSquareWhite: 0xe0b8,
  noteheadSlashHorizontalEnds: 0xe101,
  noteheadParenthesisLeft: 0xe0f5,
  noteheadParenthesisRight: 0xe0f6,
  augmentationDot: 0xe1e7,
  flag8thUp: 0xe240,
  flag8thDown: 0xe241,
  flag16thUp: 0xe242,
  flag16thDown: 0xe243,
  flag32ndUp: 0xe244,
  flag32ndDown: 0xe245,
  flag64thUp: 0xe246,
  flag64thDown: 0xe247,
  flag128thUp: 0xe248,
  flag128thDown: 0xe249,
  articAccentAbove: 0xe4a0,
  articMarcatoAbove: 0xe4ac,
  restWhole: 0xe4e3,
  restHalf: 0xe4e4,
  restQuarter: 0xe4e5,
  rest8th: 0xe4e6,
  rest16th: 0xe4e7,
  rest32nd: 0xe4e8,
  rest64th: 0xe4e9,
  rest128th: 0xe4ea,
  repeatDot: 0xe044,
  metNoteHalfUp: 0xeca3,
  metNoteQuarterUp: 0xeca5,
  metNote8thUp: 0xeca7,
  metNote16thUp: 0xeca9,
  metAugmentationDot: 0xecb7,
  ...digits('timeSig', 0xe080),
  timeSigPlus: 0xe08c,
  ...digits('tuplet', 0xe880),
}

function digits(name, first) {
  return Object.fromEntries(Array.from({ length: 10 }, (_, i) => [`${name}${i}`, first + i]))
}

const LETTERS = {
  moveTo: 'M',
  lineTo: 'L',
  quadraticCurveTo: 'Q',
  bezierCurveTo: 'C',
  closePath: 'Z',
}

/** An outline in thousandths of the em, downwards: a quarter of the em is a staff space. */
function outline(glyph) {
  return glyph.path.commands
    .map(({ command, args }) => {
      const numbers = args.map((value, i) => Math.round(i % 2 === 0 ? value : -value) + 0)
      return LETTERS[command] + numbers.join(' ')
    })
    .join('')
}

function glyphTable() {
  const font = create(readFileSync(FONT))
  const { glyphBBoxes, glyphsWithAnchors } = JSON.parse(readFileSync(METADATA, 'utf8'))
  return Object.fromEntries(
    Object.entries(GLYPHS).map(([name, code]) => {
      const box = glyphBBoxes[name]
      const anchors = glyphsWithAnchors[name] ?? {}
      if (!box || !font.hasGlyphForCodePoint(code)) throw new Error(`${name}: not in the font`)
      const [left, bottom] = box.bBoxSW
      const [right, top] = box.bBoxNE
      return [
        name,
        {
          box: [left, -top, right, -bottom],
          up: anchors.stemUpSE ? [anchors.stemUpSE[0], -anchors.stemUpSE[1]] : null,
          down: anchors.stemDownNW ? [anchors.stemDownNW[0], -anchors.stemDownNW[1]] : null,
          d: outline(font.glyphForCodePoint(code)),
        },
      ]
    }),
  )
}

/** Advance widths of a face in thousandths of the em, by code point; the first file that has it. */
function widths(weight) {
  const fonts = TEXT(weight).map((file) => create(readFileSync(file)))
  const table = {}
  for (let code = 0x20; code < 0x2200; code += 1) {
    const font = fonts.find((one) => one.hasGlyphForCodePoint(code))
    if (!font) continue
    const { advanceWidth } = font.glyphForCodePoint(code)
    table[code] = Math.round((advanceWidth * 1000) / font.unitsPerEm)
  }
  return table
}

const NOTE = '// Written by scripts/glyphs.mjs from the fonts that ship. Do not edit.\n'
const lines = (table) =>
  Object.entries(table)
    .map(([name, value]) => `  ${name}: ${JSON.stringify(value)},`)
    .join('\n')

const out = process.argv[2] ?? 'app/core'
writeFileSync(
  `${out}/figures/glyph-data.ts`,
  `${NOTE}
/** Outlines in 250ths of a staff space, boxes and where stems meet in staff spaces, all downwards. */
export const GLYPH_DATA = {
${lines(glyphTable())}
} as const
`,
)
writeFileSync(
  `${out}/sheet/width-data.ts`,
  `${NOTE}
/** Advance widths of the text face in thousandths of the em, by code point. */
export const WIDTH_DATA: Readonly<Record<'regular' | 'bold', Readonly<Record<number, number>>>> = {
  regular: ${JSON.stringify(widths(400))},
  bold: ${JSON.stringify(widths(600))},
}
`,
)
