import { phraseOf, startsOf } from '~/core/changes'
import type { Fix } from '~/core/fitting'
import type { Lick } from '~/core/line'
import { REST } from '~/core/sticking'
import { gridName, placeName } from '~/core/time'
import { type Edit, replaceRange } from './edits'

/** What a way of mending is called. */
export function fixWords({ kind, grid, start }: Fix, lick: Lick): string {
  switch (kind) {
    case 'cut':
      return 'Cut at the landing'
    case 'drop-group':
      return 'One group fewer'
    case 'next-group':
      return 'Cut the next group'
    case 'add-group':
      return 'One group more'
    case 'tail-right':
      return 'A tail that ends right'
    case 'tail-left':
      return 'A tail that ends left'
    case 'tail-kick':
      return 'A tail that ends with the kick'
    case 'rests':
      return 'Rests'
    case 'remainder-first':
      return 'The remainder first'
    case 'over-the-barline':
      return 'Run over the barline'
    case 'start':
      return `Start on ${placeName(start ?? 0, lick.frame.meter)}`
    case 'grid':
      return `On ${gridName(grid ?? lick.frame.grid)}`
  }
}

/** The edit of a mend: only the slots that it adds or takes away are typed anew. */
export function fixEdit(lick: Lick, mend: Fix): Edit {
  const label = fixWords(mend, lick)
  const [old, now] = [lick.line.slots.length, mend.lick.line.slots.length]
  if (mend.kind === 'remainder-first') {
    const typed = phraseOf(mend.lick.line, { from: 0, to: now - old })
    return { ...replaceRange(lick, { from: 0, to: 0 }, typed, label), lick: mend.lick }
  }
  if (now > old) {
    const added = phraseOf(mend.lick.line, { from: old, to: now })
    return { ...replaceRange(lick, { from: old, to: old }, added, label), lick: mend.lick }
  }
  if (now < old) {
    const none = { slots: [], groups: [] }
    const { change } = replaceRange(lick, { from: now, to: old }, none, label)
    return { label, lick: mend.lick, ...(change && { change }) }
  }
  return { label, lick: mend.lick }
}

/** The line made of its own groups in an order of sizes; a size that it lacks is left empty. */
export function chainEdit(lick: Lick, order: readonly number[]): Edit {
  const { line } = lick
  const starts = startsOf(line.groups)
  const bySize = new Map<number, number>()
  for (const [i, size] of line.groups.entries()) if (!bySize.has(size)) bySize.set(size, i)
  const groups = order.map((size) => {
    const from = starts[bySize.get(size) ?? -1]
    return from === undefined
      ? Array.from({ length: size }, () => REST)
      : line.slots.slice(from, from + size)
  })
  const all = { from: 0, to: line.slots.length }
  return replaceRange(
    lick,
    all,
    { slots: groups.flat(), groups: order },
    `Chain ${order.join(' ')}`,
  )
}
