import { Download, Plus, Search, Upload } from 'lucide-react'
import { useEffect, useMemo, useRef } from 'react'
import { Form, useFetcher, useSearchParams } from 'react-router'
import { formatBundle } from '~/codecs/bundle'
import type { LickRecord } from '~/storage'
import { saveFile } from '~/ui/save-file'
import { useFieldDraft } from '~/ui/use-field-draft'
import type { LibraryNotice } from './library-store'
import { chosenRows, type SortKey, toLickRow } from './lick-row'
import { LickRowItem } from './lick-row-item'

interface LibraryPageProps {
  readonly list: {
    readonly licks: readonly LickRecord[]
    readonly unreadable: number
    /** Whether letters are shown turned. */
    readonly turned: boolean
    /** The fastest tempo at which a lick was clean, by its id. */
    readonly cleanTempos: ReadonlyMap<string, number>
  }
}

const SORTS: readonly (readonly [SortKey, string])[] = [
  ['changed', 'last changed'],
  ['title', 'title'],
  ['tempo', 'tempo'],
  ['length', 'length'],
]

/** Every lick as a row of small stacks: find one, or start one. What is sought stands in the address. */
export function LibraryPage({ list }: LibraryPageProps) {
  const [params, setParams] = useSearchParams()
  const rows = useMemo(
    () => list.licks.map((record) => toLickRow(record, list.turned)),
    [list.licks, list.turned],
  )
  // What is typed is sought at once; the address follows, perhaps later than the next key.
  const search = useFieldDraft(params.get('find') ?? '')
  const tag = params.get('tag') ?? ''
  const sort = SORTS.find(([key]) => key === params.get('sort'))?.[0] ?? 'changed'
  const shown = chosenRows(rows, search.typed, tag, sort)
  const tags = [...new Set(rows.flatMap((row) => row.tags))].sort()
  // What was asked for last: on a slow machine the next question comes before the answer.
  const asked = useRef(params)
  useEffect(() => {
    asked.current = params
  }, [params])
  const ask = (next: URLSearchParams) => {
    asked.current = next
    setParams(next, { replace: true, preventScrollReset: true })
  }
  const set = (name: string, value: string) => {
    const next = new URLSearchParams(asked.current)
    for (const gone of ['deleted', 'title']) next.delete(gone)
    if (value === '') next.delete(name)
    else next.set(name, value)
    ask(next)
  }

  return (
    <div className="mx-auto w-full max-w-7xl px-4 py-7 sm:px-5">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-3">
        <h1 className="mr-auto font-semibold text-3xl tracking-tight">Library</h1>
        <Files licks={list.licks} />
        <Form method="post" action="/?index">
          <button type="submit" name="intent" value="create" className="btn btn-primary">
            <Plus size={18} aria-hidden />
            New lick
          </button>
        </Form>
      </div>
      <DeletedNotice id={params.get('deleted')} title={params.get('title') ?? ''} />
      {list.unreadable > 0 && (
        <p role="alert" className="mt-4 rounded-box border border-warning bg-base-100 p-3 text-sm">
          {list.unreadable} stored {list.unreadable === 1 ? 'lick was' : 'licks were'} saved by a
          newer version or cannot be read, and left unchanged.
        </p>
      )}
      {rows.length === 0 ? (
        <EmptyLibrary />
      ) : (
        <>
          <div className="mt-6 flex flex-wrap items-center gap-3">
            <label className="flex w-full max-w-xs items-center gap-2 rounded-field border border-base-300 bg-base-100 px-3 py-2">
              <Search size={16} className="shrink-0 text-(--quiet)" aria-hidden />
              <input
                type="search"
                aria-label="Find a lick"
                placeholder="name, tag, 7/8, 1/16t"
                className="w-full min-w-0 bg-transparent text-sm outline-none"
                value={search.typed}
                onChange={(event) => {
                  search.type(event.target.value, event.target.value)
                  set('find', event.target.value)
                }}
              />
            </label>
            <label className="flex items-center gap-2 text-(--quiet) text-sm">
              by
              <select
                aria-label="Sort by"
                className="rounded-field border border-base-300 bg-base-100 px-2 py-2 text-base-content"
                value={sort}
                onChange={(event) =>
                  set('sort', event.target.value === 'changed' ? '' : event.target.value)
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
                className="max-w-44 rounded-field border border-base-300 bg-base-100 px-2 py-2 text-base-content"
                value={tag}
                onChange={(event) => set('tag', event.target.value)}
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
              {shown.length === rows.length
                ? `${rows.length} licks`
                : `${shown.length} of ${rows.length} licks`}
            </p>
          </div>
          {shown.length === 0 ? (
            <p className="mt-10">
              No matches.{' '}
              <button type="button" className="link" onClick={() => ask(new URLSearchParams())}>
                Clear the filters
              </button>
            </p>
          ) : (
            <ul className="mt-4 border-base-300 border-t">
              {shown.map((row) => (
                <LickRowItem key={row.id} row={row} clean={list.cleanTempos.get(row.id) ?? null} />
              ))}
            </ul>
          )}
        </>
      )}
    </div>
  )
}

/** Import and export of everything, as open files. */
function Files({ licks }: { licks: readonly LickRecord[] }) {
  const fetcher = useFetcher<LibraryNotice>()
  const input = useRef<HTMLInputElement>(null)
  const exportAll = () => {
    const entries = licks.map(({ id, text, draft, voicing }) => ({ id, text, draft, voicing }))
    saveFile('dime-stack-licks.json', 'application/json', formatBundle(entries))
  }
  return (
    <>
      <p
        role="status"
        className={`text-sm empty:hidden ${fetcher.data?.kind === 'failed' ? 'text-error' : 'text-(--quiet)'}`}
      >
        {fetcher.state === 'idle' ? fetcher.data?.message : 'Reading …'}
      </p>
      <input
        ref={input}
        type="file"
        multiple
        accept=".lick,.txt,.json"
        className="sr-only"
        aria-label="Files to import"
        tabIndex={-1}
        onChange={(event) => {
          const form = new FormData()
          form.set('intent', 'import')
          for (const file of event.target.files ?? []) form.append('files', file)
          fetcher.submit(form, {
            method: 'post',
            action: '/?index',
            encType: 'multipart/form-data',
          })
          event.target.value = ''
        }}
      />
      <button
        type="button"
        className="btn btn-ghost max-sm:btn-square"
        onClick={() => input.current?.click()}
      >
        <Upload size={18} aria-hidden />
        <span className="max-sm:sr-only">Import</span>
      </button>
      {licks.length > 0 && (
        <button type="button" className="btn btn-ghost max-sm:btn-square" onClick={exportAll}>
          <Download size={18} aria-hidden />
          <span className="max-sm:sr-only">Export</span>
        </button>
      )}
    </>
  )
}

function DeletedNotice({ id, title }: { id: string | null; title: string }) {
  if (!id) return null
  return (
    <Form
      method="post"
      action="/?index"
      role="status"
      className="mt-4 flex flex-wrap items-center gap-3 rounded-box bg-neutral px-4 py-2.5 text-neutral-content"
    >
      <input type="hidden" name="id" value={id} />
      <span className="min-w-0 grow">“{title}” is deleted.</span>
      <button
        type="submit"
        name="intent"
        value="restore"
        className="btn btn-sm border-none bg-white/15 text-inherit shadow-none hover:bg-white/25"
      >
        Undo
      </button>
    </Form>
  )
}

function EmptyLibrary() {
  return (
    <div className="mx-auto max-w-md py-20 text-center">
      <h2 className="font-semibold text-xl">No licks yet</h2>
      <p className="mt-2 text-(--quiet)">
        A lick begins with a sticking, such as RLLRK. Type one, and see at once whether it fills the
        bar.
      </p>
      <Form method="post" action="/?index" className="mt-6 flex flex-wrap justify-center gap-3">
        <button type="submit" name="intent" value="create" className="btn btn-primary">
          <Plus size={18} aria-hidden />
          Start a lick
        </button>
        <button
          type="submit"
          name="intent"
          value="demo"
          className="btn btn-outline border-base-300"
        >
          Add twelve demo licks
        </button>
      </Form>
    </div>
  )
}

/** What stands in the library's place until the store is open. */
export function LibrarySkeleton() {
  return (
    <div className="mx-auto w-full max-w-7xl px-4 py-7 sm:px-5" aria-busy="true">
      <p className="font-semibold text-3xl tracking-tight">Library</p>
      <p className="mt-6 text-(--quiet)">Opening …</p>
    </div>
  )
}
