import { Upload } from 'lucide-react'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { Link } from 'react-router'
import type { Choice, ImportDone, IncomingEntry } from '~/storage/backup'
import { ErrorText } from '~/ui/parts'
import type { FoundPart, PartWishes } from '~/workers'
import { doneWords, STANDINGS, TABLE_WORDS, toTableRows } from './import-view'
import { JobProgress } from './job-progress'
import { PartList } from './part-list'
import { takeStagedFiles } from './staged-files'
import { useJob } from './use-job'

/** How many entries that differ are listed one by one. */
const MAX_LISTED = 100

const CHOICES: readonly (readonly [Choice, string])[] = [
  ['both', 'Keep both'],
  ['replace', 'Replace with the file’s'],
  ['skip', 'Skip, keep what is here'],
]

interface Looked {
  readonly entries: readonly IncomingEntry[]
  readonly parts: readonly FoundPart[]
  readonly faults: readonly string[]
}
const NO_WISHES: PartWishes = { drums: [], grids: [] }

/** Files on their way in: what they hold, how that stands to what is here, and what to do with it. */
export function ImportPart() {
  const input = useRef<HTMLInputElement>(null)
  const looked = useJob<Looked>()
  const imported = useJob<ImportDone>()
  const [files, setFiles] = useState<readonly File[]>([])
  const [wishes, setWishes] = useState<PartWishes>(NO_WISHES)
  // What was found stays in sight while it is looked at again with other wishes.
  const [found, setFound] = useState<Looked | null>(null)
  const { run: look } = looked
  const inspect = useCallback(
    async (chosen: readonly File[], wished: PartWishes) => {
      setFiles(chosen)
      setWishes(wished)
      const output = await look(async (onTold, signal) => {
        const { filesWorker } = await import('~/workers')
        const asked = { files: chosen, at: Date.now(), wishes: wished }
        return filesWorker.ask('inspect', asked, { onTold, signal })
      })
      if (output) setFound(output)
    },
    [look],
  )
  const open = (chosen: readonly File[]) => {
    setFound(null)
    void inspect(chosen, NO_WISHES)
  }
  useEffect(() => {
    const staged = takeStagedFiles()
    if (staged.length > 0) void inspect(staged, NO_WISHES)
  }, [inspect])
  const { state } = looked
  return (
    <section aria-labelledby="import-title" className="flex flex-col gap-3">
      <h2 id="import-title" className="font-semibold text-lg">
        Import
      </h2>
      <p className="text-(--quiet) text-sm">
        Backups, lick texts, kits, collections of licks, and drum parts as MusicXML or MIDI: told
        apart by what is in them. Nothing is written before you say so.
      </p>
      <input
        ref={input}
        type="file"
        multiple
        className="sr-only"
        aria-label="Files to read"
        tabIndex={-1}
        onChange={(event) => {
          const chosen = [...(event.target.files ?? [])]
          event.target.value = ''
          if (chosen.length > 0) open(chosen)
        }}
      />
      <div>
        <button
          type="button"
          className="btn btn-outline border-base-300"
          onClick={() => input.current?.click()}
        >
          <Upload size={18} aria-hidden /> Choose files
        </button>
      </div>
      {state.kind === 'running' && (
        <JobProgress label="Reading" {...state} onCancel={looked.cancel} />
      )}
      <ErrorText words={state.kind === 'failed' ? `Not read: ${state.message}` : ''} />
      {state.kind === 'cancelled' && <p role="status">Cancelled. Nothing was written.</p>}
      {found && (
        <>
          {found.faults.map((fault) => (
            <ErrorText key={fault} words={fault} />
          ))}
          {found.parts.length > 0 && (
            <PartList
              parts={found.parts}
              wishes={wishes}
              onWish={(wished) => void inspect(files, wished)}
            />
          )}
          {found.entries.length > 0 && <Found entries={found.entries} imported={imported} />}
        </>
      )}
    </section>
  )
}

interface FoundProps {
  readonly entries: readonly IncomingEntry[]
  readonly imported: ReturnType<typeof useJob<ImportDone>>
}

