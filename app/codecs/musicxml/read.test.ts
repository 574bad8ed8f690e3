import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { partToLick } from '~/core/drum-parts'
import { aimOf, frameTicks, type Lick, landingStrokes, lineEvents } from '~/core/line'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { formatMusicXml, parseMusicXml } from '.'

const read = (lick: Lick) => {
  const part = parseMusicXml(formatMusicXml(lick))
  if (!part.ok) throw new Error(part.error)
  return part.value
}

describe('a MusicXML file', () => {
  it('goes out and comes in again: slots, strokes, graces, levels, stickings (C57)', () => {
    const lick = lickOf(
      'title: Net <drop>\nlead: 0\ngroove: none\nmeter: 6/8\nlanding: none\nline: r{ll}>K -fR(>R>L)',
    )
    const part = read(lick)
    expect(part).toMatchObject({ title: 'Net <drop>', tempo: lick.frame.tempo, exact: true })
    const { lick: back, leftOut, handsProposed } = partToLick(part)
    expect([leftOut, handsProposed]).toEqual([[], false])
    const told = (one: Lick) =>
      lineEvents(one).map(({ tick, limb, surface, dynamic, grace }) => [
        tick,
        limb,
        surface,
        dynamic,
        grace,
      ])
    expect(told(back)).toEqual(told(lick))
    expect(back.line.slots).toHaveLength(6)
  })

  it('keeps stroke, hand, drum, level and grace of every random line at its tick (law)', () => {
    fc.assert(
      fc.property(random.lick, (given) => {
        const lick: Lick = {
          ...given,
          ostinatos: [],
          pickup: { slots: [], groups: [], gridChanges: [] },
          frame: {
            ...given.frame,
            lead: 0,
            groove: 'none',
            swells: [],
            landing: { kind: 'none', at: 'bar' },
          },
        }
        const written = lineEvents(lick)
        if (written.length === 0) return
        const { lick: back, leftOut } = partToLick(read(lick))
        const { bar } = frameTicks(lick.frame)
        const zero = Math.floor((written[0]?.tick ?? 0) / bar) * bar
        const told = (events: typeof written, by: number) =>
          events
            .map(({ tick, limb, surface, dynamic, grace }) =>
              [tick - by, limb === 'XH' ? 'hand' : limb, surface, dynamic, grace].join(' '),
            )
            .sort()
        const landed = back.frame.landing.kind === 'none' ? [] : landingStrokes(back)
        const all = [...lineEvents(back), ...landed]
        if (written.some(({ limb, surface }) => limb === 'XH' || surface === '??')) return
        if (leftOut.length === 0) expect(told(all, 0)).toEqual(told(written, zero))
        else expect(all.length).toBeLessThanOrEqual(written.length)
        expect(aimOf(back).start).toBeGreaterThanOrEqual(0)
      }),
      { numRuns: Number(process.env.RANDOM_LICKS ?? 80) },
    )
  })

  it.each([
    ['<a', 'its XML cannot be read'],
    ['<html></html>', 'no MusicXML score'],
    ['<score-timewise version="4.0"></score-timewise>', 'part by part'],
    ['<score-partwise><part id="P1"><measure/></part></score-partwise>', 'no drum notes'],
    [`${'<a>'.repeat(5000)}${'</a>'.repeat(5000)}`, 'its XML cannot be read'],
  ])('%.40s is refused in words', (source, words) => {
    const part = parseMusicXml(source)
    expect(part).toMatchObject({ ok: false, error: expect.stringContaining(words) })
  })

  it('never expands entities of its own', () => {
    const bomb = `<?xml version="1.0"?><!DOCTYPE x [<!ENTITY a "${'ha'.repeat(50)}"><!ENTITY b "${'&a;'.repeat(99)}">]>
      <score-partwise><work><work-title>&b;</work-title></work><part-list/><part id="P1"><measure>
      <note><unpitched><display-step>C</display-step><display-octave>5</display-octave></unpitched><duration>1</duration></note>
      </measure></part></score-partwise>`
    const part = parseMusicXml(bomb)
    if (part.ok) expect(part.value.title.length).toBeLessThan(10)
    else expect(part.error).toContain('XML cannot be read')
  })
})
