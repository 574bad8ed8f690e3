import { isHand, type Letter, REST, type SlotContent, toStroke } from '../sticking'
import { mapStrokes, type Phrase, together, withLetter } from './phrase'

/** Every nth stroke of a limb by another limb. Example: `RLLRL`, L by K, is `RKKRK`. */
export function replaceLimb({ slots, groups }: Phrase, from: Letter, to: Letter, nth = 1): Phrase {
  let count = 0
  const changed = mapStrokes(slots, (stroke) => {
    if (stroke.letter !== from) return stroke
    count += 1
    return count % nth === 0 ? withLetter(stroke, to) : stroke
  })
  return { slots: changed, groups }
}

/** Another limb under every stroke of a limb. Example: `RLLRL`, K under R, is `(RK)LL(RK)L`. */
export function doubleLimb(phrase: Phrase, of: Letter, under: Letter): Phrase {
  return addWhere(phrase, under, (content) => content.strokes.some(({ letter }) => letter === of))
}

/** A limb under the strokes of chosen slots. Example: K on the beats of `RLLRL` is `(RK)LLR(LK)`. */
export function addAt(phrase: Phrase, limb: Letter, chosen: (slot: number) => boolean): Phrase {
  return addWhere(phrase, limb, (_, slot) => chosen(slot))
}

function addWhere(
  { slots, groups }: Phrase,
  limb: Letter,
  wanted: (content: SlotContent & { kind: 'struck' }, slot: number) => boolean,
): Phrase {
  const added = slots.map((content, slot) =>
    content.kind === 'struck' && wanted(content, slot)
      ? together([...content.strokes, toStroke(limb)])
      : content,
  )
  return { slots: added, groups }
}

/**
 * A limb's strokes become rests: nothing moves.
 *
 * @example text(leaveOut(phrase('RLLK'), 'L')) // 'R--K'
 */
export function leaveOut({ slots, groups }: Phrase, limb: Letter): Phrase {
  return {
    slots: mapStrokes(slots, (stroke) => (stroke.letter === limb ? null : stroke)),
    groups,
  }
}

/**
 * Only the chosen strokes of a limb stay, by their slot and by their count from 1; the others become rests.
 *
 * @example every other kick of `KRKRK` is `KR-RK`
 */
export function keepLimb(
  { slots, groups }: Phrase,
  limb: Letter,
  kept: (slot: number, count: number) => boolean,
): Phrase {
  let count = 0
  const thinned = mapStrokes(slots, (stroke, { slot }) => {
    if (stroke.letter !== limb) return stroke
    count += 1
    return kept(slot, count) ? stroke : null
  })
  return { slots: thinned, groups }
}

/**
 * The slots that nobody plays become rests: every slot a rest.
 *
 * @example text(silence(phrase('RLK'))) // '---'
 */
export function silence({ slots, groups }: Phrase): Phrase {
  return { slots: slots.map(() => REST), groups }
}

/**
 * Every rest becomes a stroke of a limb: kicks in the holes, or a hand that fills the gaps.
 *
 * @example text(fillGaps(phrase('R--R'), 'K')) // 'RKKR'
 */
export function fillGaps({ slots, groups }: Phrase, limb: Letter): Phrase {
  const struck: SlotContent = { kind: 'struck', strokes: [toStroke(limb)] }
  return { slots: slots.map((content) => (content.kind === 'rest' ? struck : content)), groups }
}

/** A stroke after every stroke of a limb: its group grows. Example: `RLLRL`, K after R, is `RKLLRKL`. */
export function addAfter(phrase: Phrase, of: Letter, limb: Letter): Phrase {
  const after: SlotContent = { kind: 'struck', strokes: [toStroke(limb)] }
  const groups: number[] = []
  const slots: SlotContent[] = []
  let at = 0
  for (const size of phrase.groups) {
    const before = slots.length
    for (const content of phrase.slots.slice(at, at + size)) {
      slots.push(content)
      const has = content.kind === 'struck' && content.strokes.some(({ letter }) => letter === of)
      if (has) slots.push(after)
    }
    groups.push(slots.length - before)
    at += size
  }
  return { slots, groups }
}

/**
 * A stroke at the end of the last group.
 *
 * @example text(append(phrase('RLL'), 'K')) // 'RLLK'
 */
export function append({ slots, groups }: Phrase, limb: Letter): Phrase {
  const added: SlotContent = { kind: 'struck', strokes: [toStroke(limb)] }
  const last = groups.at(-1)
  return {
    slots: [...slots, added],
    groups: last === undefined ? [1] : [...groups.slice(0, -1), last + 1],
  }
}

/**
 * A stroke at the start of the first group.
 *
 * @example text(prepend(phrase('RLL'), 'K')) // 'KRLL'
 */
export function prepend({ slots, groups }: Phrase, limb: Letter): Phrase {
  const added: SlotContent = { kind: 'struck', strokes: [toStroke(limb)] }
  const [first, ...rest] = groups
  return { slots: [added, ...slots], groups: first === undefined ? [1] : [first + 1, ...rest] }
}

/** The chosen slots' strokes twice in their slot. Example: the kick of `RLLRK` gives `RLLR{KK}`. */
export function doubleUp(
  { slots, groups }: Phrase,
  chosen: (letter: Letter, slot: number) => boolean,
): Phrase {
  const doubled = slots.map((content, slot): SlotContent => {
    if (content.kind !== 'struck' || content.strokes.length !== 1) return content
    const [stroke] = content.strokes
    if (!stroke || !chosen(stroke.letter, slot)) return content
    const { graceVoice: _voice, ...plain } = stroke
    const second = { kind: 'struck' as const, strokes: [{ ...plain, graces: 0 as const }] }
    return { kind: 'squeeze', parts: [content, second] }
  })
  return { slots: doubled, groups }
}

/**
 * A stroke of the other hand squeezed between two consecutive strokes of one hand: the first one's
 * slot becomes two strokes. Law: slots and ticks stay. Example: `RRL` is `{RL}RL`.
 */
export function squeezeDoubles({ slots, groups }: Phrase, hand: 'R' | 'L' | 'both'): Phrase {
  const only = (content: SlotContent | undefined) =>
    content?.kind === 'struck' && content.strokes.length === 1 ? content.strokes[0] : undefined
  let skip = false
  const squeezed = slots.map((content, i): SlotContent => {
    const [first, second] = [only(content), only(slots[i + 1])]
    const double = first && second && first.letter === second.letter && isHand(first.letter)
    if (skip || !double || first.letter === 'X' || (hand !== 'both' && first.letter !== hand)) {
      skip = false
      return content
    }
    skip = true
    const other = toStroke(first.letter === 'R' ? 'L' : 'R', { level: first.level })
    return {
      kind: 'squeeze',
      parts: [content as SlotContent & { kind: 'struck' }, { kind: 'struck', strokes: [other] }],
    }
  })
  return { slots: squeezed, groups }
}
