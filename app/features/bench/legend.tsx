import { X } from 'lucide-react'
import { useState } from 'react'
import { useWorkspace } from './state/use-workspace'

/** What the notation has, each with what it puts into the line. */
const SIGNS: readonly (readonly [sign: string, meaning: string, inserted: string])[] = [
  ['R L K H', 'strokes', 'R'],
  ['r l', 'ghosts', 'r'],
  ['>', 'accent', '>'],
  ['f', 'flam', 'f'],
  ['-', 'rest', '-'],
  ['( )', 'together', '(RK)'],
  ['{ }', 'in one slot', '{RR}'],
  [':t1', 'on a drum', ':t1'],
  ['@1/16t', 'another grid', '@1/16t'],
  ['|', 'bar check', '|'],
  ['space', 'next group', ' '],
]
const KEY = 'dime-stack.legend'

/** The notation in one row under the line; each entry puts itself in at the caret. It can be put away. */
export function Legend() {
  const workspace = useWorkspace()
  const [open, setOpen] = useState(() => read() !== 'closed')
  const turn = () => {
    setOpen(!open)
    try {
      localStorage.setItem(KEY, open ? 'closed' : 'open')
    } catch {
      // Without storage the choice lasts as long as the page.
    }
  }
  return (
    <div className="legend flex min-h-6 items-center gap-x-2 text-(--quiet) text-xs">
      {open && (
        <div className="legend-signs">
          {SIGNS.map(([sign, meaning, inserted]) => (
            <button
              key={sign}
              type="button"
              className="min-h-6 shrink-0 rounded-field px-0.5 hover:bg-base-300"
              title={`Put ${inserted === ' ' ? 'a space' : inserted} into the line`}
              onMouseDown={(event) => event.preventDefault()}
              onClick={() => workspace.insertText(inserted)}
            >
              <span className="font-mono font-semibold text-base-content">{sign}</span> {meaning}
            </button>
          ))}
        </div>
      )}
      <button
        type="button"
        className="ml-auto min-h-6 shrink-0 rounded-field px-1 hover:bg-base-300"
        aria-expanded={open}
        aria-label={open ? 'Hide the notation' : 'Show the notation'}
        onClick={turn}
      >
        {open ? <X size={14} aria-hidden /> : 'Notation'}
      </button>
    </div>
  )
}

function read(): string | null {
  try {
    return localStorage.getItem(KEY)
  } catch {
    return null
  }
}
