import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { mapStrokes } from '~/core/changes'
import { partToLick } from '~/core/drum-parts'
import { aimOf, type Lick, landingStrokes, lineEvents } from '~/core/line'
import { beatTicks, secondsPerTick } from '~/core/time'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { formatMidi, parseMidi } from '.'

const read = (lick: Lick, bare = true) => {
  const part = parseMidi(formatMidi(lick, { bare }))
  if (!part.ok) throw new Error(part.error)
  return part.value
}

describe('a MIDI file', () => {
  it('keeps the fraction of a tempo, in every metre, as far as a file can tell it', () => {
    for (const meter of ['4/4', '6/8', '7/8', '3/2'])
      for (const tempo of [97.5, 120, 133.33, 62.25, 89.9, 161.8]) {
        const written = parseMidi(
          formatMidi(lickOf(`meter: ${meter}\ntempo: ${tempo}\nline: RLRL`)),
        )
        expect([meter, written.ok && written.value.tempo]).toEqual([meter, tempo])
      }
  })

  it('is read as its drums: title, tempo, metre, instruments, strokes at their ticks', () => {
    const part = read(
      lickOf('title: Tightrope\nmeter: 7/8\ntempo: 160\nlead: 0\nline: >R:t1 l R:f1 K'),
    )
    expect(part).toMatchObject({ title: 'Tightrope', tempo: 160, meter: { count: 7, unit: 8 } })
    expect(part.notes.map(({ tick, level }) => [tick, level])).toEqual([
      [0, 'accent'],
      [2520, 'ghost'],
      [5040, 'tap'],
      [7560, 'tap'],
    ])
    expect(part.instruments.map(({ midi, voice }) => [midi, voice])).toEqual([
      [36, 'bd'],
      [38, 'sn'],
      [43, 'f1'],
      [50, 't1'],
    ])
  })

  it('becomes a lick with proposed hands, on the grid that explains it', () => {
    const { lick, handsProposed, offsetsMs } = partToLick(read(lickOf('lead: 0\nline: RLRK RLRK')))
    expect(handsProposed).toBe(true)
    expect(offsetsMs.every((off) => off === 0)).toBe(true)
    expect(lineEvents(lick).map(({ tick, surface }) => [tick, surface])).toEqual(
      lineEvents(lickOf('RLRK RLRK')).map(({ tick, surface }) => [tick, surface]),
    )
    expect(lick.frame.grid).toEqual({ value: 16, tuplet: null })
  })

  it('keeps every stroke of a random line at its tick, on its drum (law)', () => {
    let [runs, exact] = [0, 0]
    fc.assert(
      fc.property(random.lick, (given) => {
        const lick = {
          ...given,
          // Of one level, so that no stroke is taken for the grace of a louder one.
          line: {
            ...given.line,
            slots: mapStrokes(given.line.slots, (one) => ({ ...one, level: 'tap' as const })),
          },
          ostinatos: [],
          pickup: { slots: [], groups: [], gridChanges: [] },
          // Slow, so that no soft stroke before a louder one is taken for its grace.
          frame: {
            ...given.frame,
            tempo: 20,
            swells: [],
            swing: { percent: 50, pairs: 8 as const },
          },
        }
        const written = lineEvents(lick)
        if (written.length === 0 || written.some(({ surface }) => surface === '??')) return
        const part = read(lick)
        const perTick = secondsPerTick(part.tempo, beatTicks(part.meter)) * 1000
        const close = written.some(
          ({ tick }, i) =>
            i > 0 &&
            tick > (written[i - 1]?.tick ?? 0) &&
            (tick - (written[i - 1]?.tick ?? 0)) * perTick < 13,
        )
        if (close) return
        const { lick: back, leftOut, offsetsMs } = partToLick(part)
        const landed = back.frame.landing.kind === 'none' ? [] : landingStrokes(back)
        const shift = (written[0]?.tick ?? 0) - (lineEvents(back)[0]?.tick ?? 0)
        // A drum that two limbs strike at one time is one note of a MIDI drum.
        const places = (events: typeof written, by: number) =>
          // One bass drum alone is the first, whichever it was.
          [
            ...new Set(
              events.map(
                ({ tick, surface }) => `${tick + by} ${surface === 'b2' ? 'bd' : surface}`,
              ),
            ),
          ].sort()
        runs += 1
        // Changes of grid and squeezes at odd places are read as played, and are told as such.
        if (leftOut.length > 0) return
        if (offsetsMs.some((off) => off !== 0))
          expect(Math.max(...offsetsMs.map(Math.abs))).toBeLessThanOrEqual(56)
        else exact += 1
        if (offsetsMs.every((off) => off === 0))
          expect(places([...lineEvents(back), ...landed], shift)).toEqual(places(written, 0))
        expect(aimOf(back).start).toBeGreaterThanOrEqual(0)
      }),
      { numRuns: Number(process.env.RANDOM_LICKS ?? 150) },
    )
    expect(exact / runs).toBeGreaterThan(0.6)
  })
})
