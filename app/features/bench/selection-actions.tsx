import { memo, type ReactNode, useCallback, useState } from 'react'
import { patternName } from '~/drawing/ruler/patterns'
import { lazyComponent } from '~/ui/lazy-component'
import { LoadBoundary } from '~/ui/load-boundary'
import { PopUp } from '~/ui/pop-up'
import { pressInRow, removeInRow } from '~/workspace/rows/rows'
import { PatternChoices } from './pattern-choices'
import {
  useBenchGrooves,
  usePlace,
  useSelection,
  useSlice,
  useWorkspace,
} from './state/use-workspace'
import {
  GRACE_KEYS,
  isWaiting,
  JOIN_KEYS,
  LEVEL_KEYS,
  LIMB_KEYS,
  type StrokeKey,
  waitingOf,
} from './stroke-keys'

/** Everything that can be done with the marked slots by pointing; the keys of the rows do the same. */
export default function SelectionActions({ children }: { children: ReactNode }) {
  const workspace = useWorkspace()
  const { range } = useSelection()
  const waiting = useSlice(waitingOf)
  const place = usePlace()
  const grooves = useBenchGrooves()
  const press = useCallback(
    (key: string) => pressInRow(workspace, key, grooves),
    [workspace, grooves],
  )
  const keys = [LIMB_KEYS, LEVEL_KEYS, ...(place ? [] : [GRACE_KEYS]), JOIN_KEYS]
  return (
    <div role="toolbar" aria-label="The selection" className="selection-actions paint-alone">
      <span className="w-14 shrink-0 text-(--quiet) text-xs tabular-nums">
        {place ? patternName(place.pattern) : slotWords(range)}
      </span>
      {keys.map((some, i) => (
        <span key={i} className={`flex shrink-0 ${some === LIMB_KEYS ? 'limb-keys' : ''}`}>
          {some.map((one) => (
            <KeyButton
              key={one.key}
              of={one}
              pressed={isWaiting(waiting, one.key)}
              onPress={press}
            />
          ))}
        </span>
      ))}
      <button
        type="button"
        className="action"
        onMouseDown={(event) => event.preventDefault()}
        onClick={() => removeInRow(workspace, false, grooves)}
      >
        remove
      </button>
      {place ? <PatternChoices /> : <MoreActions />}
      {!place && <span className="ml-auto">{children}</span>}
    </div>
  )
}

/** Drawn again only where it is pressed or let go: the marks move with every letter that is typed. */
const KeyButton = memo(function KeyButton({
  of,
  pressed,
  onPress,
}: {
  of: StrokeKey
  pressed: boolean
  onPress: (key: string) => void
}) {
  return (
    <button
      type="button"
      className={`action ${of.shown.length === 1 ? 'font-mono font-semibold' : ''}`}
      aria-label={of.name}
      aria-pressed={pressed}
      title={`${of.name} (${of.key === '-' ? '-' : of.key})`}
      // The focus stays where it is: in the line, or on the ruler.
      onMouseDown={(event) => event.preventDefault()}
      onClick={() => onPress(of.key)}
    >
      {of.shown}
    </button>
  )
})

function slotWords(range: { from: number; to: number } | null): string {
  if (!range) return 'at the end'
  return range.to - range.from === 1
    ? `slot ${range.from + 1}`
    : `slots ${range.from + 1}–${range.to}`
}

const MoreRows = lazyComponent(async () => (await import('./more-rows')).default)

/** What is done less often with the marked slots: slots, grids, bar checks, groups, the graces' drum. */
const MoreActions = memo(function MoreActions() {
  const [open, setOpen] = useState(false)
  return (
    <PopUp label="More for the selection" words="more" open={open} onOpen={setOpen}>
      <LoadBoundary what="The list">
        <MoreRows waiting={<p className="text-sm">Opening …</p>} onDone={() => setOpen(false)} />
      </LoadBoundary>
    </PopUp>
  )
})