function Found({ entries, imported: { state, run, cancel } }: FoundProps) {
  const [different, setDifferent] = useState<Choice>('both')
  const [single, setSingle] = useState<ReadonlyMap<number, Choice>>(new Map())
  const rows = useMemo(() => toTableRows(entries), [entries])
  const differing = useMemo(
    () => entries.filter(({ standing }) => standing === 'different'),
    [entries],
  )
  const start = () =>
    run(async (onTold, signal) => {
      const { filesWorker } = await import('~/workers')
      const choices = { different, single: [...single] }
      return filesWorker.ask('import', { ...choices, at: Date.now() }, { onTold, signal })
    })
  const unreadable = entries.filter(({ standing }) => standing === 'unreadable')
  return (
    <div className="flex flex-col gap-4 rounded-box border border-base-300 bg-base-100 p-4">
      <table className="w-full max-w-xl text-sm">
        <caption className="sr-only">What the files hold</caption>
        <thead className="text-(--quiet) text-xs">
          <tr>
            <th className="text-left font-normal">in the files</th>
            {STANDINGS.map((standing) => (
              <th key={standing} className="text-right font-normal">
                {standing}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ table, name, counts }) => (
            <tr key={table} className="border-base-300 border-t">
              <th scope="row" className="py-1 text-left font-normal">
                {name}
              </th>
              {STANDINGS.map((standing) => (
                <td key={standing} className="text-right tabular-nums">
                  {counts[standing] || '–'}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {differing.length > 0 && (
        <fieldset className="flex flex-wrap items-center gap-x-4 gap-y-1 text-sm">
          <legend className="mb-1">Changed since the backup:</legend>
          {CHOICES.map(([choice, label]) => (
            <label key={choice} className="flex items-center gap-2">
              <input
                type="radio"
                name="different"
                className="radio radio-sm"
                checked={different === choice}
                onChange={() => {
                  setDifferent(choice)
                  setSingle(new Map())
                }}
              />
              {label}
            </label>
          ))}
        </fieldset>
      )}
      {differing.length > 0 && (
        <ul
          className="max-h-64 overflow-y-auto text-sm"
          aria-label="Entries that differ, one by one"
        >
          {differing.slice(0, MAX_LISTED).map(({ index, table, name, binned }) => (
            <li
              key={index}
              className="flex flex-wrap items-center gap-3 border-base-300 border-t py-1"
            >
              <span className="min-w-40 grow">
                {name} <span className="text-(--quiet)">{TABLE_WORDS[table][0]}</span>
                {binned && <span className="text-(--quiet)">, in the bin here</span>}
              </span>
              <select
                aria-label={`What to do with ${name}`}
                className="rounded-field border border-base-300 bg-base-100 px-1.5 py-0.5"
                value={single.get(index) ?? different}
                onChange={(event) =>
                  setSingle((now) => new Map(now).set(index, event.target.value as Choice))
                }
              >
                {CHOICES.map(([choice, label]) => (
                  <option key={choice} value={choice}>
                    {label}
                  </option>
                ))}
              </select>
            </li>
          ))}
          {differing.length > MAX_LISTED && (
            <li className="py-1 text-(--quiet)">and {differing.length - MAX_LISTED} more</li>
          )}
        </ul>
      )}
      {unreadable.length > 0 && (
        <p className="text-sm">
          {unreadable.length} {TABLE_WORDS.aside[unreadable.length === 1 ? 0 : 1]} can’t be read by
          this version. {unreadable.length === 1 ? 'It is' : 'They are'} kept aside unchanged, and
          go into every backup.
        </p>
      )}
      {state.kind === 'running' ? (
        <JobProgress label="Importing" {...state} onCancel={cancel} />
      ) : state.kind === 'done' ? (
        <div role="status" className="text-sm">
          <p>{doneWords(state.output)}</p>
          {state.output.licks.length > 0 && (
            <p className="mt-1 flex flex-wrap gap-x-4 gap-y-1">
              {state.output.licks.map(({ id, name }) => (
                <Link key={id} to={`/bench/${id}`} className="link">
                  {name || 'Untitled'}
                </Link>
              ))}
            </p>
          )}
          {state.output.faults.map((fault) => (
            <p key={fault} className="text-error">
              {fault}
            </p>
          ))}
        </div>
      ) : (
        <div>
          <button type="button" className="btn btn-primary" onClick={() => void start()}>
            Import
          </button>
        </div>
      )}
      <ErrorText words={state.kind === 'failed' ? `Not imported: ${state.message}` : ''} />
    </div>
  )
}
