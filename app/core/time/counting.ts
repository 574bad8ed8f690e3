import { modulo } from '../foundation'
import { type Grid, gridName, gridTicks } from './grid'
import { barTicks, beatTicks, groupStarts, isCompound, type Meter, unitTicks } from './meter'
import type { Ticks } from './ticks'

/**
 * A system of counting: for each number of slots a beat may have, the syllables that follow the
 * beat's own. `#` stands for the beat's number. A number of slots that is not listed is counted
 * in digits from 2, after the beat's number.
 */
export interface CountingSystem {
  readonly id: string
  readonly name: string
  readonly syllables: Readonly<Record<number, string>>
  /** Whether a compound metre is counted in its eighths (1 2 3 4 5 6) and not in its beats. */
  readonly inUnits?: boolean
  /** Whether the count begins again with every felt group of eighths or sixteenths: 1 2 1 2 1 2 3. */
  readonly byGroups?: boolean
}

/** The systems on offer; the first is the default and the one the command line prints. */
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

/** The words of a system for so many slots a beat, taken apart once. */
function wordsOf(counting: CountingSystem, slots: number): readonly string[] | undefined {
  const known = wordsOfSystem.get(counting) ?? new Map<number, readonly string[] | undefined>()
  wordsOfSystem.set(counting, known)
  if (!known.has(slots)) known.set(slots, counting.syllables[slots]?.split(' '))
  return known.get(slots)
}

/**
 * A grid as it is counted: sextuplets in eighths, "1 & 2 &", where that is wished; else itself.
 *
 * @example gridName(countedGrid(findGrid('1/16t'), true)) // '1/8'
 */
export function countedGrid(grid: Grid, sextupletsInEighths: boolean): Grid {
  return sextupletsInEighths && gridName(grid) === '1/16t' ? { value: 8, tuplet: null } : grid
}

/** What a slot is called where it lies on none of its grid's positions. */
export const UNNAMED_COUNT = '?'

/** A system as a player counts: compound metres in eighths, odd ones by their groups. */
export function toCounting(
  id: string,
  { inUnits, byGroups }: { readonly inUnits: boolean; readonly byGroups: boolean },
): CountingSystem {
  const system = COUNTING_SYSTEMS.find((one) => one.id === id) ?? DEFAULT_COUNTING
  const ways = `${inUnits ? ' in units' : ''}${byGroups ? ' by groups' : ''}`
  return { ...system, id: `${system.id}${ways}`, inUnits, byGroups }
}

/**
 * The syllable of the slot at a tick, counted on a grid from the beat it lies in. A number always
 * names the beat that is there: where the beat has no whole number of slots, only a slot on it has one.
 * `?` where the slot is off the positions that its grid has in that beat.
 * Example: 4/4, `1/16`, tick 12600 is `e`; `1/4t`, ticks 0, 6720, 13440 are `1`, `?`, `?`.
 */
export function countSyllable(
  tick: Ticks,
  grid: Grid,
  meter: Meter,
  counting: CountingSystem = DEFAULT_COUNTING,
): string {
  const counted = countedAt(tick, grid, meter, counting)
  if (!counted) return UNNAMED_COUNT
  const { position, words, number } = counted
  const word = words?.[position] ?? (position === 0 ? '#' : String(position + 1))
  return word === '#' ? String(number) : word
}

/** Where a slot lies as it is counted: in which beat, as which slot of that, and the words of that beat. */
interface Counted {
  readonly number: number
  /** From 0. */
  readonly position: number
  readonly words: readonly string[] | undefined
}

/** Undefined where a slot is off the positions that its grid has in its beat. */
function countedAt(
  tick: Ticks,
  grid: Grid,
  meter: Meter,
  counting: CountingSystem,
  byGroups = counting.byGroups,
): Counted | undefined {
  const beat = pulseTicks(meter, counting)
  const inBar = modulo(tick, barTicks(meter))
  const inBeat = inBar % beat
  const slot = gridTicks(grid)
  const whole = beat % slot === 0
  if (inBeat % slot !== 0 || (!whole && inBeat > 0)) return undefined
  const words = wordsOf(counting, whole ? beat / slot : 1)
  return { number: numberAt(inBar, beat, meter, byGroups), position: inBeat / slot, words }
}

/** A place in the bar as the count has it: `beat` and `slot` from 1, and its syllable where only it has that. */
export interface CountedPlace {
  readonly beat: number
  readonly slot: number
  /** Null for a syllable that comes twice in a beat, as `trip` does in a six, and where it is a digit or none. */
  readonly syllable: string | null
}

/**
 * The place of a slot in the bar, by the numbers and syllables of its count: one name for one stroke, wherever it is
 * told. Groups do not begin their numbers anew here, or a name would be three places of a bar. Undefined where the
 * slot is off the positions of its grid.
 *
 * @example in 4/4, sixteenths, tick 12600 is beat 2, slot 2, `e`; in 6/8 the third sixteenth is beat 1, slot 3, no syllable
 */
export function countedPlace(
  tick: Ticks,
  grid: Grid,
  meter: Meter,
  counting: CountingSystem = DEFAULT_COUNTING,
): CountedPlace | undefined {
  const counted = countedAt(tick, grid, meter, counting, false)
  if (!counted) return undefined
  const { number, position, words = [] } = counted
  const word = words[position]
  const unique = words.filter((one) => one === word).length === 1
  const told = position > 0 && word !== undefined && unique && /^[^.#\d]+$/.test(word)
  return { beat: number, slot: position + 1, syllable: told ? word : null }
}

/** What is numbered: the beat, or of a compound metre counted in its units one of them. */
function pulseTicks(meter: Meter, { inUnits }: CountingSystem): Ticks {
  return inUnits && isCompound(meter) ? unitTicks(meter) : beatTicks(meter)
}

/** The number of the beat that a tick of the bar lies in, counted from the bar or from its group. */
function numberAt(inBar: Ticks, beat: Ticks, meter: Meter, byGroups = false): number {
  const grouped = byGroups && meter.unit >= 8 && beat === unitTicks(meter)
  const from = grouped ? (groupStarts(meter).findLast((start) => start <= inBar) ?? 0) : 0
  return Math.floor((inBar - from) / beat) + 1
}
