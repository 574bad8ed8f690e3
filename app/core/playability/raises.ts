import { mapStrokes, withoutGraces } from '../changes'
import { isEqual } from '../foundation'
import { type Lick, lineEvents } from '../line'
import {
  findTogetherFault,
  type Letter,
  type SlotContent,
  type Stroke,
  strokeLimb,
  type Voice,
} from '../sticking'
import type { Ticks } from '../time'
import type { Reading } from './hits'
import { type Move, movesOf, type PlayContext, speedLimit } from './limit'

/** Ways to take the bottleneck away. */
const RAISE_KINDS = ['other-voice', 'other-hand', 'leave-out', 'no-grace'] as const
export type RaiseKind = (typeof RAISE_KINDS)[number]

/** A lick without its bottleneck, and how fast that can be played. */
export interface Raise {
  readonly kind: RaiseKind
  readonly lick: Lick
  /** The slots that are changed: one, or every one where the same move comes back. */
  readonly slots: readonly number[]
  /** The surface that a stroke goes to, where it is one. */
  readonly voice: Voice | null
  /** The new limit; null where no limb strikes twice any more. */
  readonly bpm: number | null
}

/**
 * What would raise the limit, best first: at either end of the bottleneck another voice (that of the
 * other end), the other hand, no grace, or no stroke; where the limb has more moves as tight as this
 * one, at all of them. `voice` lays a sticking on the kit; each way is judged by the limit of the
 * whole lick, and only real gains are offered.
 */
export function raisesOf(
  lick: Lick,
  voice: (lick: Lick) => Lick,
  reading: Reading,
  setting: PlayContext,
): Raise[] {
  const voiced = voice(lick)
  const { bottleneck, bpm: before } = speedLimit(voiced, reading, setting)
  if (!bottleneck || before === null) return []
  const tight = movesOf(voiced, reading, setting).filter(
    ({ limb, bpm }) => limb === bottleneck.limb && bpm <= before * (1 + 1e-9),
  )
  const found = new Map<string, Raise>()
  for (const end of ['to', 'from'] as const) {
    for (const kind of RAISE_KINDS) {
      const changed = changeAt(lick, voiced, tight, end, kind)
      if (!changed) continue
      const { bpm } = speedLimit(voice(changed.lick), reading, setting)
      if (bpm !== null && bpm <= before * (1 + 1e-9)) continue
      const key = JSON.stringify(changed.lick.line.slots)
      if (!found.has(key)) found.set(key, { kind, ...changed, bpm })
    }
  }
  return [...found.values()].sort((a, b) => (b.bpm ?? Infinity) - (a.bpm ?? Infinity))
}

/** A lick changed in one way at one end of some moves of a limb; null where that cannot be. */
function changeAt(
  lick: Lick,
  voiced: Lick,
  moves: readonly Move[],
  end: 'to' | 'from',
  kind: RaiseKind,
): Pick<Raise, 'lick' | 'slots' | 'voice'> | null {
  const slotOf = new Map<Ticks, number>(lineEvents(voiced).map(({ tick, slot }) => [tick, slot]))
  const slots = [...lick.line.slots]
  const changed: number[] = []
  let voice: Voice | null = null
  for (const move of moves) {
    const slot = slotOf.get(end === 'to' ? move.toTick : move.fromTick)
    const content = slot === undefined ? undefined : slots[slot]
    if (slot === undefined || !content) return null
    const other = end === 'to' ? move.fromSurface : move.toSurface
    const next = changeSlot(content, move, kind, other)
    if (!next) return null
    if (kind === 'other-voice') voice = other
    slots[slot] = next
    if (changed.at(-1) !== slot) changed.push(slot)
  }
  return { lick: { ...lick, line: { ...lick.line, slots } }, slots: changed, voice }
}

const OTHER_HAND: Readonly<Partial<Record<Move['limb'], Letter>>> = { RH: 'L', LH: 'R' }

function changeSlot(
  content: SlotContent,
  { limb, fromSurface, toSurface }: Move,
  kind: RaiseKind,
  other: Voice,
): SlotContent | null {
  const change = (by: (stroke: Stroke) => Stroke | null): SlotContent | null => {
    const [next] = mapStrokes([content], (stroke) =>
      kind === 'no-grace' || strokeLimb(stroke) === limb ? by(stroke) : stroke,
    )
    const same = !next || isEqual(next, content)
    return same || !playable(next) ? null : next
  }
  switch (kind) {
    case 'other-voice':
      return fromSurface === toSurface ? null : change((stroke) => ({ ...stroke, voice: other }))
    case 'other-hand': {
      const letter = OTHER_HAND[limb]
      return letter ? change((stroke) => ({ ...stroke, letter })) : null
    }
    case 'leave-out':
      return change(() => null)
    case 'no-grace':
      return change(withoutGraces)
  }
}

function playable(content: SlotContent): boolean {
  return content.kind !== 'struck' || findTogetherFault(content.strokes) === undefined
}
