import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lickOf } from '../../../tests/support/licks'
import { parts, solo, soloOf } from '../../../tests/support/solos'
import { aimOf, frameTicks, landingContent, lickSlots } from '../line'
import { soloLength, toSections } from '../solo'
import { strokeSurface, strokesInSlot } from '../sticking'
import { toSoloLine } from '.'

const VIEW = { beaming: 'beat', groove: 'slashes' } as const
const written = (sections: ReturnType<typeof toSections>) =>
  toSoloLine(sections, {
    view: VIEW,
    over: ({ part }, bars, begins) => `${begins ? `part ${part}` : ''} ${bars}`.trim(),
  })
const { groove, lick } = parts

describe('a solo on paper', () => {
  it('writes grooves once, lands in the bar that follows, and numbers the bars', () => {
    const whole = soloOf([
      groove(3),
      lick(lickOf('title: Fill\nline: RLRL RLRL RLRL RLRL')),
      groove(4, 'eighths', 'end'),
    ])
    const { pieces, groups } = written(toSections(whole))
    expect(pieces.map(({ kind, bar, over }) => [kind, bar, over])).toEqual([
      ['groove', 1, 'part 0 3'],
      ['fill', 4, 'part 1 1'],
      ['groove', 5, 'part 2 1'],
      ['groove', 6, '3'],
    ])
    const landed = pieces[2]?.units[0]?.notes ?? []
    expect(landed.map(({ kind, tick }) => [kind, tick - 4 * 40320])).toEqual([
      ['note', 0],
      ['slash', 10080],
      ['slash', 20160],
      ['slash', 30240],
    ])
    expect(landed[0]?.heads).toHaveLength(2)
    expect(groups.map(({ from }) => from - 3 * 40320)).toEqual([0, 10080, 20160, 30240])
  })

  it('writes a single bar of groove as groove behind what lands in it', () => {
    const whole = soloOf([lick(lickOf('title: Fill\nline: RLRL*4')), groove(1, 'eighths', 'end')])
    const [, bar] = written(toSections(whole)).pieces
    expect(bar?.units[0]?.notes.map(({ kind }) => kind)).toEqual([
      'note',
      'slash',
      'slash',
      'slash',
    ])
  })

  it('puts a pick-up into the bar before its part, and a metre where it changes', () => {
    const whole = soloOf([
      groove(2),
      lick(lickOf('pickup: RL\nline: RLRL*4')),
      lick(lickOf('meter: 3/4\nline: RLRL*3'), 1, { id: 'waltz' }),
    ])
    const { pieces } = written(toSections(whole))
    expect(pieces.map(({ bar, meter }) => [bar, meter?.count])).toEqual([
      [1, undefined],
      [2, undefined],
      [3, undefined],
      [4, 3],
      [null, undefined],
    ])
    const [, before] = pieces
    const struck = before?.units.at(-1)?.notes.map(({ tick }) => tick - 2 * 40320)
    expect(struck).toEqual([-5040, -2520])
  })

  it('has every bar once, and every stroke and landing where the solo has it, whatever the parts (law)', () => {
    fc.assert(
      fc.property(solo, (whole) => {
        const sections = toSections(whole)
        const { bars, ticks } = soloLength(whole, sections)
        const line = written(sections)
        let [tick, bar] = [0, 0]
        for (const piece of line.pieces.filter(({ from }) => from < ticks)) {
          const times = piece.kind === 'groove' ? Number(/\d+$/.exec(piece.over)?.[0]) : 1
          if (piece.bar !== null) {
            expect(piece.bar).toBe(bar + 1)
            bar += times
          }
          expect(piece.from).toBe(tick)
          tick += (piece.to - piece.from) * times
          for (const unit of piece.units)
            for (const note of unit.notes) {
              expect(note.tick).toBeGreaterThanOrEqual(piece.from)
              expect(note.tick).toBeLessThan(piece.to)
            }
        }
        expect([tick, bar]).toEqual([ticks, bars])
        const struck = new Set(
          line.pieces.flatMap(({ units }) =>
            units.flatMap(({ notes }) =>
              notes.flatMap((note) => (note.kind === 'note' ? [note.tick] : [])),
            ),
          ),
        )
        for (const section of sections) {
          const base = section.from + section.lick.frame.lead * frameTicks(section.lick.frame).bar
          for (const slot of lickSlots(section.lick))
            if (slot.content.kind === 'struck' && base + slot.tick < ticks)
              expect(struck.has(base + slot.tick)).toBe(true)
          const { target } = aimOf(section.lick)
          const content = landingContent(section.lick)
          const at = section.from + target
          if (
            !content ||
            section.lick.line.slots.length === 0 ||
            target < section.ticks ||
            at >= ticks
          )
            continue
          const into = line.pieces.find(({ from, to }) => from <= at && at < to)
          const heads = into?.units.flatMap(({ notes }) => notes).filter((one) => one.tick === at)
          const surfaces = new Set(
            strokesInSlot(content).map(({ stroke }) => strokeSurface(stroke)),
          )
          expect(
            Math.max(...(heads?.map((one) => one.heads.length) ?? [0])),
          ).toBeGreaterThanOrEqual(Math.min(1, surfaces.size))
        }
      }),
      { numRuns: 40 },
    )
  })
})
