import { headerValues, KEYS, type Key } from '~/codecs/lick-text'
import { isEqual } from '~/core/foundation'
import type { Lick } from '~/core/line'
import { formatSlot } from '~/core/notation'
import type { SlotContent } from '~/core/sticking'

/** A slot that differs between two versions; undefined where a version has no such slot. */
export interface SlotDifference {
  readonly slot: number
  readonly saved: SlotContent | undefined
  readonly now: SlotContent | undefined
}

/** A key of the text that differs between two versions, each as its values are written. */
export interface KeyDifference {
  readonly key: Key
  readonly saved: readonly string[]
  readonly now: readonly string[]
}

/** Keys around the line, in the order of the text. */
const COMPARED = KEYS.filter((key) => key !== 'dime-lick' && key !== 'line')

/** Everything in which two versions of a lick differ. */
export interface Comparison {
  readonly slots: readonly SlotDifference[]
  /** Whether the same slots are grouped otherwise, or change their grid at other places. */
  readonly grouping: boolean
  readonly keys: readonly KeyDifference[]
}

/** Two versions of a lick, slot by slot and key by key: every difference, not only the first. */
export function comparedWith(saved: Lick, now: Lick): Comparison {
  const length = Math.max(saved.line.slots.length, now.line.slots.length)
  const slots: SlotDifference[] = []
  for (let slot = 0; slot < length; slot += 1) {
    const [a, b] = [saved.line.slots[slot], now.line.slots[slot]]
    if (!a || !b || formatSlot(a) !== formatSlot(b)) slots.push({ slot, saved: a, now: b })
  }
  const [before, after] = [headerValues(saved), headerValues(now)]
  const keys = COMPARED.flatMap((key): KeyDifference[] => {
    const [was, is] = [before.get(key) ?? [], after.get(key) ?? []]
    return isEqual(was, is) ? [] : [{ key, saved: was, now: is }]
  })
  const shape = ({ line: { groups, gridChanges } }: Lick) => [groups, gridChanges]
  return { slots, grouping: !isEqual(shape(saved), shape(now)), keys }
}

const SHOWN = 6

/** What a key is called beside the line. */
const KEY_WORDS: Partial<Record<Key, string>> = {
  meter: 'metre',
  lead: 'bars of groove',
  under: 'feet',
  'under fill': 'feet under the fill',
}

/** Every difference in words: `slot 7: R, now K; tempo: 90, now 96; another grouping`. */
export function differenceWords(saved: Lick, now: Lick, same = 'the same as on the bench'): string {
  const { slots, grouping, keys } = comparedWith(saved, now)
  const changed = (was: string, is: string) => `${was || 'none'}, now ${is || 'none'}`
  const strokes = slots.slice(0, SHOWN).map(({ slot, saved: a, now: b }) => {
    const [was, is] = [a ? formatSlot(a) : '', b ? formatSlot(b) : '']
    return `slot ${slot + 1}: ${changed(was, is)}`
  })
  const more = slots.length - strokes.length
  return (
    [
      ...strokes,
      more > 0 ? `and ${more} more slots` : '',
      grouping ? 'another grouping' : '',
      ...keys.map((one) => {
        const name = KEY_WORDS[one.key] ?? one.key
        return `${name}: ${changed(one.saved.join(' + '), one.now.join(' + '))}`
      }),
    ]
      .filter(Boolean)
      .join('; ') || same
  )
}
