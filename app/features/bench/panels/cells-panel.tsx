import { Play } from 'lucide-react'
import { useDeferredValue, useMemo, useState } from 'react'
import { useSearchParams } from 'react-router'
import { CATALOGUE, CELL_FAMILIES, type Cell, type CellQuery, findCells } from '~/core/catalogue'
import { findPhrase } from '~/core/changes'
import { PhraseStacks, PhraseText } from '~/drawing/stacks/phrase-figure'
import { useOwnCells } from '~/live/use-own'
import type { CellRecord } from '~/storage'
import { lazyComponent } from '~/ui/lazy-component'
import { Button, EmptyState, TextBox } from '~/ui/parts'
import { usePanel } from '../state/use-panel'
import { CellDetail } from './cell-detail'
import { dragPhrase } from './drag-phrase'
import { OwnCellForm } from './own-cell-form'
import { soloLick } from './solo'

/** Fetched when a line is to be tapped in. */
const TapPart = lazyComponent(async () => (await import('./tap-part')).TapPart)

/** This panel with the part that takes taps, as the address names it. */
const TAPS = 'cells:tap'
const MAX_SHOWN = 60
/** Those that are drawn at once; the others and what is said of the chosen one come a moment later. */
const FIRST_SHOWN = 12

/** The catalogue: found by words and traits, heard, turned, and put into the line. */
export function CellsPanel() {
  const props = usePanel()
  const own = useOwnCells()
  const [query, setQuery] = useState<CellQuery>({})
  const [chosenId, setChosenId] = useState('single-paradiddle')
  const cells = useMemo(() => [...ownCells(own), ...CATALOGUE], [own])
  const asked = useDeferredValue(query)
  const found = useMemo(() => findCells(cells, asked), [cells, asked])
  const most = useDeferredValue(MAX_SHOWN, FIRST_SHOWN)
  const chosen = found.find(({ id }) => id === chosenId) ?? found[0]
  const detailed = useDeferredValue(chosen, undefined)
  const [search, setSearch] = useSearchParams()
  const taps = search.get('panel') === TAPS
  const setTaps = (on: boolean) =>
    setSearch({ panel: on ? TAPS : 'cells' }, { replace: true, preventScrollReset: true })
  return (
    <div className="grid grid-cols-1 gap-x-6 gap-y-4">
      <div>
        <Button pressed={taps} onClick={() => setTaps(!taps)}>
          Tap a line in
        </Button>
      </div>
      {taps && <TapPart />}
      <div className="flex min-w-0 flex-col gap-3">
        <Filters query={query} onQuery={setQuery} />
        {found.length === 0 ? (
          <EmptyState>
            No matches.{' '}
            <button type="button" className="link" onClick={() => setQuery({})}>
              Clear the filters
            </button>
          </EmptyState>
        ) : (
          <ul aria-label="Cells" className="grid max-h-80 grid-cols-1 gap-x-3 overflow-y-auto">
            {found.slice(0, most).map((cell) => (
              <CellRow
                key={cell.id}
                cell={cell}
                chosen={cell.id === chosen?.id}
                onChoose={() => setChosenId(cell.id)}
                onHear={() => props.onHear(soloLick(props.lick, cell.phrase))}
              />
            ))}
          </ul>
        )}
        <OwnCellForm
          key={`${props.range.from} ${props.range.to}`}
          lick={props.lick}
          range={props.range}
          selected={props.selection !== null}
        />
      </div>
      {detailed && (
        <CellDetail {...props} cell={detailed} own={own.find(({ id }) => id === detailed.id)} />
      )}
    </div>
  )
}

function ownCells(records: readonly CellRecord[]): Cell[] {
  return records.flatMap(({ id, name, line, tags }) => {
    const phrase = findPhrase(line)
    return phrase ? [{ id, name, family: 'own' as const, rudiment: null, phrase, tags }] : []
  })
}

