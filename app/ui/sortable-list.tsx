import { Accessibility, StyleInjector } from '@dnd-kit/dom'
import { DragDropProvider } from '@dnd-kit/react'
import { isSortable, useSortable } from '@dnd-kit/react/sortable'
import { GripVertical } from 'lucide-react'
import type { ComponentProps, ReactNode } from 'react'

interface SortableListProps {
  readonly label: string
  readonly className: string
  /** A row was put elsewhere: its id, and its number before and after, from 0. */
  readonly onMove: (id: string, from: number, to: number) => void
  readonly children: ReactNode
}

/** A list whose rows are moved by their handles: dragged, or lifted by space and carried by arrows. */
export function SortableList({ label, className, onMove, children }: SortableListProps) {
  return (
    <DragDropProvider
      plugins={plugins}
      onDragEnd={({ operation: { source }, canceled }) => {
        if (!canceled && isSortable(source))
          onMove(String(source.id), source.initialIndex, source.index)
      }}
    >
      <ol aria-label={label} className={className}>
        {children}
      </ol>
    </DragDropProvider>
  )
}

/** What ties a row of a list to its place: refs for the row and for its handle. `name` is said while it moves. */
export function useSortableRow(id: string, index: number, name: string) {
  return useSortable({ id, index, data: { name } })
}

/** The handle of a row, for the pointer and for the keys. */
export function MoveHandle({
  handleRef,
  name,
}: {
  readonly handleRef: (element: Element | null) => void
  readonly name: string
}) {
  return (
    <button
      ref={handleRef}
      type="button"
      aria-label={`Move: ${name}`}
      className="btn btn-ghost btn-square btn-xs cursor-grab touch-none"
      // The arrows carry the row here, and are nothing else's.
      onKeyDown={(event) => event.stopPropagation()}
    >
      <GripVertical size={14} aria-hidden />
    </button>
  )
}

type Plugins = NonNullable<ComponentProps<typeof DragDropProvider>['plugins']>

/** What the library tells of a move. */
interface Happening {
  readonly operation: { readonly source: unknown; readonly canceled: boolean }
}

interface Moved {
  readonly data?: { readonly name?: string }
  readonly index?: number
}

/** `Tightrope, row 3`: a row that moves, by its name. */
function rowWords(source: unknown): string {
  const { data, index } = (source ?? {}) as Moved
  return `${data?.name ?? 'The row'}, row ${(index ?? 0) + 1}`
}

/**
 * What is said while a row is moved is its name and its place; what is added to the page's styles meanwhile has what
 * the page's policy asks for.
 */
const plugins: Plugins = (usual) => [
  ...usual,
  Accessibility.configure({
    announcements: {
      dragstart: ({ operation: { source } }: Happening) => `Lifted ${rowWords(source)}.`,
      dragover: ({ operation: { source } }: Happening) => `${rowWords(source)}.`,
      dragend: ({ operation: { source, canceled } }: Happening) =>
        canceled ? `Put back: ${rowWords(source)}.` : `Dropped ${rowWords(source)}.`,
    },
    screenReaderInstructions: {
      draggable: 'Space lifts the row, the arrows move it, Space drops it, Escape puts it back.',
    },
  }),
  StyleInjector.configure({
    nonce: document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce ?? '',
  }),
]
