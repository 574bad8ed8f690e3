import { Maximize2 } from 'lucide-react'
import { Link } from 'react-router'
import type { LickLog } from '~/core/log'
import { logWords } from './words'

interface PracticeHeaderProps {
  readonly id: string
  readonly title: string
  /** Which step is played, in words. */
  readonly at: string
  readonly log: LickLog | undefined
  readonly about: string | undefined
  /** When the last break was, and whether one is due. */
  readonly rest: { readonly text: string; readonly due: boolean }
  readonly onStage: () => void
}

/** What is practised, what is known of it, and the way to the stage. */
export function PracticeHeader(props: PracticeHeaderProps) {
  const { id, title, at, log, about, rest, onStage } = props
  return (
    <header className="flex flex-wrap items-baseline gap-x-4 gap-y-1 lg:col-span-2">
      <h1 dir="auto" className="font-semibold text-2xl tracking-tight">
        <Link to={`/bench/${id}`}>{title || 'Untitled'}</Link>
      </h1>
      <p className="text-(--quiet)">{at}</p>
      {log && <p className="text-sm">{logWords(log)}</p>}
      {about && (
        <p dir="auto" className="w-full whitespace-pre-line text-sm">
          {about}
        </p>
      )}
      <p
        role="status"
        className={`text-sm tabular-nums ${rest.due ? 'font-semibold text-warning' : 'text-(--quiet)'}`}
      >
        {rest.text}
      </p>
      <button
        type="button"
        className="btn btn-outline border-base-300 btn-sm ml-auto font-normal"
        aria-keyshortcuts="s"
        onClick={onStage}
      >
        <Maximize2 size={15} aria-hidden /> Stage
      </button>
    </header>
  )
}
