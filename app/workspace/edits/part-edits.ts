import type { SlotRange } from '~/core/changes'
import { type Lick, PART_NAME_MOST } from '~/core/line'
import type { Edit } from './edits'

/** Slots of the line under a name: a part of the player's own, behind those that there are. */
export function namePart(lick: Lick, { from, to }: SlotRange, name: string): Edit {
  const part = { name: tidy(name), from, to: Math.max(from, to - 1) }
  return { label: `Name the part ${part.name}`, lick: { ...lick, parts: [...lick.parts, part] } }
}

/** A part under another name. */
export function renamePart(lick: Lick, at: number, name: string): Edit {
  const parts = lick.parts.map((part, i) => (i === at ? { ...part, name: tidy(name) } : part))
  return { label: `Rename the part ${tidy(name)}`, lick: { ...lick, parts } }
}

/** The line without a part; its strokes stay. */
export function removePart(lick: Lick, at: number): Edit {
  const label = `Remove the part ${lick.parts[at]?.name ?? ''}`
  return { label, lick: { ...lick, parts: lick.parts.filter((_, i) => i !== at) } }
}

function tidy(name: string): string {
  return name.replace(/\s+/g, ' ').replaceAll('#', '').trim().slice(0, PART_NAME_MOST)
}
