import { X } from 'lucide-react'
import { useMemo, useState } from 'react'
import { CATALOGUE, namesOf, namingWords } from '~/core/catalogue'
import { formatPhrase } from '~/core/changes'
import { gridName } from '~/core/time'
import { PhraseStacks } from '~/drawing/stacks/phrase-figure'
import type { CellRecord, LickSummary } from '~/storage'
import { AddSelect } from '~/ui/add-select'
import { IconButton } from '~/ui/icon-button'
import { NumberField } from '~/ui/number-field'
import { foundRows, sortedRows } from '../library'
import type { ListedSource } from './flow-music'
import { type FlowSetup, MAX_SOURCES, MAX_WEIGHT, type SourceName } from './flow-setup'

interface SourceListProps {
  readonly setup: FlowSetup
  readonly listed: readonly ListedSource[]
  readonly licks: readonly LickSummary[]
  readonly cells: readonly CellRecord[]
  /** Saved versions of the licks that are drawn from. */
  readonly versions: readonly {
    readonly id: string
    readonly name: string
    readonly title: string
  }[]
  readonly onSources: (sources: readonly SourceName[]) => void
  /** Asks for a fill that nobody has thought of. */
  readonly onSurprise: () => void
}

/** Licks that are offered at once; more are found by their names. */
const MAX_OFFERED = 200

/** What is mixed: each with its weight, and everything that can be added. */
export function SourceList(props: SourceListProps) {
  const { setup, listed, licks, cells, versions, onSources, onSurprise } = props
  const names = listed.map(({ name }) => name)
  const [sought, setSought] = useState('')
  const offered = useMemo(
    () => foundRows(sortedRows(licks, 'title'), sought, '').slice(0, MAX_OFFERED),
    [licks, sought],
  )
  const change = (at: number, weight: number) =>
    onSources(names.map((name, i) => (i === at ? { ...name, weight } : name)))
  return (
    <section aria-labelledby="sources-title" className="flex flex-col gap-2">
      <h2 id="sources-title" className="font-semibold">
        {setup.mode === 'mix' ? 'What is mixed' : 'What grows, and by what'}
      </h2>
      <ul aria-label="Sources" className="flex flex-col">
        {listed.map(({ name, source, title, trouble }, i) => (
          <li
            key={`${name.kind} ${name.of} ${i}`}
            className="flex items-center gap-2 border-base-300 border-b py-1"
          >
            <span className="min-w-0 grow">
              <span className="flex items-center gap-2">
                <span className="w-20 shrink-0 overflow-hidden">
                  <PhraseStacks phrase={source.line} />
                </span>
                <span
                  className={`min-w-0 truncate ${name.kind === 'line' ? 'font-mono text-sm' : 'font-semibold text-sm'}`}
                >
                  {title}
                </span>
              </span>
              {name.kind === 'line' && <CellName line={source.line} />}
              {name.kind !== 'line' && (
                <span className="block text-(--quiet) text-xs">
                  in {gridName(source.grid)}
                  {(source.ostinatos ?? []).length > 0 && ', with its feet'}
                </span>
              )}
              {trouble && (
                <span className="block text-warning text-xs">{trouble}: never drawn</span>
              )}
            </span>
            {setup.mode === 'stretch' && i === 0 ? (
              <span className="text-(--quiet) text-xs">grows</span>
            ) : (
              <NumberField
                label={`Weight of ${title}`}
                title="Weight"
                className="w-12 text-center"
                min={0}
                max={MAX_WEIGHT}
                value={name.weight}
                onChange={(weight) => change(i, weight)}
              />
            )}
            <IconButton
              size="tiny"
              label={`Remove ${title}`}
              onClick={() => onSources(names.toSpliced(i, 1))}
            >
              <X size={14} aria-hidden />
            </IconButton>
          </li>
        ))}
      </ul>
      {licks.length > MAX_OFFERED && (
        <input
          type="search"
          aria-label="Find a lick for the flow"
          placeholder={`find among ${licks.length} licks`}
          className="w-full rounded-field border border-base-300 bg-base-100 px-2 py-1.5 text-sm"
          value={sought}
          onChange={(event) => setSought(event.target.value)}
        />
      )}
      <AddSelect
        label="Add to the flow"
        words="Add a cell or a lick …"
        className="w-full"
        disabled={names.length >= MAX_SOURCES}
        onAdd={(value) => {
          if (value === SURPRISE) return onSurprise()
          const [kind, of] = splitOnce(value)
          if (kind === 'lick' || kind === 'line' || kind === 'version')
            onSources([...names, { kind, of, weight: 1 }])
        }}
      >
        <option value={SURPRISE}>A fill at random, from the finder</option>
        <optgroup label="Licks">
          {offered.map(({ id, title }) => (
            <option key={id} value={`lick:${id}`}>
              {title}
            </option>
          ))}
        </optgroup>
        {versions.length > 0 && (
          <optgroup label="Versions">
            {versions.map(({ id, name, title }) => (
              <option key={id} value={`version:${id}`}>
                {title}: {name}
              </option>
            ))}
          </optgroup>
        )}
        {cells.length > 0 && (
          <optgroup label="Your cells">
            {cells.map(({ id, name, line }) => (
              <option key={id} value={`line:${line}`}>
                {name}: {line}
              </option>
            ))}
          </optgroup>
        )}
        <optgroup label="Cells">
          {CATALOGUE.map(({ id, name, phrase }) => (
            <option key={id} value={`line:${formatPhrase(phrase)}`}>
              {name}: {formatPhrase(phrase)}
            </option>
          ))}
        </optgroup>
      </AddSelect>
    </section>
  )
}

const SURPRISE = 'surprise'

/** What a cell is called, where it has a name. */
function CellName({ line }: { line: ListedSource['source']['line'] }) {
  const [name] = useMemo(() => namesOf(line), [line])
  return name ? <span className="block text-(--quiet) text-xs">{namingWords(name)}</span> : null
}

function splitOnce(value: string): [string, string] {
  const at = value.indexOf(':')
  return [value.slice(0, at), value.slice(at + 1)]
}
