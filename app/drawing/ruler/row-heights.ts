import type { PatternId } from '~/core/groove'
import { landingStrokes } from '~/core/line'
import { LIMB_OF_LETTER, type Limb, type SlotContent } from '~/core/sticking'
import { ownLanding, type Scene } from './view'

/** Heights of the rows of one system, from the top; all figures in pixels. */
export interface RowHeights {
  readonly stacks: number
  readonly letters: number
  readonly pitch: number
  /** Room for swells, 0 where there are none. */
  readonly swells: number
  readonly lanes: readonly Limb[]
  /** What goes round under the line and has a row of its own. */
  readonly patterns: readonly PatternId[]
}

export const COUNT_BASELINE = 19
/** How far down the counts reach. */
export const COUNT_ROW = 28
const BRACKET = 16
export const LANE = 17
const VOICES = 24
/** Of the row of a pattern under the line; the groove's has its voices besides. */
export const PATTERN = 20
const GROOVE_VOICES = 14
export const TALLEST_STACK = 24
const LETTER = 17
const SWELLS = 18
/** The tallest stacks, in pixels. */
const STACKS = 104

/**
 * How tall the rows have to be for what stands in any of them. Compact rows have no limbs, and lower
 * stacks.
 */
export function rowHeights({ lick, under }: Scene, slotWidth: number, compact = false): RowHeights {
  const { groups, slots } = lick.line
  const largest = groups.reduce((most, size) => Math.max(most, size), 2)
  const tallest = Math.min(TALLEST_STACK, largest)
  const pitch = Math.min(slotWidth < 30 ? 9 : 11, Math.max(3.5, (compact ? 60 : STACKS) / tallest))
  const landing = ownLanding(lick)
  const together = Math.max(
    mostTogether(slots),
    mostTogether(lick.pickup.slots),
    landing ? mostTogether([landing]) : 1,
  )
  const used = limbsOf([slots, lick.pickup.slots, ...lick.ostinatos.map(({ line }) => line.slots)])
  for (const { limb } of landingStrokes(lick)) used.add(limb)
  return {
    stacks: tallest * pitch + 8,
    letters: 22 + LETTER * together,
    pitch,
    swells: lick.frame.swells.length > 0 ? SWELLS : 0,
    lanes: compact
      ? []
      : (['RH', 'LH', 'XH', 'RF', 'LF'] as const).filter((limb) => used.has(limb)),
    patterns: compact ? [] : under.ids,
  }
}

/** How many strokes stand over each other at the most. */
function mostTogether(slots: readonly SlotContent[]): number {
  let most = 1
  for (const slot of slots)
    if (slot.kind === 'struck' && slot.strokes.length > most) most = slot.strokes.length
  return most
}

/** Where each part of a row begins, and how tall the whole is: on the page too, to be measured. */
export function rowParts(heights: RowHeights) {
  const stacksBottom = COUNT_ROW + heights.stacks
  const lettersBaseline = stacksBottom + BRACKET + heights.letters - 6
  const lanesTop = lettersBaseline + 14 + heights.swells
  const voicesBaseline = lanesTop + heights.lanes.length * LANE + 17
  return {
    stacksTop: COUNT_ROW,
    stacksBottom,
    bracketBottom: stacksBottom + BRACKET,
    lettersBaseline,
    swellsMiddle: lettersBaseline + 6 + heights.swells / 2,
    lanesTop,
    voicesBaseline,
    patternsTop: voicesBaseline + VOICES - 17,
    height:
      voicesBaseline +
      VOICES -
      17 +
      heights.patterns.length * PATTERN +
      (heights.patterns.includes('groove') ? GROOVE_VOICES : 0),
  }
}

/** Every limb that any of the slots asks for. */
function limbsOf(lines: readonly (readonly SlotContent[])[]): Set<Limb> {
  const limbs = new Set<Limb>()
  const add = (struck: SlotContent) => {
    if (struck.kind !== 'struck') return
    for (const { letter } of struck.strokes) limbs.add(LIMB_OF_LETTER[letter])
  }
  for (const slots of lines)
    for (const slot of slots) {
      if (slot.kind === 'squeeze') slot.parts.forEach(add)
      else add(slot)
    }
  return limbs
}
