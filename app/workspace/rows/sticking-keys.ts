import { type Phrase, phraseOf, type SlotRange, setGraces, setLevel } from '~/core/changes'
import { isEqual } from '~/core/foundation'
import type { Lick } from '~/core/line'
import {
  findTogetherFault,
  type Graces,
  isHand,
  type Letter,
  type Level,
  MAX_SQUEEZE,
  REST,
  type SlotContent,
  type Struck,
  strokesInSlot,
  toStroke,
} from '~/core/sticking'
import { type Edit, replaceRange, splitAt } from '../edits/edits'
import { groupsAround } from '../selection'
import { NOTHING_WAITING, type PendingModifiers } from './waiting'

/** What a key in the sticking row does. */
export interface RowKey {
  readonly edit: Edit | null
  /** The slot that is marked afterwards; the number of slots means the end of the line. */
  readonly to: number
  readonly waiting: PendingModifiers
  /** Why nothing was done; empty where something was. */
  readonly refused: string
}

export const LETTER_KEYS: Readonly<Record<string, Letter>> = {
  r: 'R',
  l: 'L',
  k: 'K',
  h: 'H',
  j: 'J',
  x: 'X',
}
export const LEVEL_KEYS: Readonly<Record<string, Level>> = {
  '>': 'accent',
  '^': 'strong',
  _: 'soft',
}
/** The keys that set a level in the sticking row: those of the text, and one for a ghost. */
export const SIGN_LEVELS: Readonly<Record<string, Level>> = { ...LEVEL_KEYS, g: 'ghost' }
/** The key that begins a group where the caret is; Space plays. */
export const NEW_GROUP = '/'
export const GRACE_KEYS: Readonly<Record<string, Graces>> = { f: 1, d: 2, t: 3 }

/**
 * What a key typed on marked slots does: a limb's letter replaces and steps on, a small one as a ghost like in
 * the line, signs set level and grace or take them away again, `-` rests, `(` adds the next letter to the slot,
 * `{` splits the slot with it, `/` ends the group before the slot. `range` is null at the end of the line: there
 * letters are added, and signs wait for the next one. Undefined for a key that means nothing.
 *
 * @example `K` on slot 2 of `RLLR` makes it `RLKR` and marks slot 3; `k` makes it `RLkR`
 */
export function stickingKey(
  lick: Lick,
  range: SlotRange | null,
  waiting: PendingModifiers,
  key: string,
): RowKey | undefined {
  const size = lick.line.slots.length
  const rests: RowKey = {
    edit: null,
    to: range?.from ?? size,
    waiting: NOTHING_WAITING,
    refused: '',
  }
  const letter = LETTER_KEYS[key.toLowerCase()]
  if (letter) return letterKey(lick, range, waiting, letter, key !== key.toUpperCase())
  if (key === '-') return put(lick, range, waiting, REST, 'Rest')
  if (key === '(' || key === '{') {
    const mode = key === '(' ? 'together' : 'split'
    if (size === 0) return { ...rests, refused: 'There is no stroke here.' }
    return { ...rests, waiting: { ...waiting, mode: waiting.mode === mode ? null : mode } }
  }
  if (key === NEW_GROUP) {
    if (range) return { ...rests, edit: splitAt(lick, range.from) }
    return { ...rests, waiting: { ...waiting, mode: 'new-group' } }
  }
  const level = SIGN_LEVELS[key]
  const graces = GRACE_KEYS[key]
  if (level === undefined && graces === undefined) return undefined
  if (!range) return { ...rests, waiting: withSign(waiting, level, graces) }
  const edit = level ? leveled(lick, range, level) : graced(lick, range, graces as Graces)
  if (!edit && strokesIn(lick, range).length === 0) {
    return { ...rests, waiting: withSign(waiting, level, graces) }
  }
  if (!edit) return { ...rests, refused: 'Only a stroke by one hand can have a grace.' }
  // A letter that follows at once has the sign too, as in the line.
  return {
    ...rests,
    edit: edit.edit,
    waiting: edit.on ? withSign(waiting, level, graces) : NOTHING_WAITING,
  }
}

/** A sign that waits for its letter; typed again at the end of the line it is taken back. */
function withSign(waiting: PendingModifiers, level?: Level, graces?: Graces): PendingModifiers {
  if (level) return { ...waiting, level: waiting.level === level ? null : level }
  return { ...waiting, graces: waiting.graces === graces ? 0 : (graces ?? 0) }
}

/** The slots of a range removed. The slot that comes to stand in its place is marked. */
export function removeSlots(lick: Lick, range: SlotRange): Edit {
  const edit = replaceRange(lick, range, { slots: [], groups: [] }, 'Remove')
  return { ...edit, select: { from: range.from, to: range.from + 1 } }
}

/** A rest opened before a slot, in its group. */
export function openSlot(lick: Lick, at: number): Edit {
  const last = lick.line.slots.length - 1
  const inLine = Math.min(at, last)
  const range =
    last < 0 ? { from: 0, to: 0 } : groupsAround(lick.line, { from: inLine, to: inLine + 1 })
  const { slots } = phraseOf(lick.line, range)
  const inside = at - range.from
  const opened = [...slots.slice(0, inside), REST, ...slots.slice(inside)]
  const origins = opened.map((_, i) => (i === inside ? null : i < inside ? i : i - 1))
  const phrase = { slots: opened, groups: [opened.length] }
  return {
    ...replaceRange(lick, range, phrase, 'Insert a rest', origins),
    select: { from: at, to: at + 1 },
  }
}

