import { type SlotRange, startsOf } from '~/core/changes'
import { frameTicks, type Lick, lickSlots } from '~/core/line'

/**
 * A line in pieces that are read at once: its bars where each has room for so many slots, else its
 * groups, neighbours together as far as they fit; a group that is longer is cut. Every slot is in one.
 * Example: `RLLRK RLK RLRLRL` with room for 8 is slots 0 to 8 and 8 to 14.
 */
export function stagePages(lick: Lick, room: number): SlotRange[] {
  const most = Math.max(1, Math.floor(room))
  const bars = barsOf(lick)
  return bars.every(({ from, to }) => to - from <= most) ? bars : packed(lick, most)
}

/** The slots of each bar that the line touches. */
function barsOf(lick: Lick): SlotRange[] {
  const { bar } = frameTicks(lick.frame)
  const pages: { from: number; to: number; bar: number }[] = []
  for (const { index, tick } of lickSlots(lick)) {
    const now = Math.floor(tick / bar)
    const last = pages.at(-1)
    if (last && last.bar === now) last.to = index + 1
    else pages.push({ from: index, to: index + 1, bar: now })
  }
  return pages.map(({ from, to }) => ({ from, to }))
}

function packed({ line }: Lick, most: number): SlotRange[] {
  const pages: { from: number; to: number }[] = []
  for (const [i, start] of startsOf(line.groups).entries()) {
    const end = start + (line.groups[i] as number)
    const last = pages.at(-1)
    if (last && end - last.from <= most) {
      last.to = end
      continue
    }
    for (let from = start; from < end; from += most) {
      pages.push({ from, to: Math.min(end, from + most) })
    }
  }
  return pages
}

/** The piece that a slot is in; the first while nothing sounds. */
export function pageAt(pages: readonly SlotRange[], slot: number): number {
  const found = pages.findIndex(({ from, to }) => slot >= from && slot < to)
  return Math.max(0, found)
}
