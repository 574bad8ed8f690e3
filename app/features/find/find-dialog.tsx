import { useId, useState } from 'react'
import { lazyComponent } from '~/ui/lazy-component'
import { LoadBoundary } from '~/ui/load-boundary'
import { Modal } from '~/ui/modal'
import type { ListKey } from './sources'

/** The list is fetched when it is opened first; the field takes what is typed until then. */
const FindList = lazyComponent(async () => (await import('./find-list')).default)

/** Finds something by its name and does it: arrows choose, Enter does, Escape goes back. */
export function FindDialog({ onClose }: { onClose: () => void }) {
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
