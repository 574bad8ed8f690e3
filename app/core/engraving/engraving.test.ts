import fc from 'fast-check'
import { describe, expect, it, test } from 'vitest'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { GROOVES, grooveEvents } from '../groove'
import { STAFF_KEY } from '../kit'
import { aimOf, frameTicks, type Lick, lineEvents, pickupSlots } from '../line'
import { grooveBars } from '../solo'
import { SURFACES } from '../sticking'
import { TICKS_PER_WHOLE, toMeter } from '../time'
import { landingUnit, type StaffView, staffUnit, toScore, toStaff } from '.'

/** So many random licks; more of them where they are asked for. */
const RUNS = Number(process.env.RANDOM_LICKS ?? 150)

const BY_BEAT: StaffView = { beaming: 'beat', groove: 'slashes' }
const BY_GROUP: StaffView = { beaming: 'group', groove: 'slashes' }

function unit(text: string, view = BY_BEAT, bars = 1) {
  const lick = lickOf(text)
  return staffUnit(toStaff(lick, view), 0, bars * frameTicks(lick.frame).bar)
}
const beams = (text: string, view: StaffView) => unit(text, view).beams.map((beam) => beam.length)
const values = (text: string) =>
  unit(text)
    .notes.map(
      ({ kind, value, dots }) =>
        `${kind === 'rest' ? '-' : kind === 'slash' ? '/' : ''}${value}${dots ? '.' : ''}`,
    )
    .join(' ')

describe('beams', () => {
  it('go by beat or by group, over the same onsets (C56, hard case 21)', () => {
    expect(beams('RLRLLK*2 RRLK', BY_GROUP)).toEqual([6, 6, 4])
    expect(beams('RLRLLK*2 RRLK', BY_BEAT)).toEqual([4, 4, 4, 4])
    expect(beams('RLK RLLRK RLLRLRK K', BY_GROUP)).toEqual([3, 5, 7])
    expect(beams('RLK RLLRK RLLRLRK K', BY_BEAT)).toEqual([4, 4, 4, 4])
    const ticks = (view: StaffView) =>
      unit('RLK RLLRK RLLRLRK K', view).notes.map(({ tick }) => tick)
    expect(ticks(BY_GROUP)).toEqual(ticks(BY_BEAT))
  })

  it('follow the felt groups of an odd metre', () => {
    expect(beams('meter: 7/8\nline: RLRKK*2 RLRL', BY_BEAT)).toEqual([4, 4, 6])
    expect(beams('meter: 7/8 3+2+2\nline: RLRKK*2 RLRL', BY_BEAT)).toEqual([6, 4, 4])
  })
})

describe('values', () => {
  test.each([
    ['RLRL R-L- R--- -RLK', '16 16 16 16 8 8 4 -16 16 16 16'],
    ['start: 4e\nstop: 4\nline: RLK', '/4 /4 /4 -16 16 16 16'],
    ['start: 2&\nline: RLRLRLRLRL', '/4 /8 16 16 16 16 16 16 16 16 16 16'],
    ['R--L R-LK RL-- {RL}RLK', '8. 16 8 16 16 16 8. 32 32 16 16 16'],
    ['grid: 1/8t\nline: R-L RLK RL- R--', '4 8 8 8 8 8 4 4'],
    ['grid: 1/4\nline: R-LK', '4 -4 4 4'],
    ['meter: 3/4\nlanding: groove beat\nstart: 1\nline: RLRL', '16 16 16 16 /4 /4'],
    ['landing: stop beat\nstart: 1\nline: RLRL', '16 16 16 16 8 -8 /4 /4'],
    ['landing: none beat\nstart: 1\nline: RLRL', '16 16 16 16 -4 -4 -4'],
    ['landing: crash beat\ngroove: none\nstart: 1\nline: RLRL', '16 16 16 16 4 -4 -4'],
    ['meter: 12/8\nlanding: crash beat\nline: RLRLRL', '16 16 16 16 16 16 4. /4. /4.'],
    ['meter: 7/8\nlanding: crash beat\nline: RLRLRL', '16 16 16 16 16 16 8 /4.'],
  ])('%s is written %s', (text, written) => expect(values(text)).toBe(written))

  it('write squeezes at their real value', () => {
    const notes = unit('{RLR}{RLRLR}{RLRL}{RLRLRLRL}').notes.map(({ value }) => value)
    expect(new Set(notes.slice(0, 3))).toEqual(new Set([32]))
    expect(notes.slice(3, 8)).toEqual([64, 64, 64, 64, 64])
    expect(notes.slice(8, 12)).toEqual([64, 64, 64, 64])
    expect(notes[12]).toBe(128)
  })
})

