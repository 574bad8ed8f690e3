import { Search } from 'lucide-react'
import type { useFieldDraft } from '~/ui/use-field-draft'
import type { SortKey } from './chosen-rows'

export const SORTS: readonly (readonly [SortKey, string])[] = [
  ['changed', 'last changed'],
  ['title', 'title'],
  ['tempo', 'tempo'],
  ['length', 'length'],
]

const SELECT =
  'max-w-44 rounded-field border border-base-300 bg-base-100 px-2 py-2 text-base-content'

interface FiltersProps {
  readonly search: ReturnType<typeof useFieldDraft>
  readonly tag: string
  readonly tags: readonly string[]
  readonly sort: SortKey
  readonly count: string
  /** Puts something into the address; empty takes it out. */
  readonly onSet: (name: string, value: string) => void
}

/** What is sought, in which order, and how many that are. */
export function Filters({ search, tag, tags, sort, count, onSet }: FiltersProps) {
  return (
    <div className="mt-6 flex flex-wrap items-center gap-3">
      <label className="flex min-h-9 w-full max-w-xs items-center gap-2 rounded-field border border-base-300 bg-base-100 px-3">
        <Search size={16} className="shrink-0 text-(--quiet)" aria-hidden />
        <input
          type="search"
          aria-label="Find a lick"
          placeholder="name, tag, 7/8, 1/16t"
          className="w-full min-w-0 bg-transparent text-sm outline-none"
          value={search.typed}
          onChange={(event) => {
            search.type(event.target.value, event.target.value)
            onSet('find', event.target.value)
          }}
        />
      </label>
      <label className="flex items-center gap-2 text-(--quiet) text-sm">
        by
        <select
          aria-label="Sort by"
          className={SELECT}
          value={sort}
          onChange={(event) =>
            onSet('sort', event.target.value === 'changed' ? '' : event.target.value)
          }
        >
          {SORTS.map(([key, name]) => (
            <option key={key} value={key}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <label className="flex items-center gap-2 text-(--quiet) text-sm">
        tag
        <select
          aria-label="Tag"
          className={SELECT}
          value={tag}
          onChange={(event) => onSet('tag', event.target.value)}
        >
          <option value="">any</option>
          {tags.map((name) => (
            <option key={name} value={name}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <p className="ml-auto text-(--quiet) text-sm" role="status">
        {count}
      </p>
    </div>
  )
}
