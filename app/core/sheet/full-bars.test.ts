import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { solo } from '../../../tests/support/solos'
import type { StaffNote, StaffUnit } from '../engraving'
import { frameTicks, type Lick, lineEvents } from '../line'
import { toSections } from '../solo'
import { TICKS_PER_WHOLE, type Ticks } from '../time'
import { type Piece, toSheetLine } from './bars'
import { toSoloLine } from './solo-line'

/** A note of a bar, and how long its value, its dot and its brackets say that it lasts. */
interface Written {
  readonly note: StaffNote
  readonly ticks: number
}

function writtenIn({ notes, tuplets }: StaffUnit): Written[] {
  return notes.map((note, i) => {
    const plain = (TICKS_PER_WHOLE / note.value) * (note.dots === 1 ? 1.5 : 1)
    const ticks = tuplets
      .filter(({ from, to }) => from <= i && i <= to)
      .reduce((length, one) => (length * one.inTimeOf) / one.notes, plain)
    return { note, ticks }
  })
}

/** The bars of some pieces: what is cut at its beats is one bar again. */
function barsOf(pieces: readonly Piece[]): { from: Ticks; to: Ticks; written: Written[] }[] {
  const bars: { from: Ticks; to: Ticks; written: Written[]; open: boolean }[] = []
  for (const { from, to, units, closesBar } of pieces.filter(({ kind }) => kind !== 'landing')) {
    const written = units[0] ? writtenIn(units[0]) : []
    const bar = bars.at(-1)
    if (bar?.open) {
      bar.to = to
      bar.written.push(...written)
      bar.open = !closesBar
    } else bars.push({ from, to, written, open: !closesBar })
  }
  return bars
}

/** No bracket is written that nobody reads: those of the grids, and of squeezes. */
const READ = new Set([2, 3, 4, 5, 6, 7, 8, 9])

function faultsOf(pieces: readonly Piece[]): string[] {
  return barsOf(pieces).flatMap(({ from, to, written }) => {
    const faults: string[] = []
    let at: number = from
    for (const [i, { note, ticks }] of written.entries()) {
      if (Math.abs(note.tick - at) > 1) faults.push(`${note.tick}: ${at} is written before it`)
      const next = written[i + 1]?.note.tick ?? to
      at = note.isOpen ? next : note.tick + ticks
    }
    if (Math.abs(at - to) > 1) faults.push(`the bar at ${from} lasts to ${at}, and not to ${to}`)
    return faults
  })
}

const numbersOf = (pieces: readonly Piece[]) =>
  pieces.flatMap(({ units }) =>
    units.flatMap(({ tuplets, feetTuplets }) =>
      [...tuplets, ...feetTuplets].map(({ notes }) => notes),
    ),
  )

const view = fc.record({
  beaming: fc.constantFrom('beat' as const, 'group' as const),
  groove: fc.constantFrom('slashes' as const, 'notes' as const),
})

describe('every printed bar', () => {
  it('ends at its barline, also where a slot crosses that', () => {
    const lick = lickOf('grid: 1/8\nstart: 1e\nbars: 2\nline: RLRLRLRL RLRLRLR')
    const { pieces } = toSheetLine(lick, { view: { beaming: 'beat', groove: 'notes' }, lead: null })
    expect(faultsOf(pieces)).toEqual([])
    const [first, second] = barsOf(pieces)
    expect(first?.written.map(({ note }) => `${note.kind} ${note.value}`)).toEqual([
      'note 16',
      ...Array(7).fill('note 8'),
      'note 16',
    ])
    expect(second?.written[0]?.note).toMatchObject({ kind: 'rest', value: 16 })
  })

  it('adds up, and every head stands at its tick (law)', () => {
    fc.assert(
      fc.property(random.lick, view, (lick, how) => {
        const { pieces } = toSheetLine(lick, { view: how, lead: 'groove' })
        expect(faultsOf(pieces)).toEqual([])
        expect(numbersOf(pieces).filter((number) => !READ.has(number))).toEqual([])
        expect(headsOf(pieces)).toEqual(struckBy(lick, pieces))
      }),
      { numRuns: 80 },
    )
  })

  it('has a value for everything that lies on one grid: nothing is left open without need (law)', () => {
    const grids = fc.constantFrom(
      '1/4',
      '1/8',
      '1/16',
      '1/32',
      '1/8t',
      '1/16t',
      '1/16q',
      '1/16s',
      '1/32n',
    )
    const lines = fc.array(fc.constantFrom('R', 'L', 'K', '-', '{RL}', '{RLR}', 'fR'), {
      minLength: 1,
      maxLength: 40,
    })
    const starts = fc.constantFrom('1', '2', '3', '4')
    fc.assert(
      fc.property(grids, lines, starts, view, (grid, slots, start, how) => {
        const lick = lickOf(`grid: ${grid}\nstart: ${start}\nline: ${slots.join('')}`)
        const { pieces } = toSheetLine(lick, { view: how, lead: null })
        const notes = pieces.flatMap(({ units }) => units.flatMap((unit) => unit.notes))
        expect(notes.filter(({ isOpen }) => isOpen)).toEqual([])
      }),
      { numRuns: 80 },
    )
  })

  it('of a solo adds up (law)', () => {
    fc.assert(
      fc.property(solo, view, (drawn, how) => {
        const { pieces } = toSoloLine(toSections(drawn), { view: how, over: () => '' })
        expect(faultsOf(pieces)).toEqual([])
        expect(numbersOf(pieces).filter((number) => !READ.has(number))).toEqual([])
      }),
      { numRuns: 40 },
    )
  })
})

/** The ticks at which strokes of the line are drawn. */
function headsOf(pieces: readonly Piece[]): Ticks[] {
  return pieces
    .filter(({ kind }) => kind === 'fill')
    .flatMap(({ units }) => units.flatMap(({ notes }) => notes))
    .filter(({ kind, group }) => kind === 'note' && group !== null && group >= 0)
    .map(({ tick }) => tick)
}

/** The ticks at which the line strikes in the bars that are printed. */
function struckBy(lick: Lick, pieces: readonly Piece[]): Ticks[] {
  const end = pieces.filter(({ kind }) => kind === 'fill').at(-1)?.to ?? frameTicks(lick.frame).bar
  return [...new Set(lineEvents(lick).map(({ tick }) => tick))].filter((tick) => tick < end)
}
