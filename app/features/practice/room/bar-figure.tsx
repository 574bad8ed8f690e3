import type { Lick } from '~/core/line'
import { LINE_STACKS, LineFigure } from '~/drawing/line/line-figure'

/** A bar in large: its stacks and its sticking, or what it is where nothing of a line begins in it. */
export function BarFigure({
  title,
  bar,
  still,
  lit = false,
}: {
  title: string
  bar: { readonly lick: Lick | null }
  still: string
  /** Whether its slots are lit as they sound. */
  lit?: boolean
}) {
  return (
    <section aria-label={title} className="min-w-0">
      <h2 className="truncate text-(--quiet) text-sm">{title}</h2>
      {bar.lick ? (
        <LineFigure lick={bar.lick} lit={lit} stacks={LINE_STACKS} />
      ) : (
        <p className={`truncate font-semibold ${lit ? 'py-8 text-3xl' : 'py-4 text-xl'}`}>
          {still}
        </p>
      )}
    </section>
  )
}
