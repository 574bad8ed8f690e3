import { modulo } from '../foundation'
import { type Letter, type SlotContent, strokesInSlot } from '../sticking'
import { joinPhrases, mapStrokes, type Phrase, withLetter } from './phrase'

const OTHER_HAND: Partial<Record<Letter, Letter>> = { R: 'L', L: 'R' }
const OTHER_FOOT: Partial<Record<Letter, Letter>> = { K: 'J', J: 'K' }

/**
 * An inversion: the same strokes begun `steps` later. Group sizes stay where they are.
 * Law: as many single steps as there are slots are the phrase itself.
 *
 * @example text(rotate(phrase('RLRRLRLL'), 1)) // 'LRRLRLLR'
 */
export function rotate({ slots, groups }: Phrase, steps: number): Phrase {
  const by = slots.length === 0 ? 0 : modulo(steps, slots.length)
  return { slots: [...slots.slice(by), ...slots.slice(0, by)], groups }
}

/**
 * The other hand for each hand; surfaces stay. Law: twice is the same.
 *
 * @example text(mirrorHands(phrase('RLLK'))) // 'LRRK'
 */
export function mirrorHands({ slots, groups }: Phrase): Phrase {
  return { slots: swap(slots, OTHER_HAND), groups }
}

/**
 * The kick and the second bass drum pedal change places; the hi-hat pedal stays, and so does a kick
 * under it, whose other foot is taken. Law: twice is the same.
 *
 * @example text(mirrorFeet(phrase('RLKH'))) // 'RLJH'
 */
export function mirrorFeet({ slots, groups }: Phrase): Phrase {
  const turned = slots.map((content) =>
    usesHiHatFoot(content) ? content : (swap([content], OTHER_FOOT)[0] as SlotContent),
  )
  return { slots: turned, groups }
}

function usesHiHatFoot(content: SlotContent): boolean {
  return strokesInSlot(content).some(({ stroke }) => stroke.letter === 'H')
}

function swap(
  slots: readonly SlotContent[],
  other: Partial<Record<Letter, Letter>>,
): SlotContent[] {
  return mapStrokes(slots, (stroke) => {
    const letter = other[stroke.letter]
    return letter ? { ...stroke, letter } : stroke
  })
}

/**
 * Backwards, squeezes too. Law: twice is the same.
 *
 * @example text(reverse(phrase('RLLK'))) // 'KLLR'
 */
export function reverse({ slots, groups }: Phrase): Phrase {
  const turned = slots.map(
    (content): SlotContent =>
      content.kind === 'squeeze' ? { ...content, parts: [...content.parts].reverse() } : content,
  )
  return { slots: turned.reverse(), groups: [...groups].reverse() }
}

/**
 * The phrase, its mirror, the phrase, and so on: `times` in all.
 *
 * @example text(alternate(phrase('RLL'))) // 'RLL LRR'
 */
export function alternate(phrase: Phrase, times = 2): Phrase {
  const mirrored = mirrorHands(phrase)
  return joinPhrases(Array.from({ length: times }, (_, i) => (i % 2 === 0 ? phrase : mirrored)))
}

/**
 * The phrase so many times.
 *
 * @example text(repeat(phrase('RLK'), 2)) // 'RLK*2'
 */
export function repeat(phrase: Phrase, times: number): Phrase {
  return joinPhrases(Array.from({ length: times }, () => phrase))
}

/**
 * Exactly `length` slots from the front of the phrase.
 *
 * @example text(cut(phrase('RLRRLRLL'), 3)) // 'RLR'
 */
export function cut({ slots, groups }: Phrase, length: number): Phrase {
  let left = length
  const kept = groups.flatMap((size) => {
    const part = Math.min(size, Math.max(0, left))
    left -= part
    return part > 0 ? [part] : []
  })
  return { slots: slots.slice(0, length), groups: kept }
}

/**
 * The phrase over and over until exactly `length` slots are full; the last time is cut.
 *
 * @example text(fillTo(phrase('RLK'), 8)) // 'RLK*2 RL'
 */
export function fillTo(phrase: Phrase, length: number): Phrase {
  if (phrase.slots.length === 0) return phrase
  return cut(repeat(phrase, Math.ceil(length / phrase.slots.length)), length)
}

const TO_FEET: Partial<Record<Letter, Letter>> = { R: 'K', L: 'J' }
const TO_HANDS: Partial<Record<Letter, Letter>> = { K: 'R', J: 'L', H: 'L' }

/**
 * Hands to the feet of their side: R to K, L to J.
 *
 * @example text(toFeet(phrase('RLRR'))) // 'KJKK'
 */
export function toFeet({ slots, groups }: Phrase): Phrase {
  return {
    slots: mapStrokes(slots, (stroke) =>
      withLetter(stroke, TO_FEET[stroke.letter] ?? stroke.letter),
    ),
    groups,
  }
}

/**
 * Feet to the hands of their side: K to R, J and H to L.
 *
 * @example text(toHands(phrase('KHK'))) // 'RLR'
 */
export function toHands({ slots, groups }: Phrase): Phrase {
  return {
    slots: mapStrokes(slots, (stroke) =>
      withLetter(stroke, TO_HANDS[stroke.letter] ?? stroke.letter),
    ),
    groups,
  }
}

/** Every nth stroke of each hand to the foot of its side. Example: `RLLR` by 2 is `RLJK`. */
export function someToFeet({ slots, groups }: Phrase, nth: number): Phrase {
  const count: Partial<Record<Letter, number>> = {}
  const moved = mapStrokes(slots, (stroke) => {
    const foot = TO_FEET[stroke.letter]
    if (!foot) return stroke
    count[stroke.letter] = (count[stroke.letter] ?? 0) + 1
    return (count[stroke.letter] ?? 0) % nth === 0 ? withLetter(stroke, foot) : stroke
  })
  return { slots: moved, groups }
}