function letterKey(
  lick: Lick,
  range: SlotRange | null,
  waiting: PendingModifiers,
  letter: Letter,
  ghost: boolean,
): RowKey {
  const level = ghost ? 'ghost' : (waiting.level ?? 'tap')
  const graces = isHand(letter) ? waiting.graces : 0
  const stroke = toStroke(letter, { level, graces })
  const content: Struck = { kind: 'struck', strokes: [stroke] }
  const { mode } = waiting
  if (mode !== 'together' && mode !== 'split') {
    return put(lick, range, waiting, content, ghost ? 'Ghost' : 'Stroke')
  }
  const size = lick.line.slots.length
  const at = range?.from ?? size - 1
  const slot = lick.line.slots[at] as SlotContent
  const made = mode === 'together' ? addTo(slot, stroke) : splitWith(slot, content)
  const to = range ? at : size
  if (typeof made === 'string') return { edit: null, to, waiting: NOTHING_WAITING, refused: made }
  const label = mode === 'together' ? 'Together' : 'In one slot'
  const phrase = { slots: [made], groups: [1] }
  return {
    edit: { ...replaceRange(lick, { from: at, to: at + 1 }, phrase, label), select: undefined },
    to,
    waiting: range ? { ...NOTHING_WAITING, mode } : NOTHING_WAITING,
    refused: '',
  }
}

/** Every slot of a range as one content, and on; at the end of the line one slot more. */
function put(
  lick: Lick,
  range: SlotRange | null,
  waiting: PendingModifiers,
  content: SlotContent,
  label: string,
): RowKey {
  const { slots, groups } = lick.line
  const made = (at: SlotRange, phrase: Phrase, to: number): RowKey => ({
    edit: { ...replaceRange(lick, at, phrase, label), select: undefined },
    to,
    waiting: NOTHING_WAITING,
    refused: '',
  })
  if (range) {
    const { groups: kept } = phraseOf(lick.line, range)
    const same = Array.from({ length: range.to - range.from }, () => content)
    return made(range, { slots: same, groups: kept }, range.to)
  }
  const last = waiting.mode === 'new-group' ? 0 : (groups.at(-1) ?? 0)
  const tail = { from: slots.length - last, to: slots.length }
  const longer = [...slots.slice(tail.from), content]
  return made(tail, { slots: longer, groups: [longer.length] }, slots.length + 1)
}

/** A stroke added to what sounds in a slot; why not, in words, where one player cannot. */
function addTo(slot: SlotContent, stroke: ReturnType<typeof toStroke>): SlotContent | string {
  if (slot.kind === 'squeeze') return 'A slot that is split takes no stroke beside its own.'
  const strokes = slot.kind === 'rest' ? [stroke] : [...slot.strokes, stroke]
  const fault = findTogetherFault(strokes)
  if (!fault) return { kind: 'struck', strokes }
  if (fault.reason === 'limb-twice') return 'That limb plays in this slot already.'
  if (fault.reason === 'grace-hand-busy') return 'The grace needs the hand that would play here.'
  return 'No limb is left for it.'
}

/** A slot split in one part more. */
function splitWith(slot: SlotContent, part: Struck): SlotContent | string {
  const parts = slot.kind === 'squeeze' ? slot.parts : [slot]
  if (parts.length >= MAX_SQUEEZE) return `A slot holds at most ${MAX_SQUEEZE} strokes.`
  return { kind: 'squeeze', parts: [...parts, part] }
}

/** A sign set, and whether it is on now: typed again it is taken away. */
interface Signed {
  readonly edit: Edit
  readonly on: boolean
}

function strokesIn({ line }: Lick, { from, to }: SlotRange) {
  return line.slots.slice(from, to).flatMap((slot) => strokesInSlot(slot))
}

/** All strokes of a range at a level, or plain again where they all are at it. */
function leveled(lick: Lick, range: SlotRange, level: Level): Signed | null {
  const phrase = phraseOf(lick.line, range)
  const strokes = strokesIn(lick, range)
  if (strokes.length === 0) return null
  const to = strokes.every(({ stroke }) => stroke.level === level) ? 'tap' : level
  const made = replaceRange(
    lick,
    range,
    setLevel(phrase, to, () => true),
    `Set to ${to}`,
  )
  return { edit: { ...made, select: range }, on: to === level }
}

/** Graces before all single hand strokes of a range, or none where they all have them. */
function graced(lick: Lick, range: SlotRange, graces: Graces): Signed | null {
  const phrase = phraseOf(lick.line, range)
  const hands = strokesIn(lick, range).filter(({ stroke }) => isHand(stroke.letter))
  if (hands.length === 0) return null
  const to = hands.every(({ stroke }) => stroke.graces === graces) ? 0 : graces
  const made = setGraces(phrase, to, () => true)
  if (isEqual(made.slots, phrase.slots)) return null
  const edit = replaceRange(lick, range, made, 'Graces')
  return { edit: { ...edit, select: range }, on: to === graces }
}
