import { gridAt, joinPhrases, phraseOf, type SlotRange } from '~/core/changes'
import { continued, continuedFrom, continuingOf } from '~/core/fitting'
import { aimOf, type Lick } from '~/core/line'
import { gridTicks } from '~/core/time'
import { type Edit, joinGroups, moveGroups, replaceRange, splitAt } from './edits'

/**
 * What is selected, else the line's pattern, else the whole line, repeated until the space is full;
 * null where nothing is free. What was repeated is marked with its copies; where something else stands
 * between them, the copies alone.
 *
 * @example `RLLK RRK` goes on with both of its groups, and all of it is marked
 */
export function repeatUntilFull(lick: Lick, selection: SlotRange | null = null): Edit | null {
  const { length } = lick.line.slots
  const free = Math.floor(aimOf(lick).left / gridTicks(gridAt(lick.line, length, lick.frame.grid)))
  const continuing = continuingOf(lick, selection)
  const added = free > 0 ? continued(continuing, free) : null
  if (!added || added.slots.length === 0) return null
  const copies = continuedFrom(continuing, free).map((slot) => slot - length)
  const edit = replaceRange(lick, { from: length, to: length }, added, 'Repeat until full', copies)
  return { ...edit, select: repeatedRange(lick, selection, added.slots.length) }
}

/**
 * A stretch at the end of the line repeated as often as it goes whole into what is free; what is left stays open.
 * Null where it does not go in once.
 *
 * @example `RLLRK` in a bar of sixteenths is `RLLRK*3`, and one slot is left
 */
function repeatWhole(lick: Lick, { from, to }: SlotRange, label: string): Edit | null {
  const grid = gridTicks(gridAt(lick.line, to, lick.frame.grid))
  const size = to - from
  const times = size > 0 ? Math.floor(Math.floor(aimOf(lick).left / grid) / size) : 0
  if (times < 1) return null
  const phrase = phraseOf(lick.line, { from, to })
  const copies = joinPhrases(Array.from({ length: times }, () => phrase))
  const origins = copies.slots.map((_, i) => (i % size) - size)
  const edit = replaceRange(lick, { from: to, to }, copies, label, origins)
  return { ...edit, select: { from, to: to + copies.slots.length } }
}

/** What was repeated with so many slots of its copies; the copies alone where something else stands between. */
export function repeatedRange(
  { line }: Pick<Lick, 'line'>,
  selection: SlotRange | null,
  added: number,
): SlotRange {
  const { length } = line.slots
  const repeated = selection && selection.to - selection.from < length ? selection : null
  const from = !repeated ? 0 : repeated.to === length ? repeated.from : length
  return { from, to: length + added }
}

/** What can be done with the groups of a range, by name; null where there is nothing to do. */
export function groupingEdits(
  lick: Lick,
  selection: SlotRange | null,
  range: SlotRange,
): readonly { readonly label: string; readonly edit: Edit | null }[] {
  const one = selection !== null && selection.to === selection.from + 1
  const several = selection !== null && selection.to - selection.from > 1
  const { length } = lick.line.slots
  const split = selection ? splitAt(lick, one ? selection.from : selection.to) : null
  return [
    { label: 'Split here', edit: split },
    { label: 'Join', edit: joinGroups(lick, range) },
    { label: 'Move earlier', edit: moveGroups(lick, range, 'earlier') },
    { label: 'Move later', edit: moveGroups(lick, range, 'later') },
    { label: 'Repeat until full', edit: repeatUntilFull(lick, several ? range : null) },
    {
      label: 'Repeat the pattern, leave the rest open',
      edit: repeatWhole(lick, { from: 0, to: length }, 'Repeat the pattern'),
    },
    {
      label: 'Repeat the last group, leave the rest open',
      edit: repeatWhole(
        lick,
        { from: length - (lick.line.groups.at(-1) ?? 0), to: length },
        'Repeat the last group',
      ),
    },
  ]
}