describe('tuplets', () => {
  test.each([
    ['grid: 1/16q\nline: RLLRK*4', [5, 5, 5, 5]],
    ['grid: 1/16t\nline: RLRLKK*4', [6, 6, 6, 6]],
    ['grid: 1/8t\nline: RLK*4', [3, 3, 3, 3]],
    ['start: 2&\ngrid: 1/16t\nline: RLR LRL RLR LRL RLR', [3, 6, 6]],
    ['{RLR}LRL', [3]],
    ['grid: 1/16s\nmeter: 2/4\nline: RLRLRLK*2', [7, 7]],
    ['RLRL', []],
  ])('%s has %j', (text, numbers) =>
    expect(unit(text).tuplets.map(({ notes }) => notes)).toEqual(numbers),
  )

  it('nest: a squeeze inside triplets has both brackets', () => {
    const { tuplets } = unit('grid: 1/8t\nline: {RLR}LK RLK*3')
    expect(tuplets.map(({ from, to, notes }) => [from, to, notes])).toContainEqual([0, 2, 3])
    expect(tuplets[0]).toMatchObject({ from: 0, to: 4, notes: 3 })
  })
})

/** Every note of a staff ends where the next begins, and is written as long as that takes. */
function expectWhole(lick: Lick, view: StaffView): void {
  const { start, end, target } = aimOf(lick)
  const { bar } = frameTicks(lick.frame)
  const barOf = (tick: number) => Math.floor(tick / bar)
  let tick = Math.min(0, pickupSlots(lick)[0]?.tick ?? 0)
  for (const atom of toStaff(lick, view).notes) {
    const written = atom.brackets.reduce(
      (ticks, { notes, inTimeOf }) => (ticks * inTimeOf) / notes,
      ((TICKS_PER_WHOLE / atom.value) * (2 + atom.dots)) / 2,
    )
    // A squeeze that does not divide its slot lies at floors.
    if (!atom.isOpen) expect(Math.abs(written - atom.ticks)).toBeLessThan(1)
    expect(barOf(atom.tick + atom.ticks - 1)).toBe(barOf(atom.tick))
    expect(atom.value).toBeLessThanOrEqual(128)
    expect(atom.tick).toBe(tick)
    tick = atom.tick + atom.ticks
  }
  expect(tick).toBe(Math.ceil(Math.max(start, end, target) / bar) * bar)
}

