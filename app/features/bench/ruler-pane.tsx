import {
  type KeyboardEvent,
  type RefObject,
  useCallback,
  useDeferredValue,
  useEffect,
  useMemo,
  useRef,
  useState,
  useSyncExternalStore,
} from 'react'
import type { Phrase } from '~/core/changes'
import { patternsOf } from '~/core/groove'
import { type Lick, lickSlots } from '~/core/line'
import type { Ruler } from '~/drawing/ruler/layout'
import { patternName, type Under } from '~/drawing/ruler/patterns'
import { RulerView } from '~/drawing/ruler/ruler-view'
import { selectionWords } from '~/drawing/ruler/spoken'
import type { RulerGestures } from '~/drawing/ruler/use-slot-pointer'
import { useCounting, useStaffView } from '~/live/use-setting'
import { useCursor } from '~/session/cursor'
import { LateValue } from '~/ui/late-value'
import { lazyComponent } from '~/ui/lazy-component'
import { useMedia } from '~/ui/use-media'
import { useWidth } from '~/ui/use-width'
import type { ContourState } from '~/workspace/contour'
import { dragStart, dropText, moveGroup } from '~/workspace/gestures'
import type { PressedKey, RowKeys } from '~/workspace/rows/row-keys'
import type { WorkspaceState } from '~/workspace/workspace'
import { useOpenPanel } from './dock/dock'
import { useAnswers } from './state/use-answers'
import { usePlaying } from './state/use-playing'
import {
  useBenchGrooves,
  useBenchLick,
  useBenchPlayer,
  usePlayedTempo,
  useSelection,
  useSetting,
  useSlice,
  useVoiced,
  useWorkspace,
} from './state/use-workspace'
import { useFollow } from './use-follow'

const SelectionActions = lazyComponent(async () => (await import('./selection-actions')).default)
const ViewChoice = lazyComponent(async () => (await import('./view-choice')).default)

const rowOf = ({ row }: WorkspaceState) => row
const contourOf = ({ open, points }: ContourState) => (open ? points : null)
const previewOf = ({ preview }: WorkspaceState) => preview
const NO_CONTOUR = () => null
const NO_ENDINGS: readonly Phrase[] = []
const WIDE = '(width >= 1024px)'
const NARROW = '(width < 640px)'

/** The ruler in a frame that scrolls by itself, and under it what can be done with what is marked. */
export function RulerPane() {
  const scroller = useRef<HTMLDivElement>(null)
  const host = useRef<HTMLDivElement>(null)
  const ruler = useRef<Ruler | null>(null)
  const width = useWidth(host)
  const { playing, position } = useBenchPlayer()
  const { range, head } = useSelection()
  const slots = lickSlots(useBenchLick())
  const [focused, setFocused] = useState(false)
  const [headroom, setHeadroom] = useState(false)
  const keys = useRowKeys()
  const row = useSlice(rowOf)
  const { panel } = useOpenPanel()
  const [narrow, wide] = [useMedia(NARROW), useMedia(WIDE)]
  const compact = narrow || (!wide && panel !== undefined)
  useCursor(playing, position, ruler, host)
  useFollow(scroller, (range ? slots[head] : slots.at(-1))?.tick ?? null, playing, position, ruler)
  return (
    <section aria-label="Ruler" className="ruler-pane">
      <div
        ref={scroller}
        role="application"
        // biome-ignore lint/a11y/noNoninteractiveTabindex: it takes keys
        tabIndex={0}
        aria-label={`Slots: keys go to the ${rowName(row)}`}
        aria-describedby="ruler-help"
        className="ruler-scroller"
        data-scroller
        data-ruler
        onFocus={() => setFocused(true)}
        onBlur={() => setFocused(false)}
        onKeyDown={keys}
      >
        <p id="ruler-help" className="sr-only">
          Arrows move from slot to slot, Shift marks more, up and down change the row. Type a limb’s
          letter to replace a stroke. Escape goes to the line.
        </p>
        <Spoken focused={focused} />
        <div ref={host} className="min-w-0">
          {width > 0 && (
            <Slots
              width={width}
              compact={compact}
              edited={focused ? row : null}
              headroom={headroom}
              rulerRef={ruler}
            />
          )}
        </div>
      </div>
      {/* Its room is there before it is. */}
      <SelectionActions waiting={<div className="selection-actions min-h-8" />}>
        <ViewChoice headroom={headroom} onHeadroom={setHeadroom} />
      </SelectionActions>
    </section>
  )
}

/** What is marked, said while the ruler has the keys; in the line the screen reader reads the letters. */
function Spoken({ focused }: { focused: boolean }) {
  // Laid on the kit: what sounds is said, whoever laid it there.
  const lick = useDeferredValue(useVoiced())
  const { range } = useDeferredValue(useSelection())
  const counting = useCounting()
  return (
    <p className="sr-only" aria-live="polite">
      {focused ? selectionWords(lick, range, counting) || 'End of the line' : ''}
    </p>
  )
}

/** What the row that has the keys is called. */
function rowName(row: WorkspaceState['row']): string {
  return typeof row === 'string' ? row : patternName(row.pattern)
}

