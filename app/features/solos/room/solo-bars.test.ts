import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { frameTicks, lickSlots } from '~/core/line'
import { soloLength, toSections } from '~/core/solo'
import { lickOf } from '../../../../tests/support/licks'
import { solo as anySolo, parts, soloOf } from '../../../../tests/support/solos'
import { aheadWords, soloBar, soloPhaseAt } from './solo-bars'

const walk = lickOf('title: Walk\nbars: 2\nline: RLRL*8')
const lead = lickOf('title: Lead\npickup: RLR\nstart: 1\nline: RLLR*4')
const show = soloOf([parts.groove(2), parts.lick(walk), parts.lick(lead), parts.others(3)])
const sections = toSections(show)

describe('a solo in its room', () => {
  it('counts the beats of each bar’s own metre', () => {
    const waltz = soloOf([parts.groove(1), parts.lick(lickOf('meter: 3/4\nline: RLL*4'))])
    const beats = [0, 1].map((i) => soloBar(waltz, toSections(waltz), i)?.beats)
    expect(beats).toEqual([4, 3])
  })

  it('names each bar, and which of its part it is', () => {
    const names = Array.from({ length: 8 }, (_, i) => soloBar(show, sections, i)?.name)
    expect(names).toEqual([
      'Groove, 1 of 2',
      'Groove, 2 of 2',
      'Walk, 1 of 2',
      'Walk, 2 of 2',
      'Lead',
      'Others, click alone, 1 of 3',
      'Others, click alone, 2 of 3',
      'Others, click alone, 3 of 3',
    ])
    expect([-1, 8].map((i) => soloBar(show, sections, i))).toEqual([undefined, undefined])
  })

  it('shows every slot that begins in a bar in that bar, at its tick (law)', () => {
    fc.assert(
      fc.property(anySolo, (one) => {
        const all = toSections(one)
        const bars = soloLength(one, all).bars
        for (const section of all) {
          const { lick, bars: count, barsBefore } = section
          const { bar } = frameTicks(lick.frame)
          const shown = Array.from({ length: count }, (_, i) => {
            const found = soloBar(one, all, barsBefore + i)
            return (found?.slots ?? []).slice(0, -1).map((tick) => i * bar + tick)
          }).flat()
          const first = -lick.frame.lead * bar
          const ticks = lickSlots(lick).map(({ tick }) => tick - first)
          const own = ticks.filter((tick) => tick >= 0 && tick < section.ticks)
          // Beside its own, a last bar without any shows the pick-up of what comes next.
          expect(shown.filter((tick) => own.includes(tick))).toEqual(own)
          if (own.some((tick) => tick >= section.ticks - bar)) expect(shown).toEqual(own)
        }
        expect(soloBar(one, all, bars)).toBeUndefined()
      }),
      { numRuns: 120 },
    )
  })

  it('shows a pick-up in the bar before its part, where nothing else is struck there', () => {
    const before = soloOf([parts.groove(1), parts.lick(lead)])
    const bar = soloBar(before, toSections(before), 0)
    expect(bar?.lick?.line.slots).toHaveLength(3)
    expect(bar?.name).toBe('Groove')
    // Not in the bars before that.
    const longer = soloOf([parts.groove(2), parts.lick(lead)])
    expect(soloBar(longer, toSections(longer), 0)?.lick).toBeNull()
  })

  it('shows nothing of a line in bars that lead to it', () => {
    const lick = lickOf('lead: 1\nline: RLRL*4')
    const { bar } = frameTicks(lick.frame)
    const section = { lick, pickup: true, part: 0, time: 0, from: 0, ticks: 2 * bar, bars: 2 }
    const of = (index: number) =>
      soloBar(soloOf([parts.lick(lick)]), [{ ...section, barsBefore: 0 }], index)?.slots.length
    expect([of(0), of(1)]).toEqual([0, 17])
  })

  it('lights the beat and the slot that sound, in whatever bar it began', () => {
    const at = (phase: 'count-in' | 'round', tick: number, began = 0) => {
      const slots = soloBar(show, sections, 2)?.slots ?? []
      return soloPhaseAt({ phase, tick } as never, sections, began, slots)
    }
    const { beat, bar } = frameTicks(walk.frame)
    expect(at('count-in', beat * 2)).toMatchObject({ name: 'count-in', beat: 2, slot: -1 })
    expect(at('round', bar * 2 + beat, 0)).toMatchObject({ name: 'fill', beat: 1, slot: 4, bar: 1 })
    expect(at('round', beat * 2, bar * 2)).toMatchObject({ name: 'fill', beat: 2, slot: 8 })
    expect(soloPhaseAt(undefined, sections, 0, [])).toMatchObject({ name: 'still', beat: -1 })
  })

  it('tells what comes next and how much is left of what is played', () => {
    expect(aheadWords(show, sections, 1, 8)).toBe('Next: Walk, then Lead. 7 bars left.')
    expect(aheadWords(show, sections, 4, 8)).toBe('Next: Others, click alone. 4 bars left.')
    expect(aheadWords(show, sections, 7, 8)).toBe('Next: the end. 1 bar left.')
    // Of a part alone, nothing comes after it.
    expect(aheadWords(show, sections, 2, 4)).toBe('Next: the end. 2 bars left.')
  })
})
