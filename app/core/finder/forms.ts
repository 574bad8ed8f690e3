import { inversionsOf, stickingKey } from '../catalogue'
import { mirrorHands, type Phrase } from '../changes'
import { formatSlot } from '../notation'
import type { SlotContent } from '../sticking'
import type { FinderCell, FormChoice } from './question'

/** A question that is too large to be answered; its message is the condition that makes it so, or `cells`. */
export class TooLarge extends RangeError {}

/** More forms of cells than this are not put together. */
const MAX_FORMS = 20_000

/** One way in which a cell can stand in a fill, as one group. */
export interface CellForm {
  /** Its place among all forms. */
  readonly index: number
  /** The cell that it counts as. */
  readonly cell: number
  readonly slots: readonly SlotContent[]
  /** Whether it is the beginning of a form, which can only come last. */
  readonly cut: boolean
}

/**
 * All that groups can be, each sticking once: what two cells have in common counts as the earlier one. Whole
 * forms come first, cell by cell, then what is left of them where the last may be cut. Cells of more slots than
 * `longest` are left out where nothing may be cut.
 *
 * @throws TooLarge where there are too many
 *
 * @example formsOf([{ phrase: phrase('RLK') }], { inversions: true, mirrors: false, cut: false }).length // 3
 */
export function formsOf(
  cells: readonly FinderCell[],
  choice: FormChoice,
  longest = Number.POSITIVE_INFINITY,
): CellForm[] {
  const forms: CellForm[] = []
  const known = new Set<string>()
  // Equal slots are one object, so that what is worked out of a slot is worked out once.
  const slotsByText = new Map<string, SlotContent>()
  const only = (content: SlotContent): SlotContent => {
    const text = formatSlot(content)
    const same = slotsByText.get(text) ?? content
    slotsByText.set(text, same)
    return same
  }
  const add = (cell: number, phrase: Phrase, cut: boolean) => {
    const key = stickingKey(phrase)
    if (phrase.slots.length === 0 || known.has(key)) return
    known.add(key)
    if (forms.length === MAX_FORMS) throw new TooLarge('cells')
    forms.push({ index: forms.length, cell, slots: phrase.slots.map(only), cut })
  }
  for (const [cell, { phrase }] of cells.entries()) {
    if (phrase.slots.length > longest && !choice.cut) continue
    const turned = choice.inversions ? inversionsOf(phrase).map((one) => one.phrase) : [phrase]
    for (const one of turned) add(cell, one, false)
    if (choice.mirrors) for (const one of turned) add(cell, mirrorHands(one), false)
  }
  if (choice.cut) {
    for (const { cell, slots } of [...forms]) {
      for (let length = slots.length - 1; length > 0; length -= 1)
        add(cell, { slots: slots.slice(0, length), groups: [length] }, true)
    }
  }
  return forms
}
