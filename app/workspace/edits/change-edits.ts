import type { Change } from '~/core/change-list'
import {
  addSwell,
  leaveOut,
  mapStrokes,
  originsOf,
  type Phrase,
  phraseOf,
  plainStrokes,
  type SlotRange,
  withoutGraces,
} from '~/core/changes'
import {
  frameTicks,
  type Lick,
  lickSlots,
  limbClashes,
  lineEvents,
  type StrokeEvent,
} from '~/core/line'
import { type Letter, type Level, type Limb, REST, type Stroke, strokeLimb } from '~/core/sticking'
import { type Edit, replaceRange } from './edits'

/** What a named change makes of a range. */
export function changedPhrase(lick: Lick, range: SlotRange, change: Change): Phrase {
  const { beat } = frameTicks(lick.frame)
  const slots = lickSlots(lick)
  return change.apply(phraseOf(lick.line, range), {
    onBeat: (slot) => (slots[range.from + slot]?.tick ?? 1) % beat === 0,
  })
}

/** The edit of a named change. */
export function applyChange(lick: Lick, range: SlotRange, change: Change): Edit {
  const after = changedPhrase(lick, range, change)
  const origins =
    change.origins?.(range.to - range.from) ??
    originsOf(phraseOf(lick.line, range).slots, after.slots)
  return replaceRange(lick, range, after, change.name, origins)
}

/** The edit that lets the plain strokes of a range swell; null where fewer than two would. */
export function swellEdit(lick: Lick, range: SlotRange, start: Level, end: Level): Edit | null {
  if (range.to - range.from < 2 || plainStrokes(lick, range) < 2) return null
  return {
    label: `Swell from ${start} to ${end}`,
    lick: addSwell(lick, range, start, end),
    select: range,
  }
}

/**
 * The slots of a range in groups of these sizes. Where the sizes ask for more slots than there are,
 * rests are added, to be filled; what they leave over is a last group.
 */
export function groupAs(lick: Lick, range: SlotRange, sizes: readonly number[]): Edit {
  const { slots } = phraseOf(lick.line, range)
  const asked = sizes.reduce((sum, size) => sum + size, 0)
  const rests = Array.from({ length: Math.max(0, asked - slots.length) }, () => REST)
  const over = Math.max(0, slots.length - asked)
  const groups = over > 0 ? [...sizes, over] : sizes
  return replaceRange(lick, range, { slots: [...slots, ...rests], groups }, 'Group')
}

/** Sizes as they are typed: `5 4 7`, `5+4+7`, `5, 4, 7`; undefined where they are none. */
export function findSizes(typed: string): number[] | undefined {
  const words = typed
    .trim()
    .split(/[\s+,]+/)
    .filter(Boolean)
  const sizes = words.map(Number)
  const fine = sizes.every((size) => Number.isInteger(size) && size >= 1 && size <= 256)
  return fine && sizes.length > 0 && sizes.length <= 512 ? sizes : undefined
}

const LETTERS_OF: Readonly<Record<Limb, readonly Letter[]>> = {
  RH: ['R'],
  LH: ['L'],
  XH: ['X'],
  RF: ['K'],
  LF: ['H', 'J'],
}

/** The line without a limb's strokes, and without the graces that it plays, where an ostinato wants that limb too. */
export function leaveOutClashing(lick: Lick, limb: Limb): Edit {
  const ticks = new Set(
    limbClashes(lick)
      .filter((clash) => clash.limb === limb)
      .map(({ tick }) => tick),
  )
  const clashing = lineEvents(lick).filter(({ tick }) => ticks.has(tick))
  const slotsOf = (isMeant: (event: StrokeEvent) => boolean) =>
    new Set(clashing.filter(isMeant).map(({ slot }) => slot))
  const struck = slotsOf((event) => event.limb === limb)
  const graced = slotsOf((event) => event.graceLimb === limb)
  const slots = lick.line.slots.map((content, slot) => {
    const left = struck.has(slot)
      ? LETTERS_OF[limb].reduce(
          (some, letter) => leaveOut({ slots: [some], groups: [1] }, letter).slots[0] ?? some,
          content,
        )
      : content
    if (!graced.has(slot)) return left
    const plain = (stroke: Stroke) => (strokeLimb(stroke) === limb ? stroke : withoutGraces(stroke))
    return mapStrokes([left], plain)[0] ?? left
  })
  const all = { from: 0, to: slots.length }
  return replaceRange(
    lick,
    all,
    { slots, groups: lick.line.groups },
    'Turn clashing strokes into rests',
  )
}
