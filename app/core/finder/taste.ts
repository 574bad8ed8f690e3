import { hasAccent, type Limb, type SlotContent, strokeLimb } from '../sticking'
import { beginsOf } from './conditions/strokes'
import type { CellForm } from './forms'
import type { Space, Taste } from './question'
import { limbsOf, onsetsOf } from './watcher'

/** How well a form is liked at a place, and two neighbouring groups for their cells. Whole numbers. */
export interface Scores {
  readonly form: (form: CellForm, at: number) => number
  /** A number that is equal for places at which every form is liked alike. */
  readonly phase: (at: number) => number
  /** Whether any two neighbours are liked more than others. */
  readonly joins: boolean
  readonly join: (before: number | null, cell: number) => number
}

/** The scores of a taste: the score of a fill is the sum over its groups and its joins. */
export function scoresOf(taste: Taste, space: Space): Scores {
  const begins = beginsOf(space)
  const known = new Map<number, number>()
  const like = taste.like?.slots.map(limbsOf)
  const span = space.slots.length + 1
  const even = space.slots.every((ticks) => ticks === space.slots[0])
  // The first place in the beat that is the same, where only that matters.
  const phases = begins.map((tick) =>
    taste.offbeats ? begins.findIndex((one) => (one - tick) % space.beat === 0) : 0,
  )
  const phase = (at: number): number => (taste.like || !even ? at : (phases[at] ?? 0))
  const reckon = ({ slots, cell }: CellForm, at: number): number => {
    const { kicks = 0, offbeats = 0, doubles = 0, cells = [] } = taste
    let score = slots.length * (cells[cell] ?? 0)
    let before: readonly Limb[] = []
    for (const [i, content] of slots.entries()) {
      const ticks = space.slots[at + i] ?? 0
      for (const { strokes } of onsetsOf(content, ticks)) {
        const limbs = strokes.map(strokeLimb)
        score += doubles * limbs.filter((limb) => limb !== 'XH' && before.includes(limb)).length
        score += kicks * strokes.filter(({ letter }) => letter === 'K' || letter === 'J').length
        before = limbs
      }
      const off = (begins[at + i] ?? 0) % space.beat !== 0
      if (off && offbeats !== 0 && hasAccent(content)) score += offbeats
      if (like && like[at + i] === limbsOf(content)) score += taste.like?.weight ?? 0
    }
    return score
  }
  return {
    form: (form, at) => {
      const asked = form.index * span + phase(at)
      let score = known.get(asked)
      if (score === undefined) {
        score = reckon(form, at)
        known.set(asked, score)
      }
      return score
    },
    phase,
    joins: Boolean(taste.repeats),
    join: (before, cell) => (before === cell ? (taste.repeats ?? 0) : 0),
  }
}

/**
 * In how many slots two lines of one length differ by their limbs.
 *
 * @example distance(phrase('RLLR').slots, phrase('RLRL').slots) // 2
 */
export function distance(a: readonly SlotContent[], b: readonly SlotContent[]): number {
  return a.filter((content, i) => {
    const other = b[i]
    return !other || limbsOf(content) !== limbsOf(other)
  }).length
}
