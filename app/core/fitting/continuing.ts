import { cut, joinPhrases, type Phrase, phraseOf, type SlotRange, startsOf } from '../changes'
import type { Lick } from '../line'
import { formatSlot } from '../notation'

/**
 * What a line goes on with: the groups of a range from its first on, else the shortest pattern of
 * groups that it has come round in, else the whole line. Example: `RLLK RRK` goes on with both of its
 * groups, `RLLRK*2` with one, `RLRR LRLL RLRR` with `LRLL`.
 */
export interface Continuing {
  /** The groups that are gone round in, and the slots of the line at which they begin. */
  readonly groups: readonly Phrase[]
  readonly starts: readonly number[]
  /** The index of the one that is next. */
  readonly next: number
}

/** What a line goes on with; no groups where it has no slot. */
export function continuingOf({ line }: Lick, range: SlotRange | null = null): Continuing {
  const all = { from: 0, to: line.slots.length }
  if (range && range.to > range.from && range.to - range.from < all.to) {
    const phrase = phraseOf(line, range)
    const starts = startsOf(phrase.groups).map((start) => range.from + start)
    return { groups: groupsOf(phrase), starts, next: 0 }
  }
  const groups = groupsOf(phraseOf(line, all))
  const texts = groups.map(({ slots }) => slots.map(formatSlot).join(''))
  let period = 1
  while (
    period < texts.length &&
    texts.some((text, i) => i >= period && text !== texts[i - period])
  )
    period += 1
  return {
    groups: groups.slice(0, period),
    starts: startsOf(line.groups).slice(0, period),
    next: texts.length % Math.max(1, period),
  }
}

function groupsOf({ slots, groups }: Phrase): Phrase[] {
  const starts = startsOf(groups)
  return groups.map((size, i) => {
    const from = starts[i] as number
    return { slots: slots.slice(from, from + size), groups: [size] }
  })
}

/** The group that is next; undefined where there is none. */
export function nextGroup({ groups, next }: Continuing): Phrase | undefined {
  return groups[next]
}

/** Exactly so many slots of what a line goes on with; the last group is cut where it is too long. */
export function continued({ groups, next }: Continuing, length: number): Phrase {
  const phrases: Phrase[] = []
  let slots = 0
  for (let i = next; slots < length; i += 1) {
    const group = groups[i % groups.length]
    if (!group) break
    phrases.push(group)
    slots += group.slots.length
  }
  return cut(joinPhrases(phrases), length)
}

/**
 * Of which slots of the line those are copies that it goes on with.
 *
 * @example `RLLRK` goes on for seven slots with 0, 1, 2, 3, 4, 0, 1
 */
export function continuedFrom({ groups, starts, next }: Continuing, length: number): number[] {
  const from: number[] = []
  for (let i = next; from.length < length && groups.length > 0; i += 1) {
    const { slots } = groups[i % groups.length] as Phrase
    const start = starts[i % groups.length] as number
    from.push(...slots.map((_, slot) => start + slot))
  }
  return from.slice(0, length)
}

/**
 * How many slots of its last group are missing from a phrase that goes on for a length.
 *
 * @example missingAtEnd({ groups: [phrase('RLL')], next: 0 }, 8) // 1
 */
export function missingAtEnd(continuing: Continuing, length: number): number {
  const { groups, next } = continuing
  let slots = 0
  for (let i = next; slots < length && groups.length > 0; i += 1)
    slots += (groups[i % groups.length] as Phrase).slots.length
  return slots - length
}
