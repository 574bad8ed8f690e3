import { execFileSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { type StaffNote, type StaffUnit, staffUnit, toStaff } from '../engraving'
import { HEAD_SHAPES } from '../kit'
import { frameTicks } from '../line'
import { type Figure, glyphWidth, type Shape, staffFigures } from '.'
import { flagsOf, headGlyph, restGlyph } from './glyphs'
import { STEM, stepY } from './measures'
import { placeNote } from './notes'

const ROOM = { ceiling: -6.6, floor: 8.2 }

function unitOf(text: string, beaming: 'beat' | 'group' = 'beat'): StaffUnit {
  const lick = lickOf(text)
  return staffUnit(toStaff(lick, { beaming, groove: 'slashes' }), 0, frameTicks(lick.frame).bar)
}
const xOf = (tick: number) => 2 + tick / 630
const draw = (unit: StaffUnit, sticking: number | null = null) =>
  staffFigures(unit, { xOf, room: ROOM, sticking })
const shapes = (figures: readonly Figure[], part: Figure['part']): Shape[] =>
  figures.filter((figure) => figure.part === part).flatMap((figure) => figure.shapes)
const glyphs = (all: readonly Shape[]) => all.filter((shape) => shape.kind === 'glyph')
const areas = (all: readonly Shape[]) => all.filter((shape) => shape.kind === 'area')
const stems = (all: readonly Shape[]) =>
  all.filter((shape) => shape.kind === 'line').filter(({ from, to }) => from[0] === to[0])

describe('the outlines', () => {
  it('are what the script takes from the fonts that ship', () => {
    const out = mkdtempSync(join(tmpdir(), 'glyphs-'))
    for (const folder of ['figures', 'sheet']) mkdirSync(join(out, folder))
    execFileSync(process.execPath, ['scripts/glyphs.mjs', out])
    const bare = (file: string) => readFileSync(file, 'utf8').replace(/[\s,"']/g, '')
    for (const file of ['figures/glyph-data.ts', 'sheet/width-data.ts'])
      expect(bare(join(out, file))).toBe(bare(join('app/core', file)))
    rmSync(out, { recursive: true })
  })

  it('have a head of every shape at every value, and a rest of every value', () => {
    for (const shape of HEAD_SHAPES)
      for (const value of [1, 2, 4, 8, 128])
        expect(glyphWidth(headGlyph(shape, value))).toBeGreaterThan(0.8)
    for (const value of [1, 2, 4, 8, 16, 32, 64, 128])
      expect(glyphWidth(restGlyph(value))).toBeGreaterThan(0)
    expect(() => restGlyph(3)).toThrow('note value 3')
  })
})

describe('a bar of staff', () => {
  it('has every head on its column, at the height of its voice', () => {
    const heads = glyphs(shapes(draw(unitOf('R:t1 L R:f1 K')), 'note'))
    expect(heads.map(({ name, at }) => [name, at[0] + glyphWidth(name) / 2, at[1]])).toEqual(
      [7, 5, 3, 1].map((step, i) => ['noteheadBlack', xOf(i * 2520), stepY(step)]),
    )
  })

  it('has no head over another, on one line or beside it (law)', () => {
    const head = fc.record({
      step: fc.integer({ min: 2, max: 6 }),
      shape: fc.constantFrom(...HEAD_SHAPES),
      ghost: fc.constant(false),
    })
    const heads = fc.uniqueArray(head, {
      minLength: 2,
      maxLength: 4,
      selector: ({ step, shape }) => `${step} ${shape}`,
    })
    const [note] = unitOf('R').notes
    const stem = fc.constantFrom('up' as const, 'down' as const)
    fc.assert(
      fc.property(heads, stem, fc.constantFrom(1, 2, 4, 16), (all, way, value) => {
        const placed = placeNote({ ...(note as StaffNote), heads: all, value }, 10, way, ROOM).heads
        for (const [i, a] of placed.entries())
          for (const b of placed.slice(0, i)) {
            const shared =
              Math.min(a.x + glyphWidth(a.name), b.x + glyphWidth(b.name)) - Math.max(a.x, b.x)
            if (Math.abs(a.step - b.step) <= 1) expect(shared).toBeLessThan(2 * STEM + 1e-9)
          }
      }),
      { numRuns: 150 },
    )
    // A cross-stick beside a snare stroke, and a second snare: two heads, side by side, one dot.
    for (const text of ['(RL:xs)', '(RL:s2)', '(RL:xs)--R']) {
      const drawn = glyphs(shapes(draw(unitOf(text)), 'note'))
      const dots = drawn.filter(({ name }) => name === 'augmentationDot')
      expect([text, dots.length]).toEqual([text, text.endsWith('--R') ? 1 : 0])
      const [first, second] = drawn
      expect(Math.abs((first?.at[0] ?? 0) - (second?.at[0] ?? 0))).toBeGreaterThan(0.8)
    }
  })

  it('joins sixteenths by two beams a beat, and stems end on the beam', () => {
    const figures = draw(unitOf('RLRL R-L- RLLK K'))
    const beams = figures.filter(({ part }) => part === 'beam')
    expect(beams.map((beam) => areas(beam.shapes).length)).toEqual([2, 1, 2])
    const tips = stems(shapes(figures, 'note')).map(({ to }) => to[1])
    const tops = beams.flatMap((beam) => areas(beam.shapes)[0]?.points[0]?.[1] ?? [])
    expect(tips.slice(0, 4)).toEqual(Array(4).fill(tops[0]))
    // The lone sixteenth at the end has two flags and no beam.
    expect(glyphs(shapes(figures, 'note')).at(-1)?.name).toBe('flag16thUp')
  })

  it('gives a short note beside a long one a stub of its own beam', () => {
    const figures = draw(unitOf('R--L'))
    const [whole, stub] = areas(shapes(figures, 'beam')).map(({ points }) => {
      const [first = [0, 0], second = [0, 0]] = points
      return second[0] - first[0]
    })
    expect(whole).toBeGreaterThan(10)
    expect(stub).toBeLessThan(1.3)
  })

  it('puts a bracket where no beam has just the notes of the tuplet, a bare number elsewhere', () => {
    const bare = shapes(draw(unitOf('grid: 1/16q\nline: RLLRK*4')), 'tuplet')
    expect(bare.map(({ kind }) => kind)).toEqual(Array(4).fill('glyph'))
    const bracketed = shapes(draw(unitOf('grid: 1/8t\nline: R-L RLK RL- R--')), 'tuplet')
    expect(bracketed.filter(({ kind }) => kind === 'line')).toHaveLength(8)
  })

  it('has brackets round ghosts, ledger lines, dots, accents, and graces before their note', () => {
    const all = shapes(draw(unitOf('>R:c2 l fR dL R--')), 'note')
    const names = glyphs(all).map(({ name }) => name)
    for (const name of ['articAccentAbove', 'noteheadParenthesisLeft', 'augmentationDot'])
      expect(names).toContain(name)
    const small = glyphs(all).filter(({ size }) => size < 1)
    expect(small.filter(({ name }) => name.startsWith('notehead'))).toHaveLength(3)
    expect(small.every(({ at }) => at[0] < xOf(4 * 2520))).toBe(true)
    const ledgers = all.filter((one) => one.kind === 'line' && one.from[1] === one.to[1])
    expect(ledgers).toHaveLength(1)
  })

  it('writes letters under the notes, of the hands alone where that is wished', () => {
    const unit = unitOf('RlK(RK)')
    const words = (figures: readonly Figure[]) =>
      shapes(figures, 'sticking').map((one) =>
        one.kind === 'text' ? one.runs.map(({ text }) => text).join('') : '',
      )
    expect(words(draw(unit, 9))).toEqual(['R', 'L', 'K', 'RK'])
    const hands = { xOf, room: ROOM, sticking: 9, footLetters: false }
    expect(words(staffFigures(unit, hands))).toEqual(['R', 'L', 'R'])
  })

  it('draws every note once, with as many beams or flags as its value has, within its room (law)', () => {
    fc.assert(
      fc.property(
        random.lick,
        fc.constantFrom('beat' as const, 'group' as const),
        (lick, beaming) => {
          const { bar } = frameTicks(lick.frame)
          const unit = staffUnit(toStaff(lick, { beaming, groove: 'notes' }), 0, bar)
          const figures = draw(unit, 9)
          const struck = [...unit.notes, ...unit.feet].filter(({ kind }) => kind === 'note')
          expect(figures.filter(({ part }) => part === 'note')).toHaveLength(struck.length)
          const beamed = new Set(unit.beams.flat())
          const flagged = unit.notes.filter(
            ({ kind, value }, i) => kind === 'note' && flagsOf(value) > 0 && !beamed.has(i),
          )
          const flags = glyphs(shapes(figures, 'note')).filter(
            ({ name, size }) => size === 1 && name.startsWith('flag') && name.endsWith('Up'),
          )
          expect(flags).toHaveLength(flagged.length)
          for (const shape of figures.flatMap((figure) => figure.shapes)) {
            const [x, y] =
              shape.kind === 'line'
                ? shape.to
                : shape.kind === 'area'
                  ? (shape.points[0] ?? [0, 0])
                  : shape.at
            expect(Number.isFinite(x) && Number.isFinite(y)).toBe(true)
            expect(y).toBeGreaterThan(ROOM.ceiling - 3)
            expect(y).toBeLessThan(ROOM.floor + 3)
          }
        },
      ),
      { numRuns: 150 },
    )
  })
})
