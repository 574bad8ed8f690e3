import { type SlotRange, startsOf } from '~/core/changes'
import { type Lick, lickSlots } from '~/core/line'
import type { CountingSystem } from '~/core/time'
import { listWords } from './figures'
import { ordinal, placesIn } from './places'

const NUMBERS = [
  'nought',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
]
/** More groups than this are told by their places. */
const MAX_NAMED = 3

/**
 * Some slots of a line by what they are: its groups where they are whole, else from place to place. Groups of one
 * size are numbered.
 *
 * @example of `RLLRK RLK RL` slots 0 to 5 are `the five`, 0 to 8 `the five and the three`, 2 to 7 `1& to 2&`
 * @example of `RLK RLK` slots 3 to 6 are `the 2nd three`
 */
export function stretchWords(
  lick: Lick,
  { from, to }: SlotRange,
  counting?: CountingSystem,
): string {
  const { groups } = lick.line
  const starts = startsOf(groups)
  const first = starts.indexOf(from)
  const last = groups.findIndex((size, i) => (starts[i] as number) + size === to)
  if (first >= 0 && last >= first && last - first < MAX_NAMED)
    return listWords(groups.slice(first, last + 1).map((_, i) => groupName(groups, first + i)))
  const slots = lickSlots(lick)
  const [begin, end] = [slots[from], slots[to - 1]]
  return begin && end ? placesIn(lick, begin.tick, end.tick, counting) : ''
}

function groupName(groups: readonly number[], at: number): string {
  const size = groups[at] as number
  const word = NUMBERS[size] ?? String(size)
  const alike = groups.filter((one) => one === size).length
  const nth = groups.slice(0, at + 1).filter((one) => one === size).length
  return alike === 1 ? `the ${word}` : `the ${ordinal(nth)} ${word}`
}
