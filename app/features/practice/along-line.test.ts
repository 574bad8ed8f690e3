import { describe, expect, it } from 'vitest'
import { DEFAULT_KIT, MIDI_NOTES } from '~/core/kit'
import { toPerformance } from '~/core/performance'
import { toStep } from '~/words/practice-steps'
import type { AlongLine } from '~/workspace/along-session'
import { lickOf } from '../../../tests/support/licks'
import { meantOf } from './along-line'

const lick = lickOf('start: 3\nline: R:t1LRL (RK)L:f1K-')
const FORM = { kind: 'bars', groove: 1, fill: 1 } as const
const step = toStep({ kind: 'bar', lick, form: FORM, range: { from: 0, to: 8 } }, FORM, lick)
/** The strokes of a line of which every round is the same. */
const only = ({ rounds: [strokes = [], ...others] }: AlongLine) => {
  expect(others).toEqual([])
  return strokes
}
const compose = () => toPerformance(step.played, { loop: true, countIn: true, grooves: [] })

describe('what is meant of a step that is played along with', () => {
  it('is every stroke with its limb, and where the line lies in a round', () => {
    const { line, lineFrom, played } = meantOf(step, false, null)
    expect(line).toBe(played)
    expect(only(line).map(({ tick, limb }) => [tick / 2520, limb])).toEqual([
      [0, 'RH'],
      [1, 'LH'],
      [2, 'RH'],
      [3, 'LH'],
      [4, 'RH'],
      [4, 'RF'],
      [5, 'LH'],
      [6, 'RF'],
    ])
    // A bar of groove, then the fill's bar, in which the line begins on 3.
    expect([line.every, lineFrom]).toEqual([2 * 40320, 40320 + 20160])
  })

  it('is meant where it sounds, over and over elsewhere in the bar each time', () => {
    const swung = lickOf('grid: 1/8\nswing: 66\nline: RLK')
    const over = toStep(
      { kind: 'bar', lick: swung, form: { kind: 'over' }, range: { from: 0, to: 3 } },
      { kind: 'over' },
      swung,
    )
    const { line, lineFrom } = meantOf(over, false, null)
    // Three eighths meet the barline again after eight times.
    expect([line.every, line.rounds.length]).toEqual([15120, 8])
    const { round } = toPerformance(over.played, { loop: true, countIn: false })
    const sounding = round(0).flatMap((event) =>
      event.kind === 'stroke' && event.part === 'line' ? [event.tick - lineFrom] : [],
    )
    const meant = line.rounds.flatMap((strokes, i) =>
      strokes.map(({ tick }) => i * line.every + tick),
    )
    expect(meant).toEqual(sounding)
    expect(line.rounds[1]?.map(({ tick }) => tick)).toEqual([1613, 5040, 11693])
  })

  it('is one stroke an instant for a microphone, with the clicks that it may hear', () => {
    const { line, played } = meantOf(step, false, compose)
    expect(only(played)).toHaveLength(8)
    expect(only(line).map(({ tick, limb }) => `${tick / 2520} ${limb}`)).toEqual(
      [0, 1, 2, 3, 4, 5, 6].map((slot) => `${slot} XH`),
    )
    expect(line.clicks?.countIn.map((tick) => tick / 10080)).toEqual([-10, -9, -8, -7])
    expect(line.clicks?.round.map((tick) => tick / 10080)).toEqual([-6, -5, -4, -3, -2, -1, 0, 1])
    // Turned off, it is heard in the count-in alone: what is soft on a beat is then the player's.
    const off = meantOf(step, false, compose, false).line.clicks
    expect([off?.countIn.length, off?.round]).toEqual([4, []])
  })

  it('tells a pad’s limb by its piece, where one limb alone plays that', () => {
    const { limbOf } = meantOf(step, false, null)
    expect(
      (['t1', 'f1', 'bd', 'sn', 'c1'] as const).map((surface) =>
        limbOf(MIDI_NOTES[surface], DEFAULT_KIT),
      ),
    ).toEqual(['RH', 'LH', 'RF', undefined, undefined])
  })
})
