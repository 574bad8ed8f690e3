import { hasAccent, isAccented, isHand, type SlotContent, type Stroke } from '../sticking'

/** Whether a hand strikes in a slot: where an accent can be put. */
export function canBeAccented(content: SlotContent): boolean {
  if (content.kind === 'rest') return false
  if (content.kind === 'struck') return content.strokes.some(({ letter }) => isHand(letter))
  return content.parts.some(canBeAccented)
}

/**
 * Slots with accents put on some of them, and taken off others: the hands of what sounds first in a slot are
 * accented, unless something in it is already.
 *
 * @example withAccents(phrase('RLK').slots, [1], []).map(({ strokes }) => strokes[0].level) // ['tap', 'accent', 'tap']
 */
export function withAccents(
  slots: readonly SlotContent[],
  on: readonly number[],
  off: readonly number[],
): SlotContent[] {
  return slots.map((content, slot) => {
    if (off.includes(slot)) return levelled(content, (one) => (isAccented(one) ? 'tap' : one.level))
    return on.includes(slot) && !hasAccent(content) ? accented(content) : content
  })
}

function accented<Content extends SlotContent>(content: Content): Content {
  if (content.kind !== 'squeeze')
    return levelled(content, (one) => (isHand(one.letter) ? 'accent' : one.level))
  const first = content.parts.findIndex(canBeAccented)
  const parts = content.parts.map((part, i) => (i === first ? accented(part) : part))
  return { ...content, parts }
}

function levelled<Content extends SlotContent>(
  content: Content,
  levelOf: (stroke: Stroke) => Stroke['level'],
): Content {
  if (content.kind === 'rest') return content
  if (content.kind === 'squeeze')
    return { ...content, parts: content.parts.map((part) => levelled(part, levelOf)) }
  return {
    ...content,
    strokes: content.strokes.map((one) => ({ ...one, level: levelOf(one) })),
  }
}
