import { modulo } from '../foundation'
import { type Grid, gridTicks } from './grid'
import { barTicks, beatTicks, type Meter } from './meter'
import type { Ticks } from './ticks'

/**
 * A school of counting: for each number of slots a beat may have, the syllables that follow the
 * beat's own. `#` stands for the beat's number. A number of slots that is not listed is counted
 * in digits from 2, after the beat's number.
 */
export interface CountingSystem {
  readonly id: string
  readonly name: string
  readonly syllables: Readonly<Record<number, string>>
}

/** The schools on offer; the first is the default and the one the command line prints. */
export const COUNTING_SYSTEMS: readonly CountingSystem[] = [
  {
    id: 'e-and-a',
    name: '1 e & a, 1 trip let',
    syllables: {
      1: '#',
      2: '# &',
      3: '# trip let',
      4: '# e & a',
      6: '# trip let & trip let',
      8: '# . e . & . a .',
    },
  },
  {
    id: 'and-a',
    name: '1 e & a, triplets 1 & a',
    syllables: {
      1: '#',
      2: '# &',
      3: '# & a',
      4: '# e & a',
      6: '# ta & ta a ta',
      8: '# . e . & . a .',
    },
  },
  { id: 'digits', name: 'Digits only', syllables: { 1: '#' } },
  {
    id: 'ta-ka',
    name: 'ta ka di mi',
    syllables: {
      1: 'ta',
      2: 'ta ka',
      3: 'ta ki ta',
      4: 'ta ka di mi',
      5: 'ta ka ta ki ta',
      6: 'ta ki ta ta ki ta',
      7: 'ta ka di mi ta ki ta',
      8: 'ta ka di mi ta ka di mi',
    },
  },
]

export const DEFAULT_COUNTING: CountingSystem = COUNTING_SYSTEMS[0] as CountingSystem

const wordsOfSystem = new WeakMap<CountingSystem, Map<number, readonly string[] | undefined>>()

/** The words of a school for so many slots a beat, taken apart once. */
function wordsOf(school: CountingSystem, slots: number): readonly string[] | undefined {
  const known = wordsOfSystem.get(school) ?? new Map<number, readonly string[] | undefined>()
  wordsOfSystem.set(school, known)
  if (!known.has(slots)) known.set(slots, school.syllables[slots]?.split(' '))
  return known.get(slots)
}

/** What a slot is called where it lies on none of its grid's positions. */
export const UNNAMED_COUNT = '?'

/**
 * The syllable of the slot at a tick, counted on a grid from the beat it lies in.
 * `?` where the slot is off the positions that its grid has in that beat.
 * Example: 4/4, `1/16`, tick 12600 is `e`.
 */
export function countSyllable(
  tick: Ticks,
  grid: Grid,
  meter: Meter,
  school: CountingSystem = DEFAULT_COUNTING,
): string {
  const beat = beatTicks(meter)
  const inBar = modulo(tick, barTicks(meter))
  const number = String(Math.floor(inBar / beat) + 1)
  const inBeat = inBar % beat
  const slot = gridTicks(grid)
  if (inBeat % slot !== 0) return UNNAMED_COUNT
  const position = inBeat / slot
  const words = wordsOf(school, beat / slot)
  const word = words?.[position] ?? (position === 0 ? '#' : String(position + 1))
  return word === '#' ? number : word
}
