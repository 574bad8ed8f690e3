import { findPhrase, gridAt, type Phrase, phraseOf, startsOf } from '../changes'
import { aimOf, frameTicks, type Lick, strokeEvents } from '../line'
import { characterOf, movesTooFast, type PlayContext } from '../playability'
import type { Letter } from '../sticking'
import { gridTicks } from '../time'
import type { Conditions, FinderCell, Question } from './question'
import { type Way, Ways } from './ways'

/** What fills up a line that is short of its space, and the limb that it ends on. */
export interface LineEnding {
  readonly phrase: Phrase
  readonly ends: Letter
}

/** Limbs to end on: so that the right hand, the left, or both are free to land. */
const ENDS = ['L', 'R', 'K'] as const
/** What lines are ended with, beside what they are made of. */
const USUAL = ['RL', 'RLK', 'RLRL', 'RLLK', 'RLRR', 'RLLRL', 'RLLRRL'].map(
  (line): FinderCell => ({ phrase: findPhrase(line) as Phrase }),
)
/** What the line is made of is liked so much better, for each slot, than a double is disliked. */
const OWN_WEIGHT = 2
/** What is left of a longer space is not filled by one ending. */
const MOST_SLOTS = 32
/** Two in a row are natural, more only in a line that has more itself. */
const NATURAL_RUN = 2

/**
 * The best ways to fill what is left of a line's space, one for each limb to end on: made of the line's own groups
 * and of usual cells, led by either hand, the last one cut where the space ends. No limb plays on for longer than in
 * the line itself, joins counted, and what the line bears at its tempo its ending does too. Nothing where the line is
 * empty, fills its space, or leaves no whole number of slots.
 *
 * @example lineEndings(lickOf('line: RLLRL RLLRL'), DEFAULT_SETTING).map(({ ends }) => ends) // ['L', 'R', 'K']
 */
export function lineEndings(lick: Lick, setting: PlayContext): LineEnding[] {
  const { line, frame } = lick
  const { end, left, target } = aimOf(lick)
  const ticks = gridTicks(gridAt(line, line.slots.length, frame.grid))
  const length = left / ticks
  if (line.slots.length === 0 || !Number.isInteger(length) || length < 1 || length > MOST_SLOTS)
    return []
  const layers = strokeEvents(lick).filter(
    ({ layer, tick }) => layer > 0 && tick >= end && tick < target,
  )
  const bare = { ...lick, ostinatos: [] }
  const bears = movesTooFast(bare, 'line', setting, frame.tempo).length === 0
  const { longestRun } = characterOf(lick, setting.kit, frame.tempo)
  const conditions: Conditions = {
    runs: Math.max(NATURAL_RUN, longestRun?.length ?? 0),
    ...(layers.length > 0 && { clear: true }),
    ...(bears && { speed: frame.tempo }),
  }
  const own = ownCells(lick)
  const question: Question = {
    space: {
      start: end,
      slots: Array.from({ length }, () => ticks),
      beat: frameTicks(frame).beat,
      layers,
    },
    cells: [...own, ...USUAL],
    forms: { inversions: false, mirrors: true, cut: true },
    conditions,
    taste: { doubles: -1, cells: own.map(() => OWN_WEIGHT) },
    setting,
    before: line.slots,
  }
  return ENDS.flatMap((ends): LineEnding[] => {
    const [best] = new Ways({ ...question, conditions: { ...conditions, ends: [ends] } }).best(
      1,
    ).ways
    return best ? [{ phrase: (best as Way).phrase, ends }] : []
  })
}

/** The groups of a line, each once. */
function ownCells({ line }: Lick): FinderCell[] {
  const starts = startsOf(line.groups)
  return line.groups.map((size, i) => {
    const from = starts[i] as number
    return { phrase: { ...phraseOf(line, { from, to: from + size }), groups: [size] } }
  })
}
