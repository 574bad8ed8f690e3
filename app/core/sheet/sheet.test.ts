import fc from 'fast-check'
import { describe, expect, it, test } from 'vitest'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { heightOf } from '../figures'
import type { Lick } from '../line'
import {
  DEFAULT_CHOICES,
  layOut,
  lookOf,
  PAPERS,
  type Sheet,
  type SheetChoices,
  toSheetLine,
} from '.'
import { breakSystems, systemCost } from './breaking'
import { placeAt, placesOf, spacePiece } from './spacing'
import { drawSystem, roomFor } from './system'
import { cutToWidth, textWidth, wrapped } from './text'

const lineOf = (lick: Lick, lead = true) =>
  toSheetLine(lick, { view: { beaming: 'beat', groove: 'slashes' }, lead: lead ? '' : null })

function sheetWith(licks: readonly Lick[], more: Partial<Sheet> = {}): Sheet {
  const items = licks.map((lick) => ({
    title: lick.title || 'Untitled',
    facts: '4/4',
    notes: [],
    tempo: { beat: 10080, words: '72 to 118' },
    rows: [{ label: '', line: lineOf(lick) }],
    rungs: [72, 80, 89],
  }))
  return { title: '', notes: [], items, key: [], ...more }
}
const look = (choices: Partial<SheetChoices> = {}) => lookOf({ ...DEFAULT_CHOICES, ...choices })
const barlines = (pages: ReturnType<typeof layOut>) =>
  pages.map(({ figures }) => figures.filter(({ part }) => part === 'barline').length)
const texts = (pages: ReturnType<typeof layOut>) =>
  pages
    .flatMap(({ figures }) => figures.flatMap(({ shapes }) => shapes))
    .flatMap((shape) => (shape.kind === 'text' ? shape.runs.map(({ text }) => text) : []))

describe('systems', () => {
  it('are broken as well as any breaking of them is (law, against all breakings)', () => {
    const piece = fc.record({
      natural: fc.double({ min: 10, max: 80, noNaN: true }),
      least: fc.double({ min: 5, max: 60, noNaN: true }),
      glued: fc.boolean(),
    })
    fc.assert(
      fc.property(fc.array(piece, { minLength: 1, maxLength: 9 }), (given) => {
        const pieces = given.map((one, i) => ({
          ...one,
          least: Math.min(one.natural, one.least),
          glued: one.glued && i > 0,
        }))
        const room = (first: number) => (first === 0 ? 90 : 95)
        const cost = (ends: readonly number[]) =>
          ends.reduce((sum, end, i) => {
            const from = ends[i - 1] ?? 0
            return sum + systemCost(pieces.slice(from, end), room(from), end === pieces.length)
          }, 0)
        const all = Array.from({ length: 2 ** (pieces.length - 1) }, (_, mask) => [
          ...pieces.slice(1).flatMap((_, i) => (mask & (1 << i) ? [i + 1] : [])),
          pieces.length,
        ])
        const allowed = all.filter((ends) => ends.slice(0, -1).every((end) => !pieces[end]?.glued))
        const best = Math.min(...allowed.map(cost))
        expect(cost(breakSystems(pieces, room))).toBeCloseTo(best, 9)
      }),
      { numRuns: 200 },
    )
  })

  it('keep columns in order and within their width, however wide or narrow (law)', () => {
    fc.assert(
      fc.property(random.lick, fc.double({ min: 5, max: 300, noNaN: true }), (lick, width) => {
        for (const piece of lineOf(lick).pieces) {
          const places = [...placesOf(spacePiece(piece), width).values()]
          for (const [i, x] of places.entries()) expect(x).toBeGreaterThan(places[i - 1] ?? 0)
          expect(places.at(-1) ?? 0).toBeLessThanOrEqual(width)
        }
      }),
      { numRuns: 40 },
    )
  })

  it('give longer notes more room, but not in proportion', () => {
    const [, fill] = lineOf(lickOf('RLRL @1/4 R @1/16 RL')).pieces
    const room = fill ? spacePiece(fill).columns.map(({ natural }) => natural) : []
    const [sixteenth, quarter] = [room[1] as number, room[5] as number]
    expect(quarter).toBeGreaterThan(1.3 * sixteenth)
    expect(quarter).toBeLessThan(4 * sixteenth)
  })

  it('set notes of one length evenly, however long the words under some of them', () => {
    const line = lineOf(lickOf('grid: 1/16t\nline: RLRLKK*4'), false)
    const [fill] = line.pieces
    const gaps = fill
      ? spacePiece(fill)
          .columns.slice(1)
          .map(({ natural }) => natural)
      : []
    expect(gaps).toHaveLength(23)
    expect(new Set(gaps).size).toBe(1)
  })

  it('draw a lick as its groove, its bars and its landing, the last barline thick', () => {
    const line = lineOf(lickOf('RLRL RLRL RLRL RLRK'))
    expect(line.pieces.map(({ kind }) => kind)).toEqual(['groove', 'fill', 'landing'])
    const part = {
      pieces: line.pieces,
      spaced: line.pieces.map(spacePiece),
      first: true,
      last: true,
      groove: '',
    }
    const { figures } = drawSystem(line, part, look().rows, 103)
    const bars = figures.filter(({ part: of }) => of === 'barline')
    expect(bars.map(({ shapes }) => shapes.length)).toEqual([1, 1, 2])
    expect(roomFor(103, true)).toBeLessThan(roomFor(103, false))
  })

  it('cut a bar of more slots than a system holds at its beats', () => {
    const line = lineOf(lickOf('meter: 5/4\ngrid: 1/32\nline: R*40'), false)
    const bars = line.pieces.filter(({ kind }) => kind === 'fill')
    expect(bars.map(({ from, to, closesBar }) => [from, to, closesBar])).toEqual([
      [0, 30240, false],
      [30240, 50400, true],
    ])
  })
})

