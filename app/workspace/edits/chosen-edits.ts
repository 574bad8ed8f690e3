import { type Choice, chosenOf } from '~/core/change-list'
import { phraseOf, type SlotRange } from '~/core/changes'
import type { Lick } from '~/core/line'
import { isHand, type Surface, strokesInSlot } from '~/core/sticking'
import type { Voicing } from '~/core/voicing'
import { withPins } from './voice-edits'

/** The slots of a range in which a hand plays a stroke that a choice means. */
export function chosenHandSlots(lick: Lick, range: SlotRange, choice: Choice): number[] {
  const phrase = phraseOf(lick.line, range)
  const chosen = chosenOf(choice, phrase)
  return phrase.slots.flatMap((content, slot) =>
    strokesInSlot(content).some(({ stroke }) => isHand(stroke.letter) && chosen(stroke, slot))
      ? [range.from + slot]
      : [],
  )
}

/** Some slots struck on a surface, one by one. */
export function withPinsOn(voicing: Voicing, slots: readonly number[], surface: Surface): Voicing {
  return slots.reduce(
    (struck, slot) => withPins(struck, { from: slot, to: slot + 1 }, surface),
    voicing,
  )
}
