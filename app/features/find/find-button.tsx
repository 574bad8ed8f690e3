import { Search } from 'lucide-react'
import { useEffect, useId, useState } from 'react'
import { lazyComponent } from '~/ui/lazy-component'
import { LoadBoundary } from '~/ui/load-boundary'
import { Modal } from '~/ui/modal'
import type { ListKey } from './sources'

/** The field of the app bar that finds commands, cells and licks. */
export function FindButton() {
  const [open, setOpen] = useState(false)
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey || event.shiftKey) return
      if (event.key.toLowerCase() !== 'k') return
      event.preventDefault()
      setOpen(true)
    }
    document.addEventListener('keydown', press)
    return () => document.removeEventListener('keydown', press)
  }, [])
  return (
    <>
      <button
        type="button"
        className="flex h-8 min-w-8 items-center justify-center gap-2 rounded-field border border-base-300 pointer-coarse:border-transparent px-2 text-(--quiet) text-sm hover:border-(--quiet)"
        aria-label="Find a command, cell or lick"
        title="Find a command, cell or lick (Ctrl K)"
        // The focus stays where it is, and comes back there.
        onMouseDown={(event) => event.preventDefault()}
        onClick={() => setOpen(true)}
      >
        <Search size={15} aria-hidden />
        <span className="whitespace-nowrap max-lg:hidden">Find a command, cell or lick</span>
        <kbd className="whitespace-nowrap font-mono text-xs max-lg:hidden">Ctrl K</kbd>
      </button>
      {open && <FindDialog onClose={() => setOpen(false)} />}
    </>
  )
}

/** The list is fetched when it is opened first; the field takes what is typed until then. */
const FindList = lazyComponent(async () => (await import('./find-list')).default)

/** Finds something by its name and does it: arrows choose, Enter does, Escape goes back. */
function FindDialog({ onClose }: { onClose: () => void }) {
  const [typed, setTyped] = useState('')
  const [key, setKey] = useState<ListKey | null>(null)
  const [active, setActive] = useState('')
  const listId = useId()
  return (
    <Modal
      label="Find"
      className="mt-[10vh] w-[min(40rem,94vw)] p-0 backdrop:bg-black/20"
      onClose={onClose}
    >
      {(close) => (
        <>
          <input
            role="combobox"
            aria-label="Find a command, cell or lick"
            aria-expanded="true"
            aria-controls={listId}
            aria-activedescendant={active || undefined}
            autoComplete="off"
            className="w-full border-base-300 border-b bg-transparent px-4 py-3 outline-none"
            placeholder="mirror, flam, tempo, paradiddle, Tightrope …"
            value={typed}
            onChange={(event) => {
              setTyped(event.target.value)
              setKey(null)
            }}
            onKeyDown={(event) => {
              const pressed = event.key
              if (pressed !== 'ArrowDown' && pressed !== 'ArrowUp' && pressed !== 'Enter') return
              event.preventDefault()
              setKey((last) => ({ key: pressed, count: (last?.count ?? 0) + 1 }))
            }}
          />
          <LoadBoundary what="The list">
            <FindList
              waiting={<p className="px-4 py-3 text-(--quiet) text-sm">Opening …</p>}
              id={listId}
              typed={typed}
              listKey={key}
              onActive={setActive}
              onDone={close}
            />
          </LoadBoundary>
        </>
      )}
    </Modal>
  )
}