describe('the staff', () => {
  it('shows every stroke of the line at its tick, and nothing twice (law)', () => {
    fc.assert(
      fc.property(random.lick, (lick) => {
        const { end, target } = aimOf(lick)
        const staff = toStaff(lick, BY_BEAT)
        const last = Math.max(end, target)
        const bar = frameTicks(lick.frame).bar
        const units = Array.from({ length: Math.ceil(last / bar) + 1 }, (_, i) =>
          staffUnit(staff, i * bar, (i + 1) * bar),
        )
        const notes = units.flatMap((one) => one.notes)
        const drawn = notes
          .filter(({ group }) => group !== null && group >= 0)
          .filter(({ kind }) => kind === 'note')
        const onsets = [...new Set(lineEvents(lick).map(({ tick }) => tick))]
        expect(drawn.map(({ tick }) => tick)).toEqual(onsets)
        for (const { beams: groups, notes: all } of units) {
          for (const beam of groups) expect(beam.every((i) => (all[i]?.value ?? 0) >= 8)).toBe(true)
        }
      }),
      { numRuns: 80 },
    )
  })

  it('is the same in any bars, however long the line beside them (law)', () => {
    fc.assert(
      fc.property(random.lick, fc.nat(), fc.nat(3), (lick, at, more) => {
        const { bar } = frameTicks(lick.frame)
        const { end, target } = aimOf(lick)
        const bars = Math.max(1, Math.ceil(Math.max(end, target) / bar))
        const first = at % bars
        const last = Math.min(bars, first + 1 + more)
        // Rows may be parts of bars: a stretch need not begin on a barline.
        const stretch = { from: first * bar + (at % bar), to: last * bar - 1 }
        const view = { beaming: at % 2 === 0 ? 'beat' : 'group', groove: 'notes' } as const
        const [whole, part] = [toStaff(lick, view), toStaff(lick, view, stretch)]
        for (let one = first; one < last; one += 1) {
          const unit = (staff: typeof whole) => staffUnit(staff, one * bar, (one + 1) * bar)
          expect(unit(part)).toEqual(unit(whole))
        }
      }),
      { numRuns: RUNS },
    )
  })

  it('writes every note and rest as long as it lasts, without gap or overlap (law)', () => {
    fc.assert(
      fc.property(random.lick, (lick) => {
        expectWhole(lick, BY_BEAT)
      }),
      { numRuns: RUNS },
    )
  })

  it('writes every groove as long as it lasts too, from any start, stopped anywhere (law)', () => {
    fc.assert(
      fc.property(
        random.lick,
        fc.constantFrom(...GROOVES),
        fc.constantFrom('notes' as const, 'slashes' as const),
        fc.nat(9),
        (lick, groove, written, stops) => {
          const { start } = lick.frame
          const stop = stops > 5 ? null : Math.floor((start * stops) / 5)
          const grooving = { ...lick, frame: { ...lick.frame, groove: groove.id, stop } }
          expectWhole(grooving, { beaming: 'beat', groove: written })
          if (written === 'slashes' || lick.pickup.slots.length > 0) return
          const staff = toStaff(grooving, { beaming: 'beat', groove: 'notes' })
          const drawn = staff.notes.filter(
            ({ kind, group }) => kind === 'strokes' && group === null,
          )
          const onsets = grooveEvents(groove.id, lick.frame.meter)
            .map(({ tick }) => tick)
            .filter((tick) => tick < (stop ?? start))
          const until = stop ?? start
          expect(drawn.map(({ tick }) => tick).filter((tick) => tick < until)).toEqual([
            ...new Set(onsets),
          ])
        },
      ),
      { numRuns: RUNS },
    )
  })

  it.each([
    ['grid: 1/8t\nstart: 3trip\nline: LK RLK', '/4 /4 /8 8 8 8 8 8', [3, 3]],
    ['grid: 1/8t\nstart: 3let\nline: K RLK', '/4 /4 /4 8 8 8 8', [3, 3]],
    ['grid: 1/8t\nstart: 3let\nstop: 3\nline: K RLK', '/4 /4 -4 8 8 8 8', [3, 3]],
    ['grid: 1/16t\nstart: 3trip\nline: RLRLK RLRLKK', `/4 /4 /8${' 16'.repeat(10)}`, [6, 6]],
    ['grid: 1/8t\nstart: 3\nline: RLK R', '/4 /4 8 8 8 4', [3]],
    ['grid: 1/16q\nstart: 3\nline: RLRLK RLR', '/4 /4 16 16 16 16 16 16 16 8.', [5, 5]],
  ])('%s completes its tuplets: %s', (text, written, numbers) => {
    expect(values(text)).toBe(written)
    expect(unit(text).tuplets.map(({ notes }) => notes)).toEqual(numbers)
  })

  it('writes groove notes no longer than until the line begins', () => {
    const notes = (text: string) =>
      unit(text, { beaming: 'beat', groove: 'notes' }).notes.map(({ value }) => value)
    expect(notes('start: 1e\nline: RLK')[0]).toBe(16)
    expect(notes('grid: 1/8t\nstart: 2trip\nline: LK').slice(0, 5)).toEqual([8, 8, 8, 8, 8])
    expect(
      unit('grid: 1/8t\nstart: 2trip\nline: LK', {
        beaming: 'beat',
        groove: 'notes',
      }).tuplets[0],
    ).toMatchObject({ from: 2, to: 4, notes: 3 })
  })

  it('writes what stands at a note: heads, accents, ghosts, graces, sticking', () => {
    const [first, second] = unit('(>fR:t1/snK)l').notes
    expect(first?.heads.map(({ step }) => step)).toEqual([1, 7])
    expect([first?.mark, first?.graces?.count, first?.graces?.head.step]).toEqual(['accent', 1, 5])
    expect(second?.heads[0]?.ghost).toBe(true)
    expect(second?.letters).toEqual([{ letter: 'L', ghost: true }])
  })

  it('keeps the feet of a layer in a voice of their own', () => {
    const { feet } = unit('RLRL*4\nunder: @1/4 H'.replace('RLRL', 'line: RLRL'))
    expect(feet.map(({ tick, value }) => [tick, value])).toEqual([
      [0, 4],
      [10080, 4],
      [20160, 4],
      [30240, 4],
    ])
  })

  it('numbers the tuplets of the feet', () => {
    const { feet, feetTuplets } = unit('line: RLRL*4\nunder: @1/8t K-K')
    expect(feet.slice(0, 2).map(({ tick, value }) => [tick, value])).toEqual([
      [0, 8],
      [6720, 8],
    ])
    expect(feetTuplets.map(({ from, to, notes }) => [from, to, notes])).toEqual([
      [0, 1, 3],
      [2, 3, 3],
      [4, 5, 3],
      [6, 7, 3],
    ])
    expect(unit('line: RLRL*4\nunder: @1/8 K').feetTuplets).toEqual([])
  })

  it('writes the groove as it is, if that is wanted', () => {
    const { notes } = unit('start: 3\nline: RLRL*2', { beaming: 'beat', groove: 'notes' })
    expect(notes.slice(0, 4).map(({ heads }) => heads.length)).toEqual([2, 1, 2, 1])
  })

  it('writes bars of groove alone all the same, in any metre, as slashes and as notes', () => {
    for (const meter of [toMeter(4, 4), toMeter(3, 4), toMeter(6, 8), toMeter(7, 8)])
      for (const groove of ['slashes', 'notes'] as const) {
        const bars = toScore(grooveBars('eighths', meter, 3), { beaming: 'beat', groove })
        const [first, ...others] = bars.map(({ from, line }) =>
          line.atoms.map((atom) => ({ ...atom, tick: atom.tick - from, brackets: [] })),
        )
        expect(others).toEqual([first, first])
        const kind = groove === 'notes' ? 'strokes' : 'slash'
        expect(first?.some((atom) => atom.kind === kind)).toBe(true)
      }
    const silent = toScore(grooveBars('none', toMeter(4, 4), 2), BY_BEAT)
    expect(silent.flatMap(({ line }) => line.atoms).every(({ kind }) => kind === 'rest')).toBe(true)
  })

  it('lands as the lick says', () => {
    const land = (kind: string) =>
      landingUnit(lickOf(`landing: ${kind}\nline: RL`), 40320, 40320)?.notes[0]
    const slow = landingUnit(lickOf('meter: 6/8\nline: RL'), 30240, 30240)?.notes[0]
    expect([slow?.value, slow?.dots]).toEqual([4, 1])
    expect([land('crash')?.value, land('stop')?.value, land('groove')?.kind, land('none')]).toEqual(
      [4, 8, 'slash', undefined],
    )
  })

  it('has a place of its own for every voice', () => {
    const places = SURFACES.map((voice) => JSON.stringify(STAFF_KEY[voice]))
    expect(new Set(places).size).toBe(SURFACES.length)
  })
})
