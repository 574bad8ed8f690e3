import { startsOf } from '~/core/changes'
import { frameTicks, lickSlots } from '~/core/line'
import type { Join, Section } from '~/core/solo'
import { type Disc, toDisc } from '~/core/sticking'

/** A group of strokes as it stands over its bar: from 0 at the barline to 1 at the next. */
export interface BarStack {
  readonly at: number
  readonly discs: readonly Disc[]
}

/** A bar of the long ruler. */
export interface RulerBar {
  /** Counted from 0. */
  readonly index: number
  readonly section: number
  readonly part: number
  /** Whether its part begins here. */
  readonly begins: boolean
  readonly stacks: readonly BarStack[]
  /** How tall its column is, 0 to 1. */
  readonly column: number
  /** The join on its barline; none where nothing meets there. */
  readonly join: { readonly join: Join; readonly number: number } | null
  /** How long it is beside a bar of the solo's own metre. */
  readonly length: number
}

/** So many discs of a group are drawn; a taller one is as tall as that. */
const MAX_DISCS = 9

/** Stacks of sections, worked out once for each: few of them change at a time. */
const known = new WeakMap<Section['lick'], readonly (readonly BarStack[])[]>()

/**
 * A solo bar by bar, with the groups of its lines as stacks over the place where each begins. A group that
 * runs over a barline stands in the bar in which it begins.
 */
export function toRulerBars(
  sections: readonly Section[],
  joins: readonly Join[],
  columns: readonly number[],
  barTicks: number,
): RulerBar[] {
  const joinAt = new Map(joins.map((join, number) => [join.section, { join, number }]))
  return sections.flatMap((section, index) => {
    const stacks = stacksOf(section)
    const { bar } = frameTicks(section.lick.frame)
    return Array.from({ length: section.bars }, (_, i): RulerBar => {
      const at = section.barsBefore + i
      return {
        index: at,
        section: index,
        part: section.part,
        begins: i === 0 && section.time === 0,
        stacks: stacks[i] ?? [],
        column: columns[at] ?? 0,
        join: i === 0 ? (joinAt.get(index) ?? null) : null,
        length: bar / barTicks,
      }
    })
  })
}

function stacksOf({ lick, bars }: Section): readonly (readonly BarStack[])[] {
  const made = known.get(lick)
  if (made) return made
  const { bar } = frameTicks(lick.frame)
  const ofBars: BarStack[][] = Array.from({ length: bars }, () => [])
  const slots = lickSlots(lick)
  const starts = startsOf(lick.line.groups)
  for (const [i, size] of lick.line.groups.entries()) {
    const first = slots[starts[i] as number]
    if (!first) continue
    const contents = slots.slice(first.index, first.index + Math.min(size, MAX_DISCS))
    const tick = first.tick + lick.frame.lead * bar
    const index = Math.floor(tick / bar)
    const discs = contents.map(({ content }) => toDisc(content))
    ofBars[index]?.push({ at: (tick - index * bar) / bar, discs })
  }
  known.set(lick, ofBars)
  return ofBars
}
