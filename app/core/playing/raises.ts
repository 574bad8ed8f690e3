import { changeLick, mapStrokes, phraseOf, withoutGraces } from '../changes'
import { type Lick, lineEvents } from '../line'
import {
  findTogetherFault,
  type Letter,
  type SlotContent,
  type Stroke,
  strokeLimb,
  type Voice,
} from '../sticking'
import type { Reading } from './hits'
import { type Move, type Setting, speedLimit } from './limit'

/** Ways to take the bottleneck away. */
export type RaiseKind = 'other-voice' | 'other-hand' | 'leave-out' | 'no-grace'

/** A lick without its bottleneck, and how fast that can be played. */
export interface Raise {
  readonly kind: RaiseKind
  readonly lick: Lick
  /** The slot that is changed. */
  readonly slot: number
  readonly voice: Voice | null
  /** The new limit; null where no limb strikes twice any more. */
  readonly bpm: number | null
}

/**
 * What would raise the limit, best first: at either end of the bottleneck another voice (that of the
 * other end), the other hand, no grace, or no stroke. `voice` lays a sticking on the kit; each way is
 * judged by the limit of the whole lick, and only real gains are offered.
 */
export function raisesOf(
  lick: Lick,
  voice: (lick: Lick) => Lick,
  reading: Reading,
  setting: Setting,
): Raise[] {
  const before = speedLimit(voice(lick), reading, setting)
  const { bottleneck } = before
  if (!bottleneck || before.bpm === null) return []
  const found = new Map<string, Raise>()
  for (const { kind, slot, surface, content } of waysFor(lick, voice(lick), bottleneck)) {
    const changed = changeLick(
      lick,
      { from: slot, to: slot + 1 },
      { slots: [content], groups: [1] },
    )
    const { bpm } = speedLimit(voice(changed), reading, setting)
    if (bpm !== null && bpm <= before.bpm * (1 + 1e-9)) continue
    const key = JSON.stringify(changed.line.slots[slot]) + slot
    if (!found.has(key)) found.set(key, { kind, slot, voice: surface, lick: changed, bpm })
  }
  return [...found.values()].sort((a, b) => (b.bpm ?? Infinity) - (a.bpm ?? Infinity))
}

interface Way {
  readonly kind: RaiseKind
  readonly slot: number
  readonly surface: Voice | null
  readonly content: SlotContent
}

function waysFor(lick: Lick, voiced: Lick, move: Move): Way[] {
  const ends = [
    { tick: move.toTick, other: move.fromSurface },
    { tick: move.fromTick, other: move.toSurface },
  ]
  return ends.flatMap(({ tick, other }): Way[] => {
    const slot = slotAt(voiced, tick)
    if (slot === undefined) return []
    const plain = phraseOf(lick.line, { from: slot, to: slot + 1 }).slots
    const change = (by: (stroke: Stroke) => Stroke | null) =>
      mapStrokes(plain, (stroke) => (strokeLimb(stroke) === move.limb ? by(stroke) : stroke))[0]
    const ways: Way[] = []
    const add = (
      kind: RaiseKind,
      content: SlotContent | undefined,
      surface: Voice | null = null,
    ) => {
      if (content && playable(content)) ways.push({ kind, slot, surface, content })
    }
    if (move.fromSurface !== move.toSurface) {
      add(
        'other-voice',
        change((stroke) => ({ ...stroke, voice: other })),
        other,
      )
    }
    const hand = OTHER_HAND[move.limb]
    if (hand)
      add(
        'other-hand',
        change((stroke) => ({ ...stroke, letter: hand })),
      )
    add(
      'leave-out',
      change(() => null),
    )
    const graced = mapStrokes(plain, withoutGraces)[0]
    if (graced && JSON.stringify(graced) !== JSON.stringify(plain[0])) add('no-grace', graced)
    return ways
  })
}

const OTHER_HAND: Readonly<Partial<Record<Move['limb'], Letter>>> = { RH: 'L', LH: 'R' }

function playable(content: SlotContent): boolean {
  return content.kind !== 'struck' || findTogetherFault(content.strokes) === undefined
}

/** The slot of the line with a stroke at a tick; undefined where only groove, landing or feet are. */
function slotAt(lick: Lick, tick: number): number | undefined {
  return lineEvents(lick).find((event) => event.tick === tick)?.slot
}
