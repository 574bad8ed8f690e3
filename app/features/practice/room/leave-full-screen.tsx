import { X } from 'lucide-react'
import { useEffect } from 'react'

/** The way out of the full screen, beside what is played; what lies behind it cannot be reached meanwhile. */
export function LeaveFullScreen({ title, onLeave }: { title: string; onLeave: () => void }) {
  useEffect(() => {
    const behind = document.querySelectorAll('body header')
    for (const one of behind) one.toggleAttribute('inert', true)
    return () => {
      for (const one of behind) one.toggleAttribute('inert', false)
    }
  }, [])
  return (
    <div className="flex items-center gap-4">
      <h2 className="min-w-0 truncate font-semibold text-lg">{title || 'Untitled'}</h2>
      <button
        type="button"
        className="btn btn-ghost btn-sm ml-auto"
        aria-keyshortcuts="s"
        onClick={onLeave}
      >
        <X size={18} aria-hidden /> Leave full screen
      </button>
    </div>
  )
}
