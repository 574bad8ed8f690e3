import { describe, expect, it } from 'vitest'
import { lickOf } from '../../../tests/support/licks'
import { type RandomStream, toRandomStream } from '../foundation'
import { frameTicks, type Lick, VELOCITIES } from '../line'
import { lineSounds } from '../performance'
import { STRAIGHT, type Swing, secondsPerTick } from '../time'
import { type DrumPart, levelOf, partToLick } from '.'

const GRIDS = { '1/8': 2, '1/16': 4, '1/8t': 3, '1/16t': 6, '1/32': 8, '1/16q': 5 } as const
const RESOLUTIONS = [96, 120, 240, 384, 480, 960] as const
const SWINGS = [54, 58, 60, 62, 66, 67, 70, 75] as const

/** A normal draw (G. E. P. Box and M. E. Muller, 1958, Ann. Math. Stat. 29, 610-611). */
function normal(random: RandomStream): number {
  const u = Math.max(Number.MIN_VALUE, random())
  return Math.sqrt(-2 * Math.log(u)) * Math.cos(2 * Math.PI * random())
}

interface Made {
  readonly lick: Lick
  readonly part: DrumPart
}

/** A line of hands and feet on a grid, as a file of some resolution has it that was played so far off. */
function madeFile(random: RandomStream, spread: number, swings: boolean): Made {
  const pick = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)] as T
  const grid = pick(
    swings ? (['1/8', '1/16'] as const) : (Object.keys(GRIDS) as (keyof typeof GRIDS)[]),
  )
  const tempo = pick([70, 90, 97.5, 110, 124, 140])
  const slots = Array.from({ length: GRIDS[grid] * pick([4, 8, 16]) }, () =>
    random() < 0.78 ? pick(['R', 'L', 'K', '>R', 'R', 'L', 'l']) : '-',
  )
  slots[0] = 'R'
  slots[slots.length - 1] = 'L'
  const straight = lickOf(
    `tempo: ${tempo}\ngrid: ${grid}\nlanding: none\nlead: 0\nline: ${slots.join('')}`,
  )
  const pairs = grid === '1/16' && random() < 0.5 ? 16 : 8
  const swing: Swing = swings ? { percent: pick(SWINGS), pairs } : STRAIGHT
  const lick = { ...straight, frame: { ...straight.frame, swing } }
  const step = 10080 / pick(RESOLUTIONS)
  const perTick = secondsPerTick(tempo, frameTicks(lick.frame).beat) * 1000
  const notes = lineSounds(lick).map(({ tick, surface, velocity }) => ({
    tick: Math.max(0, Math.round((tick + (spread * normal(random)) / perTick) / step)) * step,
    instrument: surface,
    level: levelOf(velocity, VELOCITIES),
    letter: null,
    grace: false,
  }))
  const instruments = (['sn', 'bd'] as const).map((voice) => ({
    key: voice,
    name: voice,
    midi: null,
    place: null,
    voice,
  }))
  const meter = lick.frame.meter
  const bare = { title: '', tempo, meter, exact: false, resolution: step, leftOut: [] }
  return { lick, part: { ...bare, notes, instruments } }
}

/** Whether a file is read as it was meant, but for what nobody hears of its swing; else whether that is told. */
function readAs({ lick, part }: Made, allowedMs: number): 'right' | 'told' | 'wrong' {
  const { lick: read, leftOut } = partToLick(part)
  const perTick = secondsPerTick(lick.frame.tempo, frameTicks(lick.frame).beat) * 1000
  const [meant, found] = [lineSounds(lick), lineSounds(read)]
  const same =
    meant.length === found.length &&
    meant.every((stroke, i) => {
      const other = found[i] as (typeof found)[number]
      const near = Math.abs(stroke.tick - other.tick) * perTick <= allowedMs
      return near && stroke.surface === other.surface && other.graces === 0
    })
  return same ? 'right' : leftOut.length > 0 ? 'told' : 'wrong'
}

describe('MIDI files that were played or swing', () => {
  it.each([
    // The spread in milliseconds, whether it swings, and the share that is right at the least.
    [0, false, 1],
    [0, true, 0.88],
    [5, false, 0.92],
    [5, true, 0.85],
    [10, false, 0.78],
    [10, true, 0.75],
    [15, false, 0.55],
    [15, true, 0.4],
  ] as const)(
    '%d ms off, swung: %s, are read as they were meant, or it is told',
    (spread, swings, least) => {
      const random = toRandomStream(spread + Number(swings) * 100 + 7)
      const count = 40
      const read = Array.from({ length: count }, () =>
        readAs(madeFile(random, spread, swings), spread === 0 ? 2.5 : 9),
      )
      const share = (of: string) => read.filter((one) => one === of).length / count
      expect(share('right')).toBeGreaterThanOrEqual(least)
      expect(share('wrong')).toBeLessThanOrEqual(1 / count)
    },
  )

  it('have their strokes apart where nothing says that they are graces', () => {
    const line = (
      voices: readonly ('sn' | 't1')[],
      levels: readonly string[],
      times: readonly number[] = [0, 120, 155],
    ) => {
      const notes = times.map((ms, i) => ({
        tick: (ms / 600) * 10080,
        instrument: voices[i] as string,
        level: levels[i] as 'tap',
        letter: null,
        grace: false,
      }))
      const instruments = (['sn', 't1'] as const).map((voice) => ({
        key: voice,
        name: voice,
        midi: null,
        place: null,
        voice,
      }))
      const meter = lickOf('R').frame.meter
      const part = { title: '', tempo: 100, meter, exact: false, resolution: 10.5, leftOut: [] }
      return lineSounds(partToLick({ ...part, notes, instruments }).lick).map(
        ({ graces }) => graces,
      )
    }
    expect(line(['sn', 'sn', 'sn'], ['tap', 'ghost', 'accent'])).toEqual([0, 1])
    // Of a drag, the second grace follows the first as closely as it is followed.
    for (const count of [1, 2, 3]) {
      const graces = Array.from({ length: count }, (_, i) => 155 - 30 * (count - i))
      const levels = ['tap', ...graces.map(() => 'ghost'), 'accent']
      const voices = levels.map(() => 'sn' as const)
      expect(line(voices, levels, [0, ...graces, 155])).toEqual([0, count])
    }
    // On another drum, or as loud, it is a stroke of its own.
    expect(line(['sn', 't1', 'sn'], ['tap', 'ghost', 'accent'])).toEqual([0, 0, 0])
    expect(line(['sn', 'sn', 'sn'], ['tap', 'accent', 'accent'])).toEqual([0, 0, 0])
  })
})
