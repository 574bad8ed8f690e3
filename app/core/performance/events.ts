import type { Graces, Limb, Voice } from '../sticking'
import type { Ticks } from '../time'

/** Who asked for a stroke. */
export type Part = 'line' | 'layer' | 'groove' | 'landing'

/** A stroke at the tick at which it sounds. */
export interface SoundStroke {
  readonly kind: 'stroke'
  readonly tick: Ticks
  readonly part: Part
  /** The ostinato that it belongs to, from 1; 0 for all else. */
  readonly layer: number
  /** Its slot in the line or the ostinato. */
  readonly slot: number
  /** Which part of a squeeze it is, from 0; 0 for a slot that is not squeezed. */
  readonly nth: number
  readonly limb: Limb
  readonly surface: Voice
  /** 1 to 127. */
  readonly velocity: number
  readonly graces: Graces
  readonly graceLimb?: Limb
  readonly graceSurface?: Voice
  /** Ticks since the stroke before it in line and groove; null for the very first. */
  readonly since: Ticks | null
}

/** A cymbal is taken hold of: whatever rings there stops. */
export interface SoundChoke {
  readonly kind: 'choke'
  readonly tick: Ticks
  readonly surface: Voice
}

/** The metronome: the bar's first beat, the first of a felt group, another beat, or between beats. */
export interface SoundClick {
  readonly kind: 'click'
  readonly tick: Ticks
  readonly weight: 'bar' | 'group' | 'beat' | 'between'
  /** Clicks of the count-in are always heard; the others can be turned off. */
  readonly countIn: boolean
}

export type SoundEvent = SoundStroke | SoundChoke | SoundClick

/** Orders events by tick; at one tick clicks, then chokes, then strokes. */
export function compareEvents(a: SoundEvent, b: SoundEvent): number {
  return a.tick - b.tick || KIND_ORDER[a.kind] - KIND_ORDER[b.kind]
}

const KIND_ORDER = { click: 0, choke: 1, stroke: 2 } as const

/**
 * The same event later (or earlier) by whole ticks.
 *
 * @example shifted({ tick: 5 }, 10) // { tick: 15 }
 */
export function shifted<E extends SoundEvent>(event: E, by: Ticks): E {
  return { ...event, tick: event.tick + by }
}
