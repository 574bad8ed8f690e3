import { inversionsOf } from '../catalogue'
import { layAccents, type Phrase } from '../changes'
import { REST, type SlotContent, toStroke } from '../sticking'

/** All members of a rule, counted and numbered the same way every time; `at` goes from 0. */
export interface Family {
  readonly count: bigint
  readonly at: (index: bigint) => Phrase
}

/** What some strokes of natural sticking are replaced by, or turned into. */
export const PUTS = ['kick', 'rest', 'flam'] as const
export type Put = (typeof PUTS)[number]

/** Kicks, rests or flams at some places of natural sticking. */
export interface PlaceRule {
  readonly put: Put
  readonly slots: number
  readonly lead: 'R' | 'L'
  readonly least: number
  readonly most: number
  /** Whether two of them may stand side by side. */
  readonly adjacent: boolean
}

/**
 * Natural sticking with kicks or rests in place of some of its strokes, or flams on them, by how many, then by
 * where the first ones stand. The stroke after a rest is by the hand that it would be without.
 *
 * @example kicks in 6 slots, none side by side: 1 + 6 + 10 + 4 = 21
 */
export function placeFamily({ put, slots, lead, least, most, adjacent }: PlaceRule): Family {
  const from = Math.max(0, least)
  const sizes = Array.from({ length: Math.max(0, Math.min(most, slots) - from + 1) }, (_, i) =>
    placements(slots, from + i, adjacent),
  )
  const other = lead === 'R' ? 'L' : 'R'
  return numbered(sizes, (size, index) => {
    const places = new Set(placesAt(slots, from + size, adjacent, index))
    const line = Array.from({ length: slots }, (_, i): SlotContent => {
      const hand = toStroke(i % 2 === 0 ? lead : other)
      if (!places.has(i)) return { kind: 'struck', strokes: [hand] }
      if (put === 'rest') return REST
      return { kind: 'struck', strokes: [put === 'kick' ? toStroke('K') : { ...hand, graces: 1 }] }
    })
    return { slots: line, groups: [slots] }
  })
}

/** Members that are counted size by size; `at` is given the size and which of that size it is. */
function numbered(sizes: readonly bigint[], at: (size: number, index: bigint) => Phrase): Family {
  const count = sizes.reduce((sum, size) => sum + size, 0n)
  return {
    count,
    at: (index) => {
      let rest = checked(index, count)
      let size = 0
      while (rest >= (sizes[size] as bigint)) {
        rest -= sizes[size] as bigint
        size += 1
      }
      return at(size, rest)
    },
  }
}

/**
 * A phrase with every choice of accents from `least` to `most`, by how many, then by where.
 *
 * @example accentFamily(phrase('RLRL'), 1, 2).count // 10n
 */
export function accentFamily(phrase: Phrase, least: number, most: number): Family {
  const { length } = phrase.slots
  const from = Math.max(0, least)
  const sizes = Array.from({ length: Math.max(0, Math.min(most, length) - from + 1) }, (_, i) =>
    placements(length, from + i, true),
  )
  return numbered(sizes, (size, index) => {
    const places = new Set(placesAt(length, from + size, true, index))
    return layAccents(
      phrase,
      phrase.slots.map((_, slot) => places.has(slot)),
    )
  })
}

/**
 * Every inversion of a phrase that differs from the others.
 *
 * @example inversionFamily(phrase('RLLK')).count // 4n
 */
export function inversionFamily(phrase: Phrase): Family {
  const forms = inversionsOf(phrase)
  const count = BigInt(forms.length)
  return {
    count,
    at: (index) => (forms[Number(checked(index, count))] as { phrase: Phrase }).phrase,
  }
}

function checked(index: bigint, count: bigint): bigint {
  if (index < 0n || index >= count)
    throw new RangeError(`member ${index}: must be 0 to ${count - 1n}`)
  return index
}

/**
 * In how many ways k things stand on n places: C(n, k), or C(n - k + 1, k) with a gap between.
 *
 * @example placements(8, 3, false) // 20n
 */
export function placements(n: number, k: number, adjacent: boolean): bigint {
  const places = adjacent ? n : n - k + 1
  if (k === 0) return 1n
  if (places < k) return 0n
  let ways = 1n
  for (let i = 0; i < k; i += 1) ways = (ways * BigInt(places - i)) / BigInt(i + 1)
  return ways
}

/** The nth way, by the place of the first, then of the second, and so on. */
function placesAt(n: number, k: number, adjacent: boolean, index: bigint): number[] {
  const places: number[] = []
  let rest = index
  let from = 0
  for (let left = k; left > 0; left -= 1) {
    for (;;) {
      const after = from + (adjacent ? 1 : 2)
      const here = placements(Math.max(0, n - after), left - 1, adjacent)
      if (rest < here) {
        places.push(from)
        from = after
        break
      }
      rest -= here
      from += 1
    }
  }
  return places
}