interface CellRowProps {
  readonly cell: Cell
  readonly chosen: boolean
  readonly onChoose: () => void
  readonly onHear: () => void
}

function CellRow({ cell, chosen, onChoose, onHear }: CellRowProps) {
  return (
    <li
      className={`flex items-center gap-1 rounded-field ${chosen ? 'bg-base-200' : 'hover:bg-base-200'}`}
      draggable
      onDragStart={(event) => dragPhrase(event.dataTransfer, cell.phrase)}
    >
      <button
        type="button"
        aria-pressed={chosen}
        className="flex min-w-0 grow items-center gap-2 px-2 py-1 text-left"
        onClick={onChoose}
      >
        <span className="w-16 shrink-0">
          <PhraseStacks phrase={cell.phrase} />
        </span>
        <span className="min-w-0 text-sm">
          <span className="block truncate">
            {cell.rudiment !== null && (
              <span className="mr-1.5 text-(--quiet) tabular-nums">{cell.rudiment}</span>
            )}
            {cell.name}
          </span>
          <span className="block truncate text-(--quiet)">
            <PhraseText phrase={cell.phrase} />
          </span>
        </span>
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-square btn-sm"
        aria-label={`Hear ${cell.name}`}
        onClick={onHear}
      >
        <Play size={15} aria-hidden />
      </button>
    </li>
  )
}

const FLAGS = [
  ['kick', 'kick'],
  ['linear', 'linear'],
  ['flam', 'graces'],
  ['diddle', 'diddle'],
] as const

function Filters({ query, onQuery }: { query: CellQuery; onQuery: (query: CellQuery) => void }) {
  const set = (change: { [field in keyof CellQuery]?: CellQuery[field] | undefined }) => {
    const next = { ...query, ...change }
    onQuery(
      Object.fromEntries(
        Object.entries(next).filter(([, value]) => value !== undefined),
      ) as CellQuery,
    )
  }
  const select = 'rounded-field border border-base-300 bg-base-100 px-2 py-1 text-sm'
  return (
    <div className="flex flex-wrap items-center gap-2">
      <TextBox
        type="search"
        label="Search cells"
        className="w-44"
        placeholder="Name, tag or RLLK …"
        value={query.words ?? ''}
        onType={(value) => set({ words: value || undefined })}
      />
      <select
        aria-label="Length"
        className={select}
        value={query.slots ?? ''}
        onChange={(event) => set({ slots: Number(event.target.value) || undefined })}
      >
        <option value="">any length</option>
        {[2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 16].map((slots) => (
          <option key={slots} value={slots}>
            {slots} slots
          </option>
        ))}
      </select>
      <select
        aria-label="Family"
        className={select}
        value={query.family ?? ''}
        onChange={(event) =>
          set({ family: (event.target.value || undefined) as Cell['family'] | undefined })
        }
      >
        <option value="">all families</option>
        {['own', ...CELL_FAMILIES].map((family) => (
          <option key={family} value={family}>
            {family}
          </option>
        ))}
      </select>
      {(['leads', 'ends'] as const).map((side) => (
        <select
          key={side}
          aria-label={side === 'leads' ? 'Leads with' : 'Ends with'}
          className={select}
          value={query[side] ?? ''}
          onChange={(event) =>
            set({ [side]: (event.target.value || undefined) as CellQuery['leads'] })
          }
        >
          <option value="">{side === 'leads' ? 'leads with' : 'ends with'} any</option>
          {(['R', 'L', 'K'] as const).map((letter) => (
            <option key={letter} value={letter}>
              {side} {letter}
            </option>
          ))}
        </select>
      ))}
      {FLAGS.map(([flag, label]) => (
        <Button
          key={flag}
          pressed={query[flag] === true}
          onClick={() => set({ [flag]: query[flag] ? undefined : true })}
        >
          {label}
        </Button>
      ))}
    </div>
  )
}
