import { layAccents } from '../../changes'
import { formatSlot } from '../../notation'
import { REST, type SlotContent, toStroke } from '../../sticking'
import type { FinderCell, PatternSlot, PatternWish, Space } from '../question'
import { overSlots, type Watcher } from '../watcher'

/** What is put at some places of a line. */
export const PUTS = ['kick', 'rest', 'flam', 'accent'] as const
export type Put = (typeof PUTS)[number]

/**
 * Slots as they are, and with something put there: a kick or a rest in place of the stroke, a flam or an accent
 * on it. A slot that cannot take it, such as a rest an accent, stays as it is.
 *
 * @example patternOf(natural(2, 'R'), 'kick').length // 2
 */
export function patternOf(slots: readonly SlotContent[], put: Put): PatternSlot[] {
  return slots.map((content) => {
    const plain = put === 'accent' ? laid(content, false) : content
    const other = withPut(plain, put)
    return { plain, put: other && formatSlot(other) !== formatSlot(plain) ? other : null }
  })
}

function withPut(plain: SlotContent, put: Put): SlotContent | null {
  if (put === 'accent') return laid(plain, true)
  if (put === 'rest') return REST
  if (put === 'kick') return { kind: 'struck', strokes: [toStroke('K')] }
  if (plain.kind !== 'struck') return null
  const [first, ...others] = plain.strokes
  return first ? { ...plain, strokes: [{ ...first, graces: 1 }, ...others] } : null
}

function laid(content: SlotContent, accented: boolean): SlotContent {
  return layAccents({ slots: [content], groups: [1] }, [accented]).slots[0] ?? content
}

/**
 * Natural sticking: hands in turn.
 *
 * @example natural(3, 'L').map(formatSlot) // ['L', 'R', 'L']
 */
export function natural(slots: number, lead: 'R' | 'L'): SlotContent[] {
  const other = lead === 'R' ? 'L' : 'R'
  return Array.from({ length: slots }, (_, i) => ({
    kind: 'struck',
    strokes: [toStroke(i % 2 === 0 ? lead : other)],
  }))
}

/** Everything that stands in some slot of a pattern, as cells of one slot each. */
export function cellsOfPattern(slots: readonly PatternSlot[]): FinderCell[] {
  const byText = new Map<string, SlotContent>()
  for (const { plain, put } of slots)
    for (const content of put ? [plain, put] : [plain]) byText.set(formatSlot(content), content)
  return [...byText.values()].map((content) => ({ phrase: { slots: [content], groups: [1] } }))
}

/** Each slot as it is or with what is put there, from `least` to `most` times, and apart where that is wished. */
export function watchPattern(wish: PatternWish, space: Space): Watcher {
  const { least, most, apart } = wish
  const texts = wish.slots.map(({ plain, put }) => [formatSlot(plain), put && formatSlot(put)])
  interface Known {
    readonly times: number
    readonly last: boolean
  }
  return overSlots<Known>(
    {
      of: 'pattern',
      start: { times: 0, last: false },
      key: ({ times, last }) => `${times} ${last}`,
      placed: true,
      remembers: true,
      step: ({ times, last }, content, _ticks, at) => {
        const [plain, put] = texts[at] ?? []
        const text = formatSlot(content)
        if (text === plain) return { times, last: false }
        if (text !== put || times === most || (apart && last)) return null
        return { times: times + 1, last: apart }
      },
      ends: ({ times }) => times >= least,
    },
    space,
  )
}