/** The rows under the line: its layers, and the groove while that is worked on. */
function useUnder(lick: Lick, row: WorkspaceState['row']): Under {
  const { panel } = useOpenPanel()
  const grooves = useBenchGrooves()
  const withGroove = panel?.id === 'feet' || (typeof row !== 'string' && row.pattern === 'groove')
  return useMemo(
    () => ({ grooves, ids: patternsOf(lick).filter((id) => withGroove || id !== 'groove') }),
    [grooves, lick, withGroove],
  )
}

interface SlotsProps {
  readonly width: number
  readonly compact: boolean
  readonly edited: WorkspaceState['row'] | null
  readonly headroom: boolean
  readonly rulerRef: RefObject<Ruler | null>
}

function Slots({ width, compact, edited, headroom, rulerRef }: SlotsProps) {
  const workspace = useWorkspace()
  const counting = useCounting()
  const setting = useSetting()
  const staffView = useStaffView(setting)
  const voiced = useVoiced()
  const preview = useSlice(previewOf)
  const row = useSlice(rowOf)
  const { range } = useSelection()
  const bottleneck = useAnswers()?.bottleneck ?? null
  const tempo = usePlayedTempo()
  const later = useDeferredValue(voiced)
  const playing = usePlaying()
  const shownHeadroom = useMemo(
    () =>
      headroom && playing ? { moves: playing.movesOf(later, 'landing', setting), tempo } : null,
    [headroom, playing, later, setting, tempo],
  )
  const { contour } = workspace
  const drawn = useSyncExternalStore(
    contour.subscribe,
    () => contourOf(contour.state()),
    NO_CONTOUR,
  )
  const drawing = drawn !== null
  const typed = useBenchLick()
  const endings = useSyncExternalStore(
    workspace.endings.subscribe,
    workspace.endings.read,
    workspace.endings.read,
  )
  const gestures = useMemo(
    (): RulerGestures => ({
      onDraw: drawing ? contour.draw : null,
      onMark: (anchor, head, pressed) =>
        workspace.together(() => {
          workspace.editRow(pressed)
          workspace.mark(anchor, head)
        }),
      onPattern: (at) => workspace.editRow(at),
      onGroup: (group) => {
        const { range: marked } = workspace.state().selection
        if (marked?.from === group.from && marked.to === group.to) workspace.widen()
        else workspace.select(group)
      },
      onShift: (ticks) => dragStart(workspace, ticks),
      onMoveGroup: (from, to) => moveGroup(workspace, from, to),
      onDropText: (slot, text) => dropText(workspace, slot, text),
    }),
    [workspace, contour, drawing],
  )
  const { derived } = workspace
  const lick = preview ? derived.laid(preview.lick, preview.voicing) : voiced
  const under = useUnder(lick, row)
  return (
    <RulerView
      lick={lick}
      width={width}
      compact={compact}
      ghost={preview !== null}
      edited={preview || typeof edited !== 'string' ? null : edited}
      place={preview || typeof row === 'string' ? null : row}
      under={under}
      counting={counting}
      staffView={staffView}
      selection={preview ? preview.range : range}
      gestures={gestures}
      bottleneck={preview ? null : bottleneck}
      headroom={preview ? null : shownHeadroom}
      contour={drawn}
      endings={preview || endings.of !== typed ? NO_ENDINGS : endings.phrases}
      rulerRef={rulerRef}
    />
  )
}

/** Fetched once the page stands: nobody types on the ruler before it is there. */
const KEYS = new LateValue(async () => (await import('~/workspace/rows/row-keys')).RowKeys)
const NAMED = /^(Arrow|Home$|End$|Delete$|Backspace$|Insert$|Enter$)/

/** The keys that are typed in the rows of the ruler; those that come before it can read them wait. */
function useRowKeys(): (event: KeyboardEvent<HTMLElement>) => void {
  const workspace = useWorkspace()
  const { toggle } = useBenchPlayer()
  const { kit } = useSetting()
  const grooves = useBenchGrooves()
  const keys = useRef<RowKeys | null>(null)
  const early = useRef<PressedKey[]>([])
  const context = useRef({ kit, grooves, play: toggle })
  context.current = { kit, grooves, play: toggle }
  useEffect(() => {
    const come = () => {
      const now = KEYS.state()
      if (now.kind !== 'here' || keys.current) return
      keys.current = new now.value(workspace)
      for (const pressed of early.current.splice(0)) keys.current.press(pressed, context.current)
    }
    const leave = KEYS.subscribe(come)
    come()
    return () => {
      leave()
      keys.current = null
    }
  }, [workspace])
  return useCallback((event) => {
    if (event.altKey || event.metaKey) return
    const { key, shiftKey, ctrlKey, timeStamp } = event
    const pressed = { key, shiftKey, ctrlKey, at: timeStamp }
    const typed = NAMED.test(key) || (key.length === 1 && !ctrlKey)
    if (!keys.current && typed) early.current.push(pressed)
    const done = keys.current ? keys.current.press(pressed, context.current) : typed
    if (!done) return
    event.preventDefault()
    event.stopPropagation()
  }, [])
}
