import { Copy, Trash2 } from 'lucide-react'
import { memo } from 'react'
import { Form, Link } from 'react-router'
import { MiniStacks } from '../stacks/mini-stacks'
import type { LickRow } from './lick-row'

/** A lick in the library: its stacks, its name, and what it takes to play it. */
export const LickRowItem = memo(function LickRowItem({
  row,
  clean,
}: {
  row: LickRow
  /** The fastest tempo at which it was clean; null where it never was. */
  clean: number | null
}) {
  return (
    <li className="group relative grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 border-base-300 border-b px-2 py-2.5 hover:bg-base-100 md:grid-cols-[minmax(0,15rem)_minmax(0,1fr)_9.5rem_8rem_7rem_auto]">
      <div className="min-w-0">
        <Link
          to={`/bench/${row.id}`}
          className="block truncate font-semibold text-lg after:absolute after:inset-0"
        >
          {row.title}
        </Link>
        <p className="truncate text-(--quiet) text-xs">
          {row.unfinished && <span className="text-error">unfinished sticking · </span>}
          {row.tags.join(' · ')}
        </p>
      </div>
      <div className="order-last col-span-2 flex min-w-0 items-end overflow-hidden md:order-none md:col-span-1">
        <MiniStacks stacks={row.stacks} more={row.more} />
      </div>
      <p className="hidden text-sm md:block">
        {row.length}
        <span className={`block text-xs ${row.fits === 'fits' ? 'text-(--quiet)' : 'text-error'}`}>
          {row.fits === 'fits' ? 'fits' : row.fits}
        </span>
      </p>
      <p className="hidden text-sm md:block">
        {row.meter}
        <span className="block text-(--quiet) text-xs">
          {row.grid} from {row.start}
        </span>
      </p>
      <p className="hidden text-right text-sm md:block">
        <span className="font-semibold">{row.tempo}</span>
        {row.goal !== null && <span> to {row.goal}</span>}
        <span className="block text-(--quiet) text-xs">
          {clean !== null ? `clean at ${clean}` : row.goal !== null ? 'learn to goal' : 'learn'}
        </span>
      </p>
      <Form method="post" action="/?index" className="relative z-10 flex justify-self-end">
        <input type="hidden" name="id" value={row.id} />
        <input type="hidden" name="title" value={row.title} />
        <button
          type="submit"
          name="intent"
          value="duplicate"
          className="btn btn-ghost btn-square btn-sm"
          aria-label={`Duplicate ${row.title}`}
        >
          <Copy size={16} aria-hidden />
        </button>
        <button
          type="submit"
          name="intent"
          value="delete"
          className="btn btn-ghost btn-square btn-sm"
          aria-label={`Delete ${row.title}`}
        >
          <Trash2 size={16} aria-hidden />
        </button>
      </Form>
    </li>
  )
})