describe('pages', () => {
  it('have every bar of every lick once, and nothing over the margin (law)', () => {
    const choices = fc.record({
      paper: fc.constantFrom('A4' as const, 'Letter' as const),
      size: fc.constantFrom('small' as const, 'normal' as const, 'large' as const),
      stacks: fc.boolean(),
      sticking: fc.constantFrom('below' as const, 'above' as const, 'none' as const),
      counts: fc.boolean(),
      voices: fc.boolean(),
    })
    fc.assert(
      fc.property(
        fc.array(random.lick, { minLength: 1, maxLength: 4 }),
        choices,
        (licks, chosen) => {
          const sheet = sheetWith(licks)
          const pages = layOut(sheet, look(chosen))
          const closed = sheet.items.flatMap(({ rows }) =>
            rows.flatMap(({ line }) => line.pieces.filter(({ closesBar }) => closesBar)),
          )
          expect(barlines(pages).reduce((sum, count) => sum + count, 0)).toBe(closed.length)
          const paper = PAPERS[chosen.paper]
          for (const { figures, space, width, height } of pages) {
            expect([width, height]).toEqual([paper.width, paper.height])
            const { top, bottom } = heightOf(figures) ?? { top: 0, bottom: 0 }
            expect(top * space).toBeGreaterThan(10)
            expect(bottom * space).toBeLessThan(paper.height - 10)
          }
        },
      ),
      { numRuns: 15 },
    )
  })

  it('have no more systems than is wished, and headings stay with their first system', () => {
    const lick = lickOf('title: Tightrope\nline: RLRL RLRL RLRL RLRK')
    const two = layOut(sheetWith(Array(5).fill(lick)), look({ mostSystems: 2 }))
    expect(two).toHaveLength(3)
    for (const { figures } of two.slice(0, 2))
      expect(figures.filter(({ part }) => part === 'clef')).toHaveLength(2)
    expect(texts(two).filter((text) => text === 'Tightrope')).toHaveLength(5)
    expect(texts(two)).toContain('2 / 3')
  })

  it('keep tempos to tick off with the last system of their lick', () => {
    const pages = layOut(sheetWith(Array(9).fill(lickOf('RLRL RLRL RLRL RLRK'))), look())
    expect(pages.length).toBeGreaterThan(1)
    for (const { figures } of pages) {
      const parts = figures.map(({ part, shapes }) =>
        part === 'clef'
          ? 'system'
          : shapes.some(({ kind }) => kind === 'box') && part === 'words'
            ? 'ladder'
            : '',
      )
      const order = parts.filter((one) => one !== '')
      expect(order[0]).toBe('system')
      expect(order.at(-1)).toBe('ladder')
    }
  })

  it('are one at least, also of nothing; long notes go over pages', () => {
    expect(layOut(sheetWith([]), look())).toHaveLength(1)
    const notes = [Array(200).fill('Count out loud.').join('\n')]
    const pages = layOut(sheetWith([], { notes }), look())
    expect(pages.length).toBeGreaterThan(2)
    expect(texts(pages).filter((text) => text === 'Count out loud.')).toHaveLength(200)
  })

  it('have a box for each tempo, and a key of the places that are used', () => {
    const key = [{ place: { step: 5, shape: 'round' as const }, name: 'snare' }]
    const [page] = layOut(sheetWith([lickOf('RLRL')], { key }), look({ stacks: false }))
    const boxes = page?.figures.flatMap(({ shapes }) => shapes.filter(({ kind }) => kind === 'box'))
    expect(boxes).toHaveLength(3)
    expect(texts(page ? [page] : [])).toEqual(expect.arrayContaining(['72', '80', '89', 'snare']))
  })
})

