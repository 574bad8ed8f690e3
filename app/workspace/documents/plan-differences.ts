import type { PlanRecord } from '~/storage'
import { LADDER_WORDS, ORDER_WORDS } from '~/words/plan-words'

/** In what a plan differs from another, each a line as `Repeats: 4 in theirs, 8 in yours`. */
export function planDifferences(theirs: PlanRecord, mine: PlanRecord): string[] {
  const rungs = ({ rungs, rungGrids }: PlanRecord) =>
    rungs?.map((tempo, i) => `${tempo}${rungGrids?.[i] ? ` in ${rungGrids[i]}` : ''}`).join(', ') ??
    'as proposed'
  const steps = (plan: PlanRecord) =>
    plan.steps.map(({ part, skipped, form }) => [part, skipped, form])
  const fields: [string, string, string][] = [
    ['Order', ORDER_WORDS[theirs.school], ORDER_WORDS[mine.school]],
    ['Ladder', LADDER_WORDS[theirs.ladder], LADDER_WORDS[mine.ladder]],
    ['Tempos', rungs(theirs), rungs(mine)],
    ['Repeats', String(theirs.repeats), String(mine.repeats)],
    ['Climbs by itself', theirs.climbs ? 'yes' : 'no', mine.climbs ? 'yes' : 'no'],
  ]
  const lines = fields.flatMap(([name, was, is]) => (was === is ? [] : compared(name, was, is)))
  const [a, b] = [steps(theirs), steps(mine)]
  const changed = Array.from({ length: Math.max(a.length, b.length) }, (_, i) => i).filter(
    (i) => JSON.stringify(a[i]) !== JSON.stringify(b[i]),
  )
  if (changed.length > 0) lines.push(`Steps that differ: ${changed.map((i) => i + 1).join(', ')}`)
  return lines
}

function compared(name: string, theirs: string, mine: string): string {
  return `${name}: ${theirs} in the other, ${mine} in yours`
}
