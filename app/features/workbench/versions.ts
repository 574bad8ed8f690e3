import type { Lick } from '~/core/line'
import { formatSlot } from '~/core/notation'
import type { SlotContent } from '~/core/sticking'

/** A slot that differs between two versions; undefined where a version has no such slot. */
export interface SlotDifference {
  readonly slot: number
  readonly kept: SlotContent | undefined
  readonly now: SlotContent | undefined
}

/** Two versions of a lick, slot by slot, and whether anything besides the strokes differs. */
export function comparedWith(
  kept: Lick,
  now: Lick,
): { readonly slots: readonly SlotDifference[]; readonly frame: boolean } {
  const length = Math.max(kept.line.slots.length, now.line.slots.length)
  const slots: SlotDifference[] = []
  for (let slot = 0; slot < length; slot += 1) {
    const [a, b] = [kept.line.slots[slot], now.line.slots[slot]]
    if (!a || !b || formatSlot(a) !== formatSlot(b)) slots.push({ slot, kept: a, now: b })
  }
  const rest = ({ frame, ostinatos, line }: Lick) =>
    JSON.stringify([frame, ostinatos, line.groups, line.gridChanges])
  return { slots, frame: slots.length === 0 && rest(kept) !== rest(now) }
}