describe('words', () => {
  test.each([
    ['a short one', 100, ['a short one']],
    ['one two three four', 8, ['one two', 'three', 'four']],
    ['first\nsecond', 100, ['first', 'second']],
    ['', 10, ['']],
  ])('%j in %d is %j', (text, width, rows) => expect(wrapped(text, 2, false, width)).toEqual(rows))

  it('keep all characters and fit their width, but for a character that is wider (law)', () => {
    fc.assert(
      fc.property(
        fc.string({ unit: 'grapheme' }),
        fc.double({ min: 3, max: 60, noNaN: true }),
        (text, width) => {
          const rows = wrapped(text, 2, true, width)
          expect(rows.join('').replace(/\s/g, '')).toBe(text.replace(/\s/g, ''))
          for (const row of rows)
            if ([...row].length > 1) expect(textWidth(row, 2, true)).toBeLessThanOrEqual(width)
          expect(textWidth(cutToWidth(text, 2, true, width), 2, true)).toBeLessThanOrEqual(width)
        },
      ),
    )
  })
})

describe('text that is cut', () => {
  const letters = fc.string({ unit: fc.constantFrom(...'iWml .é1'), maxLength: 40 })
  const width = fc.double({ min: 3, max: 60, noNaN: true })
  const wide = (text: string) => textWidth(text, 2, true)

  it('stays whole where it fits, and keeps all that fits before the ellipsis (law)', () => {
    fc.assert(
      fc.property(letters, width, (text, most) => {
        const cut = cutToWidth(text, 2, true, most)
        if (wide(text) <= most) {
          expect(cut).toBe(text)
          return
        }
        const kept = cut.slice(0, -1)
        expect([cut.endsWith('…'), text.startsWith(kept)]).toEqual([true, true])
        const next = text.slice(
          0,
          text.indexOf(text.slice(kept.length).trimStart(), kept.length) + 1,
        )
        expect(wide(`${next}…`)).toBeGreaterThan(most)
      }),
    )
  })

  it('breaks a word only where no more of it fits, and a row only where the next word does not (law)', () => {
    fc.assert(
      fc.property(letters, width, (text, most) => {
        const rows = wrapped(text, 2, true, most)
        for (const [i, row] of rows.slice(0, -1).entries()) {
          const [word = ''] = (rows[i + 1] as string).split(' ')
          const broken = !text.includes(`${row.split(' ').at(-1)} `)
          const more = broken ? `${row}${[...word][0]}` : `${row} ${word}`
          expect(wide(more)).toBeGreaterThan(most)
        }
      }),
    )
  })
})

