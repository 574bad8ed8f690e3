import { X } from 'lucide-react'
import { memo, useCallback } from 'react'
import { useSearchParams } from 'react-router'
import type { SlotRange } from '~/core/changes'
import type { Lick } from '~/core/line'
import { LoadBoundary } from '~/ui/load-boundary'
import { plural, slotsWords } from '~/words/figures'
import { capital } from '~/words/move-words'
import { useBenchLick, useSelection } from '../state/use-workspace'
import { MOVED_PANELS, PANELS, type Panel } from './panel-list'

/** The panel that the address names, and the way to open another; undefined closes it. */
export function useOpenPanel() {
  const [search, setSearch] = useSearchParams()
  const id = search.get('panel')
  const known = id !== null
  // The way back closes what was opened; from panel to panel is no way.
  const open = useCallback(
    (panel: string | undefined) =>
      setSearch(panel ? { panel } : {}, {
        replace: known || panel === undefined,
        preventScrollReset: true,
      }),
    [setSearch, known],
  )
  // Behind a colon the address may name a part of it.
  const [named = ''] = id?.split(':') ?? []
  return { panel: PANELS.find((one) => one.id === (MOVED_PANELS[named] ?? named)), open }
}

/**
 * One panel at a time beside the rail of their names; on a narrow page a sheet over the lower half.
 * What a panel acts on is said in its first line.
 */
export function Dock() {
  const { panel, open } = useOpenPanel()
  return (
    <div className="dock flex min-h-0 min-w-0 gap-2">
      {panel && (
        <section
          key={panel.id}
          id="dock-panel"
          data-panel={panel.id}
          aria-label={panel.name}
          className="dock-panel relative min-h-0 min-w-0 overflow-y-auto rounded-box border border-base-300 bg-base-100 p-3"
        >
          <div className="mb-2 flex items-baseline gap-2 pointer-coarse:items-center">
            <h2 className="font-semibold text-base">{panel.name}</h2>
            <About whole={panel.whole} />
            <button
              type="button"
              className="btn btn-ghost btn-square btn-xs ml-auto self-start"
              aria-label={`Close ${panel.name}`}
              onClick={() => open(undefined)}
            >
              <X size={15} aria-hidden />
            </button>
          </div>
          <LoadBoundary key={panel.id} what="This panel">
            <div data-panel-body>
              <panel.View waiting={<p className="text-(--quiet) text-sm">Opening …</p>} />
            </div>
          </LoadBoundary>
        </section>
      )}
      <Rail open={panel} onOpen={open} />
    </div>
  )
}

/** What a change would be about. */
function About({ whole }: { whole: boolean }) {
  const lick = useBenchLick()
  const { range } = useSelection()
  return (
    <p className="min-w-0 text-(--quiet) text-xs" data-about>
      {whole ? 'The whole lick' : aboutWords(lick, range)}
    </p>
  )
}

const Rail = memo(function Rail({
  open,
  onOpen,
}: {
  open: Panel | undefined
  onOpen: (id: string | undefined) => void
}) {
  return (
    <nav aria-label="Panels" className="dock-rail paint-alone">
      {PANELS.map(({ id, name, icon: Icon, View }, i) => (
        <button
          key={id}
          type="button"
          aria-expanded={open?.id === id}
          aria-controls="dock-panel"
          title={`${name} (${panelKey(i)})`}
          className="dock-tab"
          onPointerEnter={() => void View.preload()}
          onClick={() => onOpen(open?.id === id ? undefined : id)}
        >
          <Icon size={17} aria-hidden />
          {name}
        </button>
      ))}
    </nav>
  )
})

/** The key of a panel: `Alt 1` for the first, `Alt 0` for the tenth, then `Alt Shift 1`. */
export function panelKey(index: number): string {
  const digit = (index + 1) % 10
  return index < 10 ? `Alt ${digit}` : `Alt Shift ${digit}`
}

/** What a panel acts on: `Slot 6`, `Slots 6 and 7`, `Slots 3 to 8`, `The whole line: 10 slots`. */
function aboutWords({ line }: Pick<Lick, 'line'>, range: SlotRange | null): string {
  const size = line.slots.length
  if (size === 0) return 'No strokes yet'
  if (!range) return `The whole line: ${plural(size, 'slot')}`
  if (range.to - range.from === size && size > 1) return `The whole line: ${plural(size, 'slot')}`
  return capital(slotsWords(range))
}
