import { watchGrouping, watchInRow, watchLast, watchSizes, watchUses } from './conditions/order'
import { watchPattern } from './conditions/pattern'
import { watchSpeed } from './conditions/speed'
import {
  watchAccents,
  watchClear,
  watchEnd,
  watchFree,
  watchKicks,
  watchKicksApart,
  watchKicksOn,
  watchLinear,
  watchRuns,
  watchStart,
} from './conditions/strokes'
import type { Question } from './question'
import type { Watcher } from './watcher'

/** The machines that hold a fill to a question: one for each condition, for speed one for each limb. */
export function watchersOf({ space, cells, conditions, taste, setting }: Question): Watcher[] {
  const { starts, ends, free, linear, accents, runs, kicks, kicksOn, speed, inRow, sizes } =
    conditions
  const { grouping, pattern } = conditions
  const wanted: (Watcher | null | undefined)[] = [
    watchUses(cells),
    inRow !== undefined && inRow > 0 ? watchInRow(inRow) : taste.repeats ? watchLast() : null,
    sizes && watchSizes(sizes),
    pattern && watchPattern(pattern, space),
    grouping && watchGrouping(grouping.sizes, grouping.ordered),
    starts && starts.length > 0 ? watchStart(starts, space) : null,
    ends && ends.length > 0 ? watchEnd(ends, space) : null,
    free && watchFree(free, space),
    linear && watchLinear(linear === 'layers', space),
    conditions.clear ? watchClear(space) : null,
    accents && watchAccents(accents, space),
    runs !== undefined ? watchRuns(runs, space) : null,
    kicks && watchKicks(kicks.least, kicks.most, space),
    conditions.kicksApart ? watchKicksApart(space) : null,
    kicksOn && kicksOn.length > 0 ? watchKicksOn(kicksOn, space) : null,
    ...(speed !== undefined ? watchSpeed(speed, setting, space) : []),
  ]
  return wanted.filter((one) => one != null)
}
