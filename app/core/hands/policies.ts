import { mirrorHands, startsOf, toPhrase } from '../changes'
import { type Lick, lickSlots, type TimedSlot } from '../line'
import { isHand, type SlotContent, type Stroke, type Struck, strokesInSlot } from '../sticking'
import { barTicks } from '../time'

/**
 * Which hand takes a slot when kicks and rests come between. Cell-locked: the sticking travels with
 * its cell. Slot-locked (natural): the lead hand on every even slot. Alternating: the hands change
 * from stroke to stroke, kicks and rests not counted.
 */
export const HAND_POLICIES = ['cell-locked', 'slot-locked', 'alternating'] as const
export type HandPolicy = (typeof HAND_POLICIES)[number]

type Lead = 'R' | 'L'

/**
 * A lick with its hands by a policy; feet, rests, levels and voices stay. Cell-locked gives every
 * group the hands of the first group of its shape. Slots of both hands together stay as they are.
 * Without a lead, the line's first hand stays what it is.
 *
 * @example formatLine(withPolicy(lickOf('line: XXXX'), 'alternating').line) // 'RLRL'
 */
export function withPolicy(lick: Lick, policy: HandPolicy, lead?: Lead): Lick {
  switch (policy) {
    case 'cell-locked':
      return withSlots(lick, cellLocked(lick))
    case 'alternating':
      return withSlots(lick, ledAs(lick, lead, alternating))
    case 'slot-locked':
      return withSlots(lick, ledAs(lick, lead, slotLocked))
  }
}

/** The slots by a lead; without one, by that which leaves the line's first decided hand as it is. */
function ledAs(
  lick: Lick,
  lead: Lead | undefined,
  turn: (lick: Lick, lead: Lead) => SlotContent[],
): SlotContent[] {
  if (lead) return turn(lick, lead)
  const right = turn(lick, 'R')
  const first = lick.line.slots.findIndex(firstHand)
  const stays = first < 0 || !differs(lick.line.slots[first], right[first])
  return stays ? right : turn(lick, 'L')
}

function withSlots(lick: Lick, slots: readonly SlotContent[]): Lick {
  return { ...lick, line: { ...lick.line, slots } }
}

/**
 * The slots whose hands differ between two licks of the same length, from 0.
 *
 * @example differingSlots(lickOf('line: RLRL'), lickOf('line: RLLL')) // [2]
 */
export function differingSlots(a: Lick, b: Lick): number[] {
  return a.line.slots.flatMap((content, slot) =>
    differs(content, b.line.slots[slot]) ? [slot] : [],
  )
}

function differs(a: SlotContent | undefined, b: SlotContent | undefined): boolean {
  return !a || !b || handsOf(a) !== handsOf(b)
}

/** How far a line is from each policy: the slots that another hand would take. */
export function policyDistances(
  lick: Lick,
): Readonly<Record<HandPolicy, { readonly lick: Lick; readonly differs: readonly number[] }>> {
  const measure = (policy: HandPolicy) => {
    const turned = withPolicy(lick, policy)
    return { lick: turned, differs: differingSlots(lick, turned) }
  }
  return {
    'cell-locked': measure('cell-locked'),
    'slot-locked': measure('slot-locked'),
    alternating: measure('alternating'),
  }
}

function handsOf(content: SlotContent): string {
  return strokesInSlot(content)
    .map(({ stroke: { letter }, top }) => (isHand(letter) ? `${top}${letter}` : ''))
    .join('')
}

/** The first hand of a slot that one hand begins; undefined where both strike, or none is decided. */
function firstHand(content: SlotContent): Stroke | undefined {
  const hands = strokesInSlot(content).filter(({ stroke }) => isHand(stroke.letter))
  const first = hands[0]
  if (!first || first.stroke.letter === 'X') return undefined
  return hands.some(({ top, stroke }) => top === first.top && stroke !== first.stroke)
    ? undefined
    : first.stroke
}

