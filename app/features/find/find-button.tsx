import { Search } from 'lucide-react'
import { useEffect, useState } from 'react'
import { FindDialog } from './find-dialog'

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
