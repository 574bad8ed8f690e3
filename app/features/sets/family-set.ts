import { formatLickText } from '~/codecs/lick-text'
import type { Family } from '~/core/families'
import { type Lick, lineEvents } from '~/core/line'
import { type Setting, speedLimit } from '~/core/playing'
import { orderOf } from '~/core/practice'

/**
 * All members of a family as lick texts, easiest first, numbered as in the family. `alone` is the lick whose
 * frame they have: each fills a bar of its own.
 */
export function familyTexts(lick: Lick, family: Family, name: string, setting: Setting): string[] {
  const members = Array.from({ length: Number(family.count) }, (_, i) => {
    const { slots, groups } = family.at(BigInt(i))
    const line = { slots, groups, gridChanges: [] }
    const landing = { kind: 'none', at: 'bar' } as const
    const frame = { ...lick.frame, start: 0, stop: null, bars: null, landing, swells: [] }
    const title = `${name} ${i + 1} of ${family.count}`
    return { ...lick, title, tags: ['family'], line, frame, parts: [] }
  })
  const order = orderOf(
    members.map((member) => ({
      limit: speedLimit(member, 'line', setting).bpm,
      kicks: lineEvents(member).filter(({ limb }) => limb === 'RF').length,
      overdue: null,
    })),
    'easiest',
  )
  return order.flatMap((i) => (members[i] ? [formatLickText(members[i])] : []))
}
