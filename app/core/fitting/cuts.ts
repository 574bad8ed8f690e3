import { namesOf } from '../catalogue'
import type { Line } from '../line'
import { hasAccent, isHand, type SlotContent, strokesInSlot } from '../sticking'

/** Ways to find the groups of a raw line. */
export const CUT_KINDS = ['before-kicks', 'after-kicks', 'accents', 'doubles', 'cells'] as const
export type CutKind = (typeof CUT_KINDS)[number]

/** A line cut into groups: their sizes, in slots. */
export interface LineCut {
  readonly kind: CutKind
  readonly groups: readonly number[]
}

/** Every way that finds more than one group. Example: `RLKKRLLKRK` after kicks is 4 4 2. */
export function cutsOf(line: Line): LineCut[] {
  return CUT_KINDS.flatMap((kind) => {
    const groups = cutLine(line.slots, kind)
    return groups.length > 1 ? [{ kind, groups }] : []
  })
}

/**
 * A line's slots cut in one way. The sizes sum to the slots.
 *
 * @example cutLine(phrase('RLLKRLK').slots, 'before-kicks') // [3, 3, 1]
 */
export function cutLine(slots: readonly SlotContent[], kind: CutKind): number[] {
  if (kind === 'cells') return cutByCells(slots)
  const begins = {
    'before-kicks': (i: number) => hasKick(slots[i]),
    'after-kicks': (i: number) => hasKick(slots[i - 1]) && !hasKick(slots[i]),
    accents: (i: number) => hasAccent(slots[i] as SlotContent),
    doubles: (i: number) => isDouble(slots, i),
  }[kind]
  const sizes: number[] = []
  for (let i = 0; i < slots.length; i += 1) {
    if (i === 0 || begins(i)) sizes.push(1)
    else sizes[sizes.length - 1] = (sizes.at(-1) as number) + 1
  }
  return sizes
}

function hasKick(content: SlotContent | undefined): boolean {
  return content !== undefined && strokesInSlot(content).some(({ stroke }) => stroke.letter === 'K')
}

function isDouble(slots: readonly SlotContent[], i: number): boolean {
  const hand = (at: number) => {
    const content = slots[at]
    const letter =
      content?.kind === 'struck' && content.strokes.length === 1 && content.strokes[0]?.letter
    return letter && isHand(letter) ? letter : undefined
  }
  const here = hand(i)
  return here !== undefined && here === hand(i + 1) && here !== hand(i - 1)
}

const LONGEST_CELL = 9

/**
 * The fewest cells of the catalogue as they stand (not turned, either lead) that make the line;
 * strokes that belong to none stand alone. Of equal ones, the longer cells first.
 */
function cutByCells(slots: readonly SlotContent[]): number[] {
  const best: { readonly cost: number; readonly size: number }[] = []
  best[slots.length] = { cost: 0, size: 0 }
  const known = new Map<string, boolean>()
  const isKnown = (part: readonly SlotContent[]): boolean => {
    const key = part.map(strokesKey).join(' ')
    const answer = known.get(key) ?? isCell(part)
    known.set(key, answer)
    return answer
  }
  for (let at = slots.length - 1; at >= 0; at -= 1) {
    let chosen = { cost: ALONE + (best[at + 1]?.cost ?? 0), size: 1 }
    for (let size = 2; size <= LONGEST_CELL && at + size <= slots.length; size += 1) {
      const cost = 1 + (best[at + size]?.cost ?? 0)
      if (cost <= chosen.cost && isKnown(slots.slice(at, at + size))) chosen = { cost, size }
    }
    best[at] = chosen
  }
  const sizes: number[] = []
  for (let at = 0; at < slots.length; at += sizes.at(-1) as number) sizes.push(best[at]?.size ?? 1)
  return sizes
}

/** A stroke alone costs more than a cell, so that cells are used where they can be. */
const ALONE = 1.5

function strokesKey(content: SlotContent): string {
  return strokesInSlot(content)
    .map(({ stroke: { letter, graces }, top, bottom }) => `${top}/${bottom}${letter}${graces}`)
    .join('')
}

function isCell(slots: readonly SlotContent[]): boolean {
  const [name] = namesOf({ slots, groups: [slots.length] })
  return name?.inversion === 0 && name.added.length === 0 && name.times === 1
}
