import { formatLickText } from '~/codecs/lick-text'
import type { Family } from '~/core/families'
import { type Lick, lineEvents } from '~/core/line'
import { type PlayContext, speedLimit } from '~/core/playability'
import { orderOf } from '~/core/practice'

/**
 * All members of a family as lick texts, easiest first, numbered as in the family. They stand in the bar of a lick
 * as its line does: on its grid, from its start, into its landing.
 */
export function familyTexts(
  lick: Lick,
  family: Family,
  name: string,
  setting: PlayContext,
): string[] {
  const members = Array.from({ length: Number(family.count) }, (_, i) => {
    const { slots, groups } = family.at(BigInt(i))
    const line = { slots, groups, gridChanges: [] }
    const frame = { ...lick.frame, bars: null, swells: [] }
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
