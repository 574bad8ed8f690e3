import { gridAt } from '~/core/changes'
import { SURFACE_NAMES, type Surface } from '~/core/sticking'
import { ALL_GRIDS, beatTicks, findGrid, gridName } from '~/core/time'
import { SelectField } from '~/ui/field'
import { gridWords, perBeatWords } from '~/words/grid-words'
import { capital } from '~/words/move-words'
import { type Edit, gridFrom } from '~/workspace/edits/edits'
import { groupingEdits } from '~/workspace/edits/grouping-edits'
import { graceOn, hasGraces } from '~/workspace/edits/voice-edits'
import { insertInRow } from '~/workspace/rows/rows'
import {
  useBenchGrooves,
  useBenchLick,
  useRange,
  useSelection,
  useWorkspace,
} from './state/use-workspace'

const GRACE_SURFACES: readonly Surface[] = ['sn', 't1', 't2', 'f1', 'hh', 'rd']

/** What the window of further actions holds; fetched when it is opened first. */
export default function MoreRows({ onDone }: { onDone: () => void }) {
  const workspace = useWorkspace()
  const lick = useBenchLick()
  const grooves = useBenchGrooves()
  const range = useRange()
  const { range: marked } = useSelection()
  const act = (work: () => void) => () => {
    onDone()
    work()
  }
  const at = marked?.from ?? lick.line.slots.length
  const grid = gridAt(lick.line, at, lick.frame.grid)
  const beat = beatTicks(lick.frame.meter)
  const edit = (made: Edit | null) => made && workspace.edit(made)
  return (
    <>
      <div className="flex flex-col">
        <button
          type="button"
          className="menu-row"
          onClick={act(() => insertInRow(workspace, grooves))}
        >
          Insert a rest before
        </button>
        {groupingEdits(lick, marked, range).map(({ label, edit: made }) => (
          <button
            key={label}
            type="button"
            className="menu-row"
            disabled={!made}
            onClick={act(() => edit(made))}
          >
            {label}
          </button>
        ))}
      </div>
      <SelectField
        label="Grid from here on"
        value={gridName(grid)}
        options={ALL_GRIDS.map((one) => ({
          value: gridName(one),
          label: `${capital(gridWords(one))}, ${perBeatWords(one, beat)}`,
        }))}
        onChange={(name) => {
          const found = findGrid(name)
          if (found) act(() => edit(gridFrom(lick, at, found)))()
        }}
      />
      {hasGraces(lick, range) && (
        <SelectField
          label="Graces on"
          value=""
          options={[
            { value: '', label: 'choose …' },
            { value: 'stroke', label: 'the drum of their strokes' },
            ...GRACE_SURFACES.map((one) => ({ value: one, label: SURFACE_NAMES[one] })),
          ]}
          onChange={(value) =>
            act(() => edit(graceOn(lick, range, value === 'stroke' ? null : (value as Surface))))()
          }
        />
      )}
    </>
  )
}
