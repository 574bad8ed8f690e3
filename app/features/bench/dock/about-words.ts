import type { SlotRange } from '~/core/changes'
import type { Lick } from '~/core/line'
import { plural, slotsWords } from '~/words/figures'
import { capital } from '~/words/move-words'

/** What a panel acts on: `Slot 6`, `Slots 6 and 7`, `Slots 3 to 8`, `The whole line: 10 slots`. */
export function aboutWords({ line }: Pick<Lick, 'line'>, range: SlotRange | null): string {
  const size = line.slots.length
  if (size === 0) return 'No strokes yet'
  if (!range) return `The whole line: ${plural(size, 'slot')}`
  if (range.to - range.from === size && size > 1) return `The whole line: ${plural(size, 'slot')}`
  return capital(slotsWords(range))
}
