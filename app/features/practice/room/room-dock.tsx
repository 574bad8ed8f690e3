import {
  AudioLines,
  Gauge,
  History,
  ListOrdered,
  type LucideIcon,
  Maximize2,
  SlidersHorizontal,
  X,
} from 'lucide-react'
import { type ReactNode, useCallback } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { useSearchParams } from 'react-router'

/** A panel that can be opened beside the line. */
export interface DockPanel<Id extends string> {
  readonly id: Id
  readonly name: string
  readonly icon: LucideIcon
}

/** What can be opened beside the line of a lick, one at a time. */
export const ROOM_PANELS = [
  { id: 'steps', name: 'Steps', icon: ListOrdered },
  { id: 'tempos', name: 'Tempos', icon: Gauge },
  { id: 'playing', name: 'Playing', icon: SlidersHorizontal },
  { id: 'ear', name: 'Ear', icon: AudioLines },
  { id: 'history', name: 'History', icon: History },
] as const satisfies readonly DockPanel<string>[]
export type RoomPanel = (typeof ROOM_PANELS)[number]['id']

/** The panel that the address names, and the way to open another; null closes it. */
export function useRoomPanel() {
  const [search, setSearch] = useSearchParams()
  const named = search.get('panel')
  const open = useCallback(
    (panel: RoomPanel | null) =>
      setSearch(
        (now) => {
          if (panel) now.set('panel', panel)
          else now.delete('panel')
          return now
        },
        { replace: true, preventScrollReset: true },
      ),
    [setSearch],
  )
  return { panel: ROOM_PANELS.find(({ id }) => id === named)?.id ?? null, open }
}

/** The rail of the panels, the one that is open, and the way to the full screen where there is one. */
export function RoomDock<Id extends string>({
  panels,
  open,
  onOpen,
  onFull,
  children,
}: {
  panels: readonly DockPanel<Id>[]
  open: Id | null
  onOpen: (panel: Id | null) => void
  onFull?: () => void
  children: ReactNode
}) {
  const shown = panels.find(({ id }) => id === open)
  useHotkeys(
    panels.map((_, i) => `alt+${i + 1}`),
    (event) => {
      const id = panels[Number(event.code.replace('Digit', '')) - 1]?.id
      if (id) onOpen(id === open ? null : id)
    },
    { preventDefault: true },
  )
  return (
    <div className="dock flex min-h-0 min-w-0 gap-2">
      {shown && (
        <section
          key={shown.id}
          id="room-panel"
          aria-label={shown.name}
          className="dock-panel min-h-0 min-w-0 overflow-y-auto rounded-box border border-base-300 bg-base-100 p-3"
        >
          <div className="mb-2 flex items-baseline gap-2">
            <h2 className="font-semibold text-base">{shown.name}</h2>
            <button
              type="button"
              className="btn btn-ghost btn-square btn-xs ml-auto"
              aria-label={`Close ${shown.name}`}
              onClick={() => onOpen(null)}
            >
              <X size={15} aria-hidden />
            </button>
          </div>
          <div className="flex flex-col gap-4">{children}</div>
        </section>
      )}
      <nav aria-label="Panels" className="dock-rail paint-alone">
        {panels.map(({ id, name, icon: Icon }, i) => (
          <button
            key={id}
            type="button"
            aria-expanded={id === open}
            aria-controls="room-panel"
            title={`${name} (Alt ${i + 1})`}
            className="dock-tab"
            onClick={() => onOpen(id === open ? null : id)}
          >
            <Icon size={17} aria-hidden />
            {name}
          </button>
        ))}
        {onFull && (
          <button
            type="button"
            aria-keyshortcuts="s"
            title="Full screen (S)"
            className="dock-tab"
            onClick={onFull}
          >
            <Maximize2 size={17} aria-hidden />
            Full screen
          </button>
        )}
      </nav>
    </div>
  )
}