/** Whether one hand, decided or not, begins a slot. */
function takesHand(content: SlotContent): boolean {
  const hands = strokesInSlot(content).filter(({ stroke }) => isHand(stroke.letter))
  return hands.length > 0 && hands.filter(({ top }) => top === hands[0]?.top).length === 1
}

/**
 * A slot begun by a hand: what is squeezed after it turns with it.
 *
 * @example formatPhrase(toPhrase([ledBy(phrase('R').slots[0], 'L')])) // 'L'
 */
export function ledBy(content: SlotContent, hand: Lead): SlotContent {
  const decided = decide(content, hand)
  const first = firstHand(decided)
  if (!first || first.letter === hand) return decided
  return mirrorHands(toPhrase([decided])).slots[0] as SlotContent
}

/**
 * An undecided hand becomes a hand; beside a decided one, the other.
 *
 * @example formatPhrase(toPhrase([decide(phrase('X').slots[0], 'L')])) // 'L'
 */
export function decide(content: SlotContent, hand: Lead): SlotContent {
  const struck = (part: Struck): Struck => {
    const beside = part.strokes.find(({ letter }) => letter === 'R' || letter === 'L')
    const letter = beside ? other(beside.letter as Lead) : hand
    const strokes = part.strokes.map((stroke) =>
      stroke.letter === 'X' ? { ...stroke, letter } : stroke,
    )
    return { kind: 'struck', strokes }
  }
  if (content.kind === 'rest') return content
  if (content.kind === 'struck') return struck(content)
  return {
    kind: 'squeeze',
    parts: content.parts.map((part) => (part.kind === 'rest' ? part : struck(part))),
  }
}

const other = (hand: Lead): Lead => (hand === 'R' ? 'L' : 'R')

/** Slots are counted from the bar's barline; from the grid change, where that lies off the grid. */
function slotLocked(lick: Lick, lead: Lead): SlotContent[] {
  const bar = barTicks(lick.frame.meter)
  let origin: TimedSlot | undefined
  return lickSlots(lick).map((slot, i, all) => {
    if (i === 0 || slot.grid !== all[i - 1]?.grid) origin = slot
    if (!takesHand(slot.content)) return slot.content
    const inBar = slot.tick % bar
    const onGrid = inBar % slot.ticks === 0
    const number = onGrid ? inBar / slot.ticks : (slot.tick - (origin?.tick ?? 0)) / slot.ticks
    return ledBy(slot.content, number % 2 === 0 ? lead : other(lead))
  })
}

function alternating(lick: Lick, lead: Lead): SlotContent[] {
  let next = lead
  return lick.line.slots.map((content) => {
    if (!takesHand(content)) return content
    const turned = ledBy(content, next)
    const hands = strokesInSlot(turned).filter(({ stroke }) => isHand(stroke.letter))
    next = other((hands.at(-1)?.stroke.letter as Lead) ?? next)
    return turned
  })
}

function cellLocked(lick: Lick): SlotContent[] {
  const { slots, groups } = lick.line
  const starts = startsOf(groups)
  const first = new Map<string, readonly SlotContent[]>()
  return groups.flatMap((size, i) => {
    const group = slots.slice(starts[i], (starts[i] as number) + size)
    const shape = group.map(shapeOf).join(' ')
    const model = first.get(shape) ?? group
    first.set(shape, model)
    return group.map((content, at) => {
      const hand = firstHand(model[at] as SlotContent)
      return hand && takesHand(content) ? ledBy(content, hand.letter as Lead) : content
    })
  })
}

/** Where hands and feet strike in a slot, whichever hand. */
function shapeOf(content: SlotContent): string {
  return strokesInSlot(content)
    .map(
      ({ stroke: { letter }, top, bottom }) => `${top}/${bottom}${isHand(letter) ? 'X' : letter}`,
    )
    .join('')
}
