import { mapStrokes, type SlotRange } from '../changes'
import { type Lick, lickSlots } from '../line'
import type { Stroke } from '../sticking'
import type { Ticks } from '../time'
import { barForm, excerpt, OVER, type PracticePart, voicesOfHand, withoutVoice } from './build-up'
import type { PartKind } from './kinds'

const LOOP_SURFACES = {
  loop: (stroke) => stroke,
  'loop-plain': withoutVoice,
  'loop-right': voicesOfHand('R'),
  'loop-left': voicesOfHand('L'),
} as const satisfies Partial<Record<PartKind, (stroke: Stroke) => Stroke>>

/** How a loop is voiced: as it is written, on one surface, or with one hand's voices alone. */
export type LoopKind = keyof typeof LOOP_SURFACES
export const LOOP_KINDS = Object.keys(LOOP_SURFACES) as LoopKind[]

/**
 * Slots of a lick as a part of their own, over and over: a loop of what is selected.
 *
 * @example formatLine(loopPart(lickOf('line: RLLKRL'), { from: 2, to: 4 }).lick.line) // 'LK'
 */
export function loopPart(lick: Lick, range: SlotRange, kind: LoopKind = 'loop'): PracticePart {
  const loop = excerpt(lick, range.from, range.to)
  const slots = mapStrokes(loop.line.slots, LOOP_SURFACES[kind])
  return {
    kind,
    lick: { ...loop, line: { ...loop.line, slots }, frame: { ...loop.frame, start: 0 } },
    form: OVER,
    range,
  }
}

/** What of a lick begins in a stretch of it, to be shown by itself. */
export interface BarExcerpt {
  readonly lick: Lick
  /** The first tick of each of its slots from the beginning of the stretch, and the end of the last. */
  readonly slots: readonly Ticks[]
}

/**
 * What of a lick's line begins within some ticks, counted from its first barline; null where nothing does.
 *
 * @example barExcerpt(lick, 0, frameTicks(lick.frame).bar): its first bar
 */
export function barExcerpt(lick: Lick, from: Ticks, ticks: Ticks): BarExcerpt | null {
  const inside = lickSlots(lick).filter(({ tick }) => tick >= from && tick < from + ticks)
  const [first, last] = [inside[0], inside.at(-1)]
  if (!first || !last) return null
  return {
    lick: loopPart(lick, { from: first.index, to: last.index + 1 }).lick,
    slots: [...inside.map(({ tick }) => tick - from), last.tick + last.ticks - from],
  }
}

/**
 * A saved version of a lick as a part: the whole of it, in the bar.
 *
 * @example versionPart(lickOf('line: RLLK'), 'v1', 'Low toms').range // { from: 0, to: 4 }
 */
export function versionPart(version: Lick, id: string, name: string): PracticePart {
  const range = { from: 0, to: version.line.slots.length }
  return { kind: 'version', lick: version, form: barForm(version), range, name, version: id }
}

/**
 * The part that a key names, of those that a player adds to a plan: `loop 0-9`, `loop-right 0-9`, `version`
 * and an id. Undefined for slots that the lick does not have, and for versions that are gone.
 */
export function addedPart(
  lick: Lick,
  key: string,
  versions: readonly { readonly id: string; readonly name: string; readonly lick: Lick }[] = [],
): PracticePart | undefined {
  const [, kind, rest = ''] = /^([a-z-]+) (.+)$/.exec(key) ?? []
  if (kind === 'version') {
    const found = versions.find(({ id }) => id === rest)
    return found && found.lick.line.slots.length > 0
      ? versionPart(found.lick, found.id, found.name)
      : undefined
  }
  const loop = LOOP_KINDS.find((known) => known === kind)
  const [, from, to] = /^(\d+)-(\d+)$/.exec(rest) ?? []
  const range = { from: Number(from), to: Number(to) }
  const inLine = range.from < range.to && range.to <= lick.line.slots.length
  return loop && inLine ? loopPart(lick, range, loop) : undefined
}
