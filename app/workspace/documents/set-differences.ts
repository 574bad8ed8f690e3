import { isEqual } from '~/core/foundation'
import type { SetRecord } from '~/storage'
import { plural } from '~/words/figures'

/**
 * In what a set differs from another version of it, each a line; none where they are the same. Exercises are
 * compared by their licks, wherever these stand.
 *
 * @example of one whose licks were shuffled: `The order of the exercises`
 */
export function setDifferences(theirs: SetRecord, mine: SetRecord): string[] {
  const fields = [
    ['Name', theirs.name, mine.name],
    ['Note', theirs.note, mine.note],
    ['Minutes each', String(theirs.minutes), String(mine.minutes)],
  ] as const
  const lines = fields.flatMap(([name, was, is]) =>
    was === is ? [] : [`${name}: ${was || 'none'} in the other, ${is || 'none'} in yours`],
  )
  if (!isEqual(theirs.plan, mine.plan)) lines.push('The plan of the set')
  const [others, own] = [byLick(theirs), byLick(mine)]
  const onlyOther = [...others.keys()].filter((id) => !own.has(id)).length
  const onlyOwn = [...own.keys()].filter((id) => !others.has(id)).length
  if (onlyOther > 0) lines.push(`${plural(onlyOther, 'exercise')} only in the other`)
  if (onlyOwn > 0) lines.push(`${plural(onlyOwn, 'exercise')} only in yours`)
  const both = [...own.keys()].filter((id) => others.has(id))
  const inTheirs = [...others.keys()].filter((id) => own.has(id))
  if (!isEqual(both, inTheirs)) lines.push('The order of the exercises')
  const differing = (part: 'minutes' | 'plan') =>
    both.filter((id) => !isEqual(own.get(id)?.[part], others.get(id)?.[part])).length
  const [minutes, plans] = [differing('minutes'), differing('plan')]
  if (minutes > 0) lines.push(`The minutes of ${plural(minutes, 'exercise')}`)
  if (plans > 0) lines.push(`The plan of ${plural(plans, 'exercise')}`)
  return lines
}

function byLick({ exercises }: SetRecord): Map<string, SetRecord['exercises'][number]> {
  return new Map(exercises.map((exercise) => [exercise.lickId, exercise]))
}
