import fc from 'fast-check'
import { parseMidi } from 'midi-file'
import { describe, expect, it } from 'vitest'
import { toHeadlessEvents } from '~/codecs/headless'
import { DEFAULT_KIT, MIDI_NOTES } from '~/core/kit'
import { frameTicks, type Lick, strokeEvents } from '~/core/line'
import { swungTick } from '~/core/time'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { formatMidi, type MidiOptions } from '.'

/** What another reader finds in the file: the notes of the kit as `tick note velocity`, and the rest. */
function readBack(lick: Lick, options?: MidiOptions) {
  const { header, tracks } = parseMidi(formatMidi(lick, options))
  const placed = tracks.map((track) => {
    let tick = 0
    return track.map((event) => {
      tick += event.deltaTime
      return { ...event, tick }
    })
  })
  const notes = (track: number) =>
    (placed[track] ?? []).flatMap((event) =>
      event.type === 'noteOn' ? [[event.tick, event.noteNumber, event.velocity]] : [],
    )
  return { header, placed, notes }
}

type Numbers = readonly (number | undefined)[]
const byTick = (a: Numbers, b: Numbers) =>
  (a[0] ?? 0) - (b[0] ?? 0) || (a[1] ?? 0) - (b[1] ?? 0) || (a[2] ?? 0) - (b[2] ?? 0)

describe('a lick as a MIDI file', () => {
  it('has type 1, 10080 ticks a quarter, its tempo, metre and markers, and the kit on channel 10', () => {
    const { header, placed } = readBack(
      lickOf('title: Tightrope\nmeter: 6/8\ntempo: 84\nstart: 2\nline: RLRLRL'),
    )
    expect([header.format, header.numTracks, header.ticksPerBeat]).toEqual([1, 3, 10080])
    const [frame, kit] = placed
    expect(frame).toContainEqual(
      expect.objectContaining({ type: 'setTempo', microsecondsPerBeat: 476190 }),
    )
    expect(frame).toContainEqual(
      expect.objectContaining({
        type: 'timeSignature',
        numerator: 6,
        denominator: 8,
        metronome: 36,
      }),
    )
    expect(
      frame?.flatMap((event) => (event.type === 'marker' ? [[event.tick, event.text]] : [])),
    ).toEqual([
      [0, 'groove'],
      [45360, 'fill'],
      [60480, 'landing'],
    ])
    const channels = kit?.flatMap((event) => ('channel' in event ? [event.channel] : []))
    expect(new Set(channels)).toEqual(new Set([9]))
  })

  it('lies at the core’s own ticks, strokes of line and layers alone, for any lick', () => {
    fc.assert(
      fc.property(random.lick, (lick) => {
        const { notes } = readBack(lick, { bare: true })
        const { swing, meter } = lick.frame
        const events = strokeEvents(lick).filter(
          ({ layer }) => layer === 0 || lick.ostinatos[layer - 1]?.scope !== 'groove',
        )
        expect(events).toHaveLength(toHeadlessEvents(lick).events.length)
        const expected = events.map(({ tick, grid, surface }) => [
          swungTick(tick, grid, swing, meter),
          surface === '??' ? MIDI_NOTES.sn : MIDI_NOTES[surface],
        ])
        const found = notes(1).map(([tick, note]) => [tick, note])
        if (expected.length === 0) return
        const zero = (expected.sort(byTick)[0]?.[0] ?? 0) - (found.sort(byTick)[0]?.[0] ?? 0)
        expect(found).toEqual(
          expected.map(([tick = 0, note = 0]) => [tick - zero, note]).sort(byTick),
        )
        // Tick 0 is a barline: that of the lead-in, or one before it.
        const { bar } = frameTicks(lick.frame)
        expect(zero % bar === 0 && zero <= -lick.frame.lead * bar).toBe(true)
      }),
      { numRuns: 200 },
    )
  })

  it('has a grace by its lead in milliseconds, at the tempo of the text', () => {
    // A flam's 30 ms are 403.2 ticks at 80: rounded to a whole one.
    const { notes } = readBack(lickOf('tempo: 80\ngroove: none\nlanding: none\nline: RLfR:t1/snL'))
    const ticks = notes(1).map(([tick]) => (tick ?? 0) - 40320)
    expect(ticks).toEqual([0, 2520, 5040 - 403, 5040, 7560])
  })

  it('begins whole bars earlier where a grace or a pick-up lies before its first tick', () => {
    const graced = readBack(lickOf('tempo: 100\nlead: 0\nline: fRKLR')).notes(1)
    expect(graced[0]?.[0]).toBe(40320 - 504)
    const picked = readBack(lickOf('lead: 0\npickup: RL\nline: RKLR'), { bare: true }).notes(1)
    expect(picked.map(([tick]) => tick).slice(0, 3)).toEqual([40320 - 5040, 40320 - 2520, 40320])
  })

  it('carries levels and swells as velocities, and a choke as pressure on its cymbal', () => {
    const { notes, placed } = readBack(
      lickOf(
        'lead: 0\ngroove: none\nlanding: stop\nswell: 0..3 ghost>accent\nline: RRRR RRRR RRRR RRRR',
      ),
    )
    expect(
      notes(1)
        .slice(0, 4)
        .map(([, , velocity]) => velocity),
    ).toEqual([36, 61, 87, 112])
    const pressed = placed[1]?.flatMap((event) =>
      event.type === 'noteAftertouch' ? [[event.tick, event.noteNumber, event.amount]] : [],
    )
    expect(pressed).toEqual([
      [45360, MIDI_NOTES.c1, 127],
      [45360, MIDI_NOTES.c1, 0],
    ])
  })

  it('ends every note before the same one begins again', () => {
    const { placed } = readBack(lickOf('grid: 1/64\nline: RLRLRLRL'))
    const sounding = new Set<number>()
    for (const event of placed[1] ?? []) {
      if (event.type === 'noteOff') expect(sounding.delete(event.noteNumber)).toBe(true)
      if (event.type === 'noteOn') {
        expect(sounding.has(event.noteNumber)).toBe(false)
        sounding.add(event.noteNumber)
      }
    }
    expect(sounding.size).toBe(0)
  })

  it('has the notes of a kit: its own, of what stands in, and of another way to strike', () => {
    const pieces = DEFAULT_KIT.pieces
      .filter(({ surface }) => surface !== 'c2')
      .map((piece) => (piece.surface === 't1' ? { ...piece, midi: 99 } : piece))
    const kit = { ...DEFAULT_KIT, pieces }
    const { notes } = readBack(lickOf('line: R:t1R:rsR:c2R:??'), { bare: true, kit })
    expect(notes(1).map(([, note]) => note)).toEqual([99, 40, 49, 38])
  })
})
