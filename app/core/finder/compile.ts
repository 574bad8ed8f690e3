import { watchGrouping, watchInRow, watchLast, watchSizes, watchUses } from './conditions/order'
import { watchPattern } from './conditions/pattern'
import { watchSpeed } from './conditions/speed'
import {
  watchAccents,
  watchBackbeat,
  watchClear,
  watchEnd,
  watchFree,
  watchFresh,
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
  const { grouping, pattern, backbeat, fresh } = conditions
  const wanted: (Watcher | null | undefined)[] = [
    watchUses(cells),
    inRow !== undefined && inRow > 0 ? watchInRow(inRow) : taste.repeats ? watchLast() : null,
    sizes && watchSizes(sizes, space),
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
    backbeat && watchBackbeat(backbeat.letter, backbeat.slots, space),
    ...(fresh ? fresh.lines.map((line) => watchFresh(fresh.least, line, space)) : []),
    ...(speed !== undefined ? watchSpeed(speed, setting, space) : []),
  ]
  return wanted.filter((one) => one != null)
}
