import type { ConditionName, Question } from './question'
import { Ways } from './ways'

/** What a fill can be freed of: a condition, or how often cells must and may be used. */
export type Bolt = ConditionName | 'uses'

/** What opens where nothing obeys: conditions that are left out, and the ways that there are then. */
export interface Opening {
  readonly without: readonly Bolt[]
  readonly count: bigint
}

/** Why nothing obeys a question. */
export interface Door {
  /** Single conditions without which there are ways; where none opens it, pairs. Most ways first. */
  readonly openings: readonly Opening[]
  /** The nearest shorter and longer spaces that have ways, in slots, with all conditions kept. */
  readonly lengths: readonly { readonly slots: number; readonly count: bigint }[]
}

/** Spaces so many slots shorter and longer are tried. */
const FARTHEST = 8

/** Which conditions shut the door, for a question that no way obeys. */
export function doorOf(question: Question): Door {
  const bolts = boltsOf(question)
  let openings = bolts.flatMap((bolt) => opened(question, [bolt]))
  if (openings.length === 0)
    openings = bolts.flatMap((a, i) => bolts.slice(i + 1).flatMap((b) => opened(question, [a, b])))
  return {
    openings: openings.sort((a, b) => (a.count < b.count ? 1 : a.count > b.count ? -1 : 0)),
    lengths: [-1, 1].flatMap((by) => nearest(question, by)),
  }
}

/** Everything that a question asks for. */
function boltsOf({ conditions, cells }: Question): Bolt[] {
  // A pattern is what is asked for, and not a condition on it.
  const names = (Object.keys(conditions) as ConditionName[]).filter((name) => name !== 'pattern')
  const uses = cells.some(({ least = 0, most }) => least > 0 || most !== undefined)
  return uses ? [...names, 'uses'] : names
}

/**
 * A question without some of what it asks for.
 *
 * @example `without(question, ['speed'])` asks the same for any tempo
 */
export function without(question: Question, bolts: readonly Bolt[]): Question {
  const conditions = Object.fromEntries(
    Object.entries(question.conditions).filter(([name]) => !bolts.includes(name as Bolt)),
  )
  const cells = bolts.includes('uses')
    ? question.cells.map(({ phrase }) => ({ phrase }))
    : question.cells
  return { ...question, conditions, cells }
}

function opened(question: Question, bolts: readonly Bolt[]): Opening[] {
  const { count } = new Ways(without(question, bolts))
  return count > 0n ? [{ without: bolts, count }] : []
}

function nearest(question: Question, by: number): { slots: number; count: bigint }[] {
  const { space } = question
  const last = space.slots.at(-1) ?? 0
  for (let slots = space.slots.length + by, tries = 0; tries < FARTHEST; slots += by, tries += 1) {
    if (slots < 1) break
    // A pattern has as many slots as its space.
    if (question.conditions.pattern) break
    const longer = Array.from({ length: slots }, (_, i) => space.slots[i] ?? last)
    const { count } = new Ways({ ...question, space: { ...space, slots: longer } })
    if (count > 0n) return [{ slots, count }]
  }
  return []
}
