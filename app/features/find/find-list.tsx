import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { useNavigate } from 'react-router'
import { PhraseText } from '~/drawing/stacks/phrase-figure'
import { useLive, useSettings } from '~/live/use-live'
import { createLick, liveSets, liveSolos, liveSummaries, NEW_LICK } from '~/storage'
import { turnTheme } from '~/ui/theme'
import { everywhere } from './everywhere'
import { findIn } from './search'
import { type Found, type ListKey, offered } from './sources'

const MAX_LISTED = 60

interface FindListProps {
  readonly id: string
  readonly typed: string
  readonly listKey: ListKey | null
  readonly onActive: (id: string) => void
  readonly onDone: () => void
}

/** What is found, the best first; what is chosen is shown on the ruler where it can be. */
export default function FindList({ id, typed, listKey, onActive, onDone }: FindListProps) {
  const navigate = useNavigate()
  const { rows } = useLive(liveSummaries)
  const { settings, change } = useSettings()
  const newLick = useCallback(() => {
    void createLick(NEW_LICK).then((made) => made.ok && navigate(`/bench/${made.value}`))
  }, [navigate])
  const sets = useLive(liveSets).rows
  const solos = useLive(liveSolos).rows
  const all = useMemo(() => {
    const licks = rows.map(
      (row): Found => ({
        id: `lick ${row.id}`,
        name: row.title || 'Untitled',
        kind: 'lick',
        also: row.tags.join(' '),
        run: () => navigate(`/bench/${row.id}`),
      }),
    )
    const many = [
      ...sets.map(({ id, name }) => ({ path: `/sets/${id}`, name, also: 'set' })),
      ...solos.map(({ id, name }) => ({ path: `/solos/${id}`, name, also: 'solo' })),
    ].map(
      ({ path, name, also }): Found => ({
        id: path,
        name: name || 'Untitled',
        also,
        kind: 'place',
        run: () => navigate(path),
      }),
    )
    const anywhere = everywhere({ settings, change, go: navigate, turnTheme, newLick })
    return [...anywhere, ...many, ...licks]
  }, [rows, sets, solos, navigate, settings, change, newLick])
  const here = useMemo(() => offered(typed), [typed])
  const listed = useMemo(
    () => findIn([...here, ...all], typed).slice(0, MAX_LISTED),
    [here, all, typed],
  )
  const [at, setAt] = useState(0)
  // biome-ignore lint/correctness/useExhaustiveDependencies: other words, the first again
  useEffect(() => setAt(0), [typed])
  const chosen = listed[Math.min(at, listed.length - 1)]
  const optionId = chosen ? `${id}-${listed.indexOf(chosen)}` : ''
  useEffect(() => {
    onActive(optionId)
    document.getElementById(optionId)?.scrollIntoView({ block: 'nearest' })
  }, [onActive, optionId])
  useEffect(() => {
    chosen?.show?.(true)
    return () => chosen?.show?.(false)
  }, [chosen])
  const run = (found: Found | undefined) => {
    onDone()
    found?.run()
  }
  const seen = useRef(0)
  useEffect(() => {
    if (!listKey || listKey.count === seen.current) return
    seen.current = listKey.count
    if (listKey.key === 'Enter') run(chosen)
    else {
      const by = listKey.key === 'ArrowDown' ? 1 : -1
      setAt((now) => Math.max(0, Math.min(listed.length - 1, now + by)))
    }
  })
  return (
    <div
      id={id}
      role="listbox"
      tabIndex={-1}
      aria-label="Found"
      className="max-h-[56vh] overflow-y-auto p-2"
    >
      {listed.map((found, i) => (
        // biome-ignore lint/a11y/useKeyWithClickEvents: the field above has the keys
        <div
          key={found.id}
          id={`${id}-${i}`}
          role="option"
          tabIndex={-1}
          aria-selected={found === chosen}
          className="flex min-h-8 cursor-pointer items-baseline gap-3 rounded-field px-2 py-1.5 text-sm hover:bg-base-200 aria-selected:bg-base-300"
          onClick={() => run(found)}
        >
          <span className="min-w-0 grow truncate">{found.name}</span>
          {found.phrase && (
            <span className="min-w-0 max-w-[45%] truncate">
              <PhraseText phrase={found.phrase} />
            </span>
          )}
          <span className="w-16 shrink-0 text-right text-(--quiet) text-xs">{found.kind}</span>
        </div>
      ))}
      {listed.length === 0 && (
        <p className="px-2 py-3 text-(--quiet) text-sm">
          No matches. Try another word, or a sticking such as RLLK.
        </p>
      )}
    </div>
  )
}
