import { patternOf } from '~/core/groove'
import type { OstinatoScope } from '~/core/line'
import { ALL_GRIDS, findGrid, gridName } from '~/core/time'
import { Pick } from '~/ui/pick'
import { gridWords } from '~/words/grid-words'
import { capital } from '~/words/move-words'
import { regridMarked, scopeMarked } from '~/workspace/rows/pattern-row'
import { useBenchGrooves, useBenchLick, usePlace, useWorkspace } from './state/use-workspace'

/** Under what a layer sounds, in words. */
export const SCOPES: readonly (readonly [OstinatoScope, string])[] = [
  ['all', 'groove and fill'],
  ['fill', 'the fill only'],
  ['groove', 'the groove only'],
]
const GRIDS = ALL_GRIDS.map((grid) => [gridName(grid), capital(gridWords(grid))] as const)

/** The grid of the pattern that has the keys, and under what it sounds. */
export function PatternChoices() {
  const workspace = useWorkspace()
  const lick = useBenchLick()
  const grooves = useBenchGrooves()
  const place = usePlace()
  const pattern = place && patternOf(lick, place.pattern, grooves)
  if (!place || !pattern) return null
  const layer = place.pattern === 'groove' ? undefined : lick.ostinatos[place.pattern]
  return (
    <span className="pattern-choices">
      <Pick
        label="Grid of this row"
        value={gridName(pattern.grid)}
        options={GRIDS}
        onPick={(name) => {
          const grid = findGrid(name)
          if (grid) regridMarked(workspace, grid, grooves)
        }}
      />
      {layer && (
        <Pick
          label="Where this layer sounds"
          value={layer.scope}
          options={SCOPES}
          onPick={(scope) => scopeMarked(workspace, scope, grooves)}
        />
      )}
    </span>
  )
}
