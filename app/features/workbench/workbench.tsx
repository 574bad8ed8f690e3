import { Search } from 'lucide-react'
import { lazy, memo, Suspense, useCallback, useDeferredValue, useMemo, useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { useSearchParams } from 'react-router'
import type { SlotRange } from '~/core/changes'
import type { Lick } from '~/core/line'
import { LoadBoundary } from '~/ui/load-boundary'
import { type Edit, type Scope, scopeRange, stepStart } from '~/workspace/edits/edits'
// At hand at once: what is typed right after its key would else go into the line.
import { Palette } from './palette'
import { TABS, type WorkbenchProps, type WorkbenchTab } from './panel-props'

/** Fetched when a panel is opened first: a lick can be typed and heard before that is here. */
const Panel = lazy(() => import('./panels'))

const SCOPE_LABELS: readonly (readonly [Scope, string])[] = [
  ['strokes', 'the strokes'],
  ['groups', 'their groups'],
  ['line', 'the whole line'],
]

/** Panels with a plan of the kit. */
const TALL: ReadonlySet<WorkbenchTab> = new Set(['voices', 'paths'])

/** Of lines longer than this, panels follow a moment after what is typed. */
const LONG = 256

/** Everything that is done with stickings besides typing them, panel by panel; closed at first. */
export function Workbench(props: WorkbenchProps) {
  const [search, setSearch] = useSearchParams()
  const tab = TABS.find(([id]) => id === search.get('panel'))?.[0]
  const [scope, setScope] = useState<Scope>('groups')
  const { selection, onEdit, onRefuse } = props
  const later = useDeferredValue(props.lick)
  const lick = props.lick.line.slots.length > LONG ? later : props.lick
  const edit = useCallback((made: Edit) => onEdit(made, lick), [onEdit, lick])
  const range = useMemo(() => scopeRange(lick, selection, scope), [lick, selection, scope])
  const [finding, setFinding] = useState(false)
  const find = useCallback(() => setFinding(true), [])
  useHotkeys('alt+c', find, {
    preventDefault: true,
    enableOnFormTags: ['textarea', 'input', 'select'],
  })
  useHotkeys(
    'alt+shift+left, alt+shift+right',
    (event) => step(event.key === 'ArrowLeft' ? -1 : 1),
    {
      preventDefault: true,
      enableOnFormTags: ['textarea'],
    },
  )
  const step = (way: 1 | -1) => {
    const stepped = stepStart(lick, way)
    if (stepped) edit(stepped)
    else onRefuse('The line can only start within its bar.')
  }
  const open = useCallback(
    (panel: WorkbenchTab | undefined) =>
      setSearch(panel ? { panel } : {}, { replace: true, preventScrollReset: true }),
    [setSearch],
  )
  return (
    <section aria-labelledby="workbench-title" className="min-w-0">
      <h2 id="workbench-title" className="sr-only">
        Workbench
      </h2>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <TabBar tab={tab} onOpen={open} onFind={find} />
        {tab && (
          <div className="ml-auto">
            <ScopeChoice
              scope={scope}
              selected={selection !== null}
              about={aboutWords(lick, range)}
              onChoose={setScope}
            />
          </div>
        )}
      </div>
      <div id="workbench-panel">
        {tab && (
          <div
            className={`mt-2 overflow-y-auto rounded-box border border-base-300 bg-base-100 p-3 sm:p-4 ${TALL.has(tab) ? 'lg:max-h-[50vh]' : 'lg:max-h-[36vh]'}`}
          >
            <LoadBoundary key={tab} what="This panel">
              <Suspense fallback={<p className="text-(--quiet) text-sm">Opening …</p>}>
                <Panel tab={tab} {...props} lick={lick} range={range} onEdit={edit} />
              </Suspense>
            </LoadBoundary>
          </div>
        )}
      </div>
      {finding && (
        <Palette
          lick={lick}
          selection={selection}
          onEdit={edit}
          onOpen={open}
          onClose={() => setFinding(false)}
        />
      )}
    </section>
  )
}

interface TabBarProps {
  readonly tab: WorkbenchTab | undefined
  readonly onOpen: (tab: WorkbenchTab | undefined) => void
  readonly onFind: () => void
}

/** The panels by name, and the way to everything else by its name. */
const TabBar = memo(function TabBar({ tab, onOpen, onFind }: TabBarProps) {
  return (
    <div className="paint-alone flex flex-wrap gap-0.5">
      {TABS.map(([id, label]) => (
        <button
          key={id}
          type="button"
          aria-expanded={tab === id}
          aria-controls="workbench-panel"
          className="rounded-field px-2 py-1 text-sm hover:bg-base-300 aria-expanded:bg-base-300 aria-expanded:font-semibold"
          onClick={() => onOpen(tab === id ? undefined : id)}
        >
          {label}
        </button>
      ))}
      <button
        type="button"
        className="flex items-center gap-1.5 rounded-field px-2 py-1 text-sm hover:bg-base-300"
        title="Find a change by name (Alt C)"
        onClick={onFind}
      >
        <Search size={15} aria-hidden /> Find
      </button>
    </div>
  )
})

function ScopeChoice({
  scope,
  selected,
  about,
  onChoose,
}: {
  scope: Scope
  selected: boolean
  /** Which slots that is now. */
  about: string
  onChoose: (scope: Scope) => void
}) {
  return (
    <select
      aria-label="What a change applies to"
      className="rounded-field border border-base-300 bg-base-100 px-2 py-1 text-sm disabled:opacity-60"
      value={selected ? scope : 'line'}
      disabled={!selected}
      onChange={(event) => onChoose(event.target.value as Scope)}
    >
      {SCOPE_LABELS.map(([value, label]) => (
        <option key={value} value={value}>
          {value === (selected ? scope : 'line') ? `${label}${about}` : label}
        </option>
      ))}
    </select>
  )
}

function aboutWords({ line }: Lick, { from, to }: SlotRange): string {
  if (line.slots.length === 0) return ''
  return to - from === 1 ? `: ${from + 1}` : `: ${from + 1} to ${to}`
}
