import type { SlotRange } from '~/core/changes'
import { mapStrokes } from '~/core/changes'
import {
  type Groove,
  type Pattern,
  type PatternId,
  type PatternPlace,
  patternSlotsBetween,
} from '~/core/groove'
import { EMPTY_LICK, type Lick } from '~/core/line'
import {
  isHand,
  type Letter,
  REST,
  type SlotContent,
  type Surface,
  strokesInSlot,
  type Voice,
} from '~/core/sticking'
import { putOn } from '../edits/voice-edits'
import { openSlot, type RowKey, removeSlots, stickingKey } from './sticking-keys'
import { hasHand } from './voice-keys'
import type { PendingModifiers } from './waiting'

/** What a key does to a pattern: what it is then, null for what it was, and what goes with that. */
export interface PatternKey extends Pick<RowKey, 'waiting' | 'refused'> {
  readonly pattern: Pattern | null
  readonly steps: boolean
}

/** The slots of a pattern wherever it is shown; see `patternSlotsBetween`. */
export function shownSlots(lick: Lick, id: PatternId, grooves: readonly Groove[]) {
  return patternSlotsBetween(lick, id, grooves, 0, Number.POSITIVE_INFINITY)
}

/**
 * The place a slot earlier or later in a pattern, or at its beginning or end; the same where there is none.
 */
export function stepPattern(
  lick: Lick,
  { pattern, tick }: PatternPlace,
  way: 1 | -1,
  grooves: readonly Groove[],
  toEnd = false,
): PatternPlace {
  const slots = shownSlots(lick, pattern, grooves)
  if (toEnd) return { pattern, tick: slots.at(way === 1 ? -1 : 0)?.tick ?? tick }
  const next =
    way === 1 ? slots.find((slot) => slot.tick > tick) : slots.findLast((slot) => slot.tick < tick)
  return { pattern, tick: next?.tick ?? tick }
}

/**
 * What a key typed on a slot of a pattern does: what it does in the sticking row, to the pattern, which
 * has it wherever it comes round. A hand that has a drum of its own in the pattern keeps that.
 * Undefined for a key that means nothing. Example: `k` on the second slot of `@1/8 HH` makes it `@1/8 HK`.
 */
export function patternKey(
  pattern: Pattern,
  slot: number,
  waiting: PendingModifiers,
  key: string,
): PatternKey | undefined {
  const done = stickingKey(asLick(pattern), { from: slot, to: slot + 1 }, waiting, key)
  if (!done) return undefined
  const { edit, to, refused } = done
  const line = edit && onOwnDrums(pattern.line, edit.lick.line, slot)
  return {
    pattern: line ? { ...pattern, line } : null,
    steps: edit !== null && !edit.select && to > slot,
    waiting: done.waiting,
    refused,
  }
}

/** The hands' strokes of a slot on a surface; null where no hand plays in it. */
export function patternOn(pattern: Pattern, slot: number, surface: Surface): Pattern | null {
  if (!hasHand(pattern, slot)) return null
  return { ...pattern, line: putOn(asLick(pattern), only(slot), surface).lick.line }
}

/** A rest opened before a slot. */
export function openedPattern(pattern: Pattern, slot: number): Pattern {
  return { ...pattern, line: openSlot(asLick(pattern), slot).lick.line }
}

/** A slot removed; with `asRest` a rest stands in its place. */
export function cutPattern(pattern: Pattern, slot: number, asRest: boolean): Pattern {
  if (!asRest) return { ...pattern, line: removeSlots(asLick(pattern), only(slot)).lick.line }
  return { ...pattern, line: withSlot(pattern.line, slot, REST) }
}

function only(slot: number): SlotRange {
  return { from: slot, to: slot + 1 }
}

/** A pattern as the line of a lick by itself, so that what is done to lines can be done to it. */
function asLick({ grid, line }: Pattern): Lick {
  return { ...EMPTY_LICK, frame: { ...EMPTY_LICK.frame, grid }, line }
}

function withSlot(line: Pattern['line'], at: number, content: SlotContent): Pattern['line'] {
  return { ...line, slots: line.slots.map((old, i) => (i === at ? content : old)) }
}

/** A slot as it is typed, its hands on the drums that they have in the pattern. */
function onOwnDrums(before: Pattern['line'], after: Pattern['line'], at: number): Pattern['line'] {
  const typed = after.slots[at]
  if (!typed) return after
  const drumOf = (letter: Letter): Voice | undefined => {
    const here = [before.slots[at] ?? REST, ...before.slots].flatMap((content) =>
      strokesInSlot(content).flatMap(({ stroke }) => (stroke.letter === letter ? [stroke] : [])),
    )
    return here[0]?.voice ?? here.find(({ voice }) => voice)?.voice
  }
  const [put] = mapStrokes([typed], (stroke) => {
    const voice = isHand(stroke.letter) && !stroke.voice ? drumOf(stroke.letter) : undefined
    return voice ? { ...stroke, voice } : stroke
  })
  return put ? withSlot(after, at, put) : after
}
