import { Dices, Plus } from 'lucide-react'
import { useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react'
import { Form, Link, useLocation, useSearchParams } from 'react-router'
import type { Lick } from '~/core/line'
import { useLive, useSettings } from '~/live/use-live'
import { useHearLick } from '~/session/use-hear-lick'
import { type LickSummary, liveLogs, liveSummaries, loadLick, turnSummary } from '~/storage'
import { ErrorText } from '~/ui/parts'
import { useFieldDraft } from '~/ui/use-field-draft'
import { BackupReminder } from '../backup'
import { StoreTrouble } from '../shell'
import { foundRows, type SortKey, sortedRows, tagsOf } from './chosen-rows'
import { DeletedNotice } from './deleted-notice'
import type { DeletedLick, LibraryOutcome, LibraryState } from './library-actions'
import { LibraryFiles } from './library-files'
import { Filters, SORTS } from './library-filters'
import { LickList } from './lick-list'
import { SelectionBar } from './selection-bar'

/** Every lick as a row of small stacks: find one, or start one. What is sought stands in the address. */
export function LibraryPage({ outcome }: { outcome: LibraryOutcome | undefined }) {
  const [params, setParams] = useSearchParams()
  const licks = useLive(liveSummaries)
  const logs = useLive(liveLogs)
  const { turnLetters } = useSettings().settings
  const cleanTempos = useMemo(
    () => new Map(logs.rows.map(({ id, bestClean }) => [id, bestClean])),
    [logs.rows],
  )
  // What is typed is sought at once; the address follows, perhaps later than the next key.
  const search = useFieldDraft(params.get('find') ?? '')
  const tag = params.get('tag') ?? ''
  const sort = SORTS.find(([key]) => key === params.get('sort'))?.[0] ?? 'changed'
  const { rows, shown, tags } = useChosen(licks.rows, search.typed, tag, sort, turnLetters)
  const { ask, set } = useAsked(params, setParams)
  const { selected, select, clear } = useSelection(licks.rows)
  const [deleted, setDeleted] = useDeleted()
  const { hear, player } = useHearLick()
  const [unheard, setUnheard] = useState('')
  const hearById = useCallback(
    async (id: string) => {
      const heard = await findHeard(id, turnLetters)
      if (typeof heard === 'string') setUnheard(heard)
      else hear(heard)
    },
    [hear, turnLetters],
  )

  if (licks.kind === 'failed') return <StoreTrouble issue={licks.issue} />
  return (
    <div className="mx-auto w-full max-w-7xl px-4 py-7 sm:px-5">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-3">
        <h1 className="mr-auto font-semibold text-3xl tracking-tight">Library</h1>
        <LibraryFiles hasLicks={rows.length > 0} />
        <Form method="post" action="/?index">
          <button type="submit" name="intent" value="create" className="btn btn-primary">
            <Plus size={18} aria-hidden />
            New lick
          </button>
        </Form>
      </div>
      <ErrorText words={outcome?.kind === 'failed' ? outcome.message : ''} />
      <ErrorText words={unheard} />
      <BackupReminder />
      <DeletedNotice licks={deleted} onDone={() => setDeleted([])} />
      {licks.kind === 'ready' && licks.unreadable > 0 && (
        <p role="alert" className="mt-4 rounded-box border border-warning bg-base-100 p-3 text-sm">
          {licks.unreadable} stored {licks.unreadable === 1 ? 'lick was' : 'licks were'} saved by a
          newer version or cannot be read, and left unchanged. A backup holds them as they are.
        </p>
      )}
      {licks.kind === 'ready' && rows.length === 0 ? (
        <EmptyLibrary />
      ) : (
        <>
          <Filters
            search={search}
            tag={tag}
            tags={tags}
            sort={sort}
            count={
              licks.kind === 'opening'
                ? `${thousands(rows.length)} licks so far …`
                : countWords(shown.length, rows.length)
            }
            onSet={set}
          />
          <SelectionBar
            selected={selected}
            shown={shown}
            onSelect={select}
            onClear={clear}
            onDeleted={setDeleted}
          />
          {shown.length === 0 && licks.kind === 'ready' ? (
            <p className="mt-10">
              No matches.{' '}
              <button type="button" className="link" onClick={() => ask(new URLSearchParams())}>
                Clear the filters
              </button>
            </p>
          ) : (
            <LickList
              rows={shown}
              cleanTempos={cleanTempos}
              selected={selected}
              onSelect={select}
              onDeleted={setDeleted}
              onHear={hearById}
            />
          )}
        </>
      )}
      {player}
    </div>
  )
}

/** A lick as it is heard; why it cannot be, in words. What lays it on the kit is fetched with the first. */
async function findHeard(id: string, turned: boolean): Promise<Lick | string> {
  const [record, { findVoicedLick }, { turnTexts }] = await Promise.all([
    loadLick(id),
    import('~/codecs/voicing'),
    import('~/workspace/turned'),
  ])
  if (!record.ok) return 'This lick cannot be read.'
  return findVoicedLick(turnTexts(record.value, turned)) ?? 'This lick cannot be read.'
}

/** `10,012` */
function thousands(count: number): string {
  return count.toLocaleString('en-GB')
}

function countWords(shown: number, all: number): string {
  const licks = all === 1 ? 'lick' : 'licks'
  return shown === all
    ? `${thousands(all)} ${licks}`
    : `${thousands(shown)} of ${thousands(all)} ${licks}`
}

/** The rows in their order, and those that are sought: sorting waits for nothing that is typed. */
function useChosen(
  summaries: readonly LickSummary[],
  search: string,
  tag: string,
  sort: SortKey,
  turned: boolean,
) {
  const rows = useMemo(
    () => sortedRows(turned ? summaries.map(turnSummary) : summaries, sort),
    [summaries, turned, sort],
  )
  const tags = useMemo(() => tagsOf(rows), [rows])
  const sought = useDeferredValue(search)
  const shown = useMemo(() => foundRows(rows, sought, tag), [rows, sought, tag])
  return { rows, shown, tags }
}

/** What was asked for last: on a slow machine the next question comes before the answer. */
function useAsked(params: URLSearchParams, setParams: ReturnType<typeof useSearchParams>[1]) {
  const asked = useRef(params)
  useEffect(() => {
    asked.current = params
  }, [params])
  const ask = useCallback(
    (next: URLSearchParams) => {
      asked.current = next
      setParams(next, { replace: true, preventScrollReset: true })
    },
    [setParams],
  )
  const set = useCallback(
    (name: string, value: string) => {
      const next = new URLSearchParams(asked.current)
      if (value === '') next.delete(name)
      else next.set(name, value)
      ask(next)
    },
    [ask],
  )
  return { ask, set }
}

/** The licks that are selected; what is deleted elsewhere is selected no more. */
function useSelection(rows: readonly LickSummary[]) {
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set())
  const selected = useMemo(() => {
    if (chosen.size === 0) return chosen
    const there = new Set(rows.map(({ id }) => id))
    return new Set([...chosen].filter((id) => there.has(id)))
  }, [chosen, rows])
  const select = useCallback((ids: readonly string[], on: boolean) => {
    setChosen((before) => {
      const next = new Set(before)
      for (const id of ids) {
        if (on) next.add(id)
        else next.delete(id)
      }
      return next
    })
  }, [])
  const clear = useCallback(() => setChosen(new Set()), [])
  return { selected, select, clear }
}

/** The licks that were deleted last, here or on the page before: they can be restored at once. */
function useDeleted() {
  const location = useLocation()
  const state: unknown = location.state
  return useState<readonly DeletedLick[]>(() => deletedIn(state))
}

function deletedIn(state: unknown): readonly DeletedLick[] {
  const { deleted } = (state ?? {}) as Partial<LibraryState>
  return Array.isArray(deleted) ? deleted : []
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
        <Link to="/find?draw" className="btn btn-outline border-base-300">
          <Dices size={18} aria-hidden />
          Surprise me
        </Link>
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
