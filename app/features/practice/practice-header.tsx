import { Link } from 'react-router'

interface PracticeHeaderProps {
  readonly id: string
  readonly title: string
  /** Which step is played, in words. */
  readonly at: string
  readonly about: string | undefined
  /** When the last break was, and whether one is due. */
  readonly rest: { readonly text: string; readonly due: boolean }
}

/** What is practised, which step of it, and when a break is due. */
export function PracticeHeader(props: PracticeHeaderProps) {
  const { id, title, at, about, rest } = props
  return (
    <header className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
      <h1 dir="auto" className="font-semibold text-2xl tracking-tight">
        <Link to={`/bench/${id}`}>{title || 'Untitled'}</Link>
      </h1>
      <p className="text-(--quiet)">{at}</p>
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
    </header>
  )
}
