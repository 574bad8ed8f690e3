import type { ReactNode } from 'react'

/**
 * What to do now, in one sentence, and under it what was just rated or what to mind. It has its own room: whatever
 * is said, nothing that is pressed moves.
 */
export function Said({
  words,
  next,
  children,
}: {
  /** What was heard; empty for nothing. */
  words: string
  /** What comes after this tempo. */
  next: string
  children: ReactNode
}) {
  return (
    <section aria-label="What to do now" className="room-said">
      <p
        role="status"
        className="font-semibold text-lg leading-snug first-letter:uppercase empty:hidden"
      >
        {words}
      </p>
      <p className={words === '' ? 'font-semibold text-lg leading-snug' : 'text-(--quiet) text-sm'}>
        Next: {next}
      </p>
      {children}
    </section>
  )
}
