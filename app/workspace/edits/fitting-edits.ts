import { phraseOf, type SlotRange, startsOf } from '~/core/changes'
import { continuedFrom, continuingOf, type Fix, type RunOn } from '~/core/fitting'
import type { Lick } from '~/core/line'
import { gridWords } from '~/words/grid-words'
import { placeOn } from '~/words/places'
import { type Edit, replaceRange } from './edits'
import { repeatedRange } from './grouping-edits'

/** What a way to make a line fit is called. */
export function fixWords({ kind, grid, start, cut }: Fix, lick: Lick): string {
  switch (kind) {
    case 'cut':
      return 'Cut at the landing'
    case 'drop-group':
      return 'Remove the last group'
    case 'next-group':
      return cut > 0 ? 'Repeat, cutting the last group' : 'Repeat until full'
    case 'add-group':
      return 'Add one more group'
    case 'tail-right':
      return 'Add an ending on the right hand'
    case 'tail-left':
      return 'Add an ending on the left hand'
    case 'tail-kick':
      return 'Add an ending on the kick'
    case 'own-tail':
      return 'Add your own ending'
    case 'rests':
      return 'Fill up with rests'
    case 'remainder-first':
      return 'Put the remainder first'
    case 'remainder-middle':
      return 'Put the remainder after the first group'
    case 'over-the-barline':
      return 'Play over the barline'
    case 'start':
      return `Start on ${placeOn(lick, start ?? 0, lick.frame.grid)}`
    case 'grid':
      return `Play it in ${gridWords(grid ?? lick.frame.grid)}`
  }
}

/**
 * The edit of a fix: only the slots that it adds or takes away are typed anew. What is repeated is marked with
 * its copies; `selection` is what it was asked to repeat.
 */
export function fixEdit(lick: Lick, fix: Fix, selection: SlotRange | null = null): Edit {
  const label = fixWords(fix, lick)
  const { added } = fix
  const [old, now] = [lick.line.slots.length, fix.lick.line.slots.length]
  if (added) {
    const typed = phraseOf(fix.lick.line, added)
    const at = { from: added.from, to: added.from }
    // What is repeated sounds as what it repeats: also where that was struck by hand.
    const copies = COPYING.has(fix.kind)
      ? continuedFrom(continuingOf(lick, selection), typed.slots.length).map((slot) => slot - old)
      : undefined
    const edit = { ...replaceRange(lick, at, typed, label, copies), lick: fix.lick }
    if (fix.kind !== 'next-group') return edit
    return { ...edit, select: repeatedRange(lick, selection, added.to - added.from) }
  }
  if (now < old) {
    const none = { slots: [], groups: [] }
    const { change } = replaceRange(lick, { from: now, to: old }, none, label)
    return { label, lick: fix.lick, ...(change && { change }) }
  }
  return { label, lick: fix.lick }
}

/** Ways to fit that repeat what there is, behind it. */
const COPYING: ReadonlySet<Fix['kind']> = new Set(['next-group', 'add-group', 'over-the-barline'])

/** The edit of a range that runs on over the barlines; its copies sound as it does. */
export function runOnEdit(lick: Lick, { from, to }: SlotRange, run: RunOn, label: string): Edit {
  const { length } = run.lick.line.slots
  const tail = { from, to: lick.line.slots.length }
  const typed = phraseOf(run.lick.line, { from, to: length })
  const copies = typed.slots.map((_, i) => i % (to - from))
  return {
    ...replaceRange(lick, tail, typed, label, copies),
    lick: run.lick,
    select: { from, to: length },
  }
}

/**
 * The line made of its own groups in an order of sizes. A size that it has no group of is made of the
 * line's strokes from the first on, over and over: never of rests. Example: four sixes of `RLR LKK`
 * are `RLRLKK*4`.
 */
export function chainEdit(lick: Lick, order: readonly number[]): Edit {
  const { line } = lick
  const starts = startsOf(line.groups)
  const bySize = new Map<number, number>()
  for (const [i, size] of line.groups.entries()) if (!bySize.has(size)) bySize.set(size, i)
  const groups = order.map((size) => {
    const from = starts[bySize.get(size) ?? -1] ?? 0
    return Array.from({ length: size }, (_, i) => (from + i) % line.slots.length)
  })
  const slots = groups
    .flat()
    .flatMap((slot) => (slot === undefined ? [] : (line.slots[slot] ?? [])))
  const all = { from: 0, to: line.slots.length }
  return replaceRange(
    lick,
    all,
    { slots, groups: order },
    `Group as ${order.join(' ')}`,
    groups.flat(),
  )
}