describe('what stands on a system', () => {
  const first = (text: string) => {
    const line = lineOf(lickOf(text), false)
    const [piece] = line.pieces
    if (!piece) throw new Error('no piece')
    return { line, piece, spaced: spacePiece(piece) }
  }
  const rows = {
    stacks: false,
    sticking: 'below',
    footLetters: true,
    counts: true,
    voices: false,
  } as const

  it('is stretched in proportion, and pressed in proportion below the least', () => {
    const { spaced } = first('line: RLRL RLRL RLRL RLRL')
    const last = (width: number) => [...placesOf(spaced, width).values()].at(-1) ?? 0
    const natural = last(spaced.natural)
    expect(last(spaced.natural * 1.5)).toBeCloseTo(natural * 1.5, 6)
    expect(last(spaced.least * 0.5)).toBeCloseTo(last(spaced.least) * 0.5, 6)
    expect(last(spaced.natural * 1.5)).toBeLessThanOrEqual(spaced.natural * 1.5)
  })

  it('keeps the least room between long counts', () => {
    const { piece } = first('grid: 1/16\nline: RLRL')
    const long = spacePiece({
      ...piece,
      counts: piece.counts.map((word) => ({ ...word, text: 'xxxxxxxxxx' })),
    })
    // Half of each word, ten letters of 0.42 each, and what lies between.
    for (const { least } of long.columns.slice(1, 4)) expect(least).toBeGreaterThanOrEqual(4.2)
  })

  it('has what lies between two columns in proportion to time', () => {
    const places = new Map([
      [0, 10],
      [4000, 50],
    ])
    const ends = { from: 0, to: 8000, width: 90 }
    expect([1000, 3000, 6000].map((tick) => placeAt(places, tick, ends))).toEqual([20, 40, 70])
  })

  it('begins behind clef and metre, has its letters, and stays short where it ends the line', () => {
    const { line, piece, spaced } = first('line: RLRL RLRL RLRL RLRL')
    const draw = (isLast: boolean) =>
      drawSystem(
        { ...line, pieces: [piece] },
        { pieces: [piece], spaced: [spaced], first: true, last: isLast },
        rows,
        400,
      ).figures
    const xs = (figures: ReturnType<typeof draw>) =>
      figures
        .filter(({ part }) => part === 'sticking')
        .flatMap(({ shapes }) =>
          shapes.flatMap((shape) => (shape.kind === 'text' ? [shape.at[0]] : [])),
        )
    expect(xs(draw(true))).toHaveLength(16)
    // A clef of 3 and a metre of 2.6 spaces stand before it.
    expect(Math.min(...xs(draw(false)))).toBeGreaterThan(400 - roomFor(400, true))
    expect(Math.max(...xs(draw(true)))).toBeLessThan(200)
    expect(Math.max(...xs(draw(false)))).toBeGreaterThan(300)
  })
})

describe('a pick-up on paper', () => {
  const view = { beaming: 'beat', groove: 'slashes' } as const
  const early = (text: string, lead: string | null) =>
    toSheetLine(lickOf(text), { view, lead }).pieces.filter(({ kind }) => kind === 'groove')

  it('has its counts and voices in the bar before, with or without the groove', () => {
    for (const [text, lead] of [
      ['pickup: @1/8t RLR:t1\nline: RLRL', 'eighths, 1 bar'],
      ['pickup: @1/8t RLR:t1\nline: RLRL', null],
      ['lead: 0\ngroove: none\npickup: @1/8t RLR:t1\nline: RLRL', 'none'],
    ] as const) {
      const [bar, ...more] = early(text, lead)
      expect(more).toEqual([])
      expect(bar?.counts.map(({ tick, text: said }) => [tick, said])).toEqual([
        [-10080, '4'],
        [-6720, 'trip'],
        [-3360, 'let'],
      ])
      expect(bar?.voices.map(({ text: said }) => said)).toEqual(['sn', 'sn', 't1'])
      const struck = bar?.units.flatMap(({ notes }) => notes.filter(({ group }) => group !== null))
      expect(struck?.map(({ letters }) => letters.map(({ letter }) => letter).join(''))).toEqual([
        'R',
        'L',
        'R',
      ])
    }
    expect(early('line: RLRL', null)).toEqual([])
  })
})
