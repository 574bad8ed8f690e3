import type { SlotRange } from '~/core/changes'
import type { Lick } from '~/core/line'
import { plural } from '~/words/figures'

/** What a panel acts on: `Slot 6`, `Slots 6 and 7`, `Slots 3 to 8`, `The whole line: 10 slots`. */
export function aboutWords({ line }: Pick<Lick, 'line'>, range: SlotRange | null): string {
  const size = line.slots.length
  if (size === 0) return 'Nothing is typed yet'
  if (!range) return `The whole line: ${plural(size, 'slot')}`
  const { from, to } = range
  if (to - from === 1) return `Slot ${from + 1}`
  if (to - from === size) return `The whole line: ${plural(size, 'slot')}`
  return to - from === 2 ? `Slots ${from + 1} and ${to}` : `Slots ${from + 1} to ${to}`
}
