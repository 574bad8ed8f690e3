import { Columns2, Copy, Download, FileDown, ListPlus, Printer, Tag, Trash2 } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import type { LickSummary, StoreIssue } from '~/storage'
import { Button, ErrorText, TextBox } from '~/ui/parts'
import { saveFile } from '~/ui/save-file'
import { ExportButton, JobProgress, useJob } from '../backup'
import { type DeletedLick, deleteLicks, type LibraryOutcome, tagLicks } from './library-actions'

interface SelectionBarProps {
  readonly selected: ReadonlySet<string>
  /** The rows that are found now. */
  readonly shown: readonly LickSummary[]
  readonly onSelect: (ids: readonly string[], on: boolean) => void
  readonly onClear: () => void
  readonly onDeleted: (licks: readonly DeletedLick[]) => void
}

function notReadWords({ detail }: StoreIssue): string {
  return `The licks could not be read: ${detail}`
}

/** So many licks are seen side by side. */
const MAX_COMPARED = 6
/** So many go on a sheet. */
const MAX_ON_SHEET = 64

/** What can be done with all the licks that are selected; nothing while none is. */
export function SelectionBar({ selected, shown, onSelect, onClear, onDeleted }: SelectionBarProps) {
  const [tag, setTag] = useState('')
  const [outcome, setOutcome] = useState<LibraryOutcome | null>(null)
  const { state, run, cancel } = useJob<void>()
  if (selected.size === 0 && state.kind !== 'running') return null
  const ids = [...selected]
  const addTag = () =>
    run(async (onProgress, signal) => {
      const done = await tagLicks(ids, tag, { onProgress, signal })
      setOutcome(done)
      if (done.kind === 'done') setTag('')
    })
  const remove = () =>
    run(async (onProgress, signal) => {
      const titles = new Map(shown.map((row) => [row.id, row.title]))
      const done = await deleteLicks(ids, { onProgress, signal })
      setOutcome(done)
      if (done.kind === 'done')
        onDeleted(ids.map((id) => ({ id, title: titles.get(id) ?? 'Untitled' })))
    })
  const say = (words: string) => setOutcome({ kind: 'done', message: words })
  const refuse = (issue: StoreIssue) => setOutcome({ kind: 'failed', message: notReadWords(issue) })
  const copy = async () => {
    const { copiedTexts } = await import('./lick-texts')
    const texts = await copiedTexts(ids)
    if (!texts.ok) return refuse(texts.error)
    await navigator.clipboard.writeText(texts.value).then(
      () => say('Copied.'),
      () => say('The browser does not allow copying.'),
    )
  }
  const saveTexts = async () => {
    const { savedTexts } = await import('./lick-texts')
    const texts = await savedTexts(ids)
    if (!texts.ok) return refuse(texts.error)
    saveFile(texts.value.name, texts.value.type, texts.value.content)
  }
  return (
    <section
      aria-label="Selected licks"
      className="sticky top-0 z-20 mt-4 flex flex-wrap items-center gap-x-3 gap-y-2 rounded-box border border-base-300 bg-base-100 p-2 text-sm"
    >
      <span className="font-semibold">
        {selected.size.toLocaleString('en-GB')} {selected.size === 1 ? 'lick' : 'licks'} selected
      </span>
      {state.kind === 'running' && <JobProgress label="Changing" {...state} onCancel={cancel} />}
      {selected.size < shown.length && (
        <Button
          onClick={() =>
            onSelect(
              shown.map(({ id }) => id),
              true,
            )
          }
        >
          Select all {shown.length.toLocaleString('en-GB')}
        </Button>
      )}
      <form
        className="flex items-center gap-1"
        onSubmit={(event) => {
          event.preventDefault()
          void addTag()
        }}
      >
        <TextBox
          label="Tag to add"
          className="w-28"
          placeholder="tag"
          maxLength={40}
          value={tag}
          onType={setTag}
        />
        <button type="submit" className="btn btn-outline border-base-300 btn-sm font-normal">
          <Tag size={14} aria-hidden /> Add tag
        </button>
      </form>
      <ExportButton lickIds={ids} className="btn btn-outline border-base-300 btn-sm font-normal">
        <Download size={14} aria-hidden /> Export
      </ExportButton>
      {selected.size > 1 && selected.size <= MAX_COMPARED && (
        <Link
          to={`/compare?licks=${ids.join(',')}`}
          className="btn btn-outline border-base-300 btn-sm font-normal"
        >
          <Columns2 size={14} aria-hidden /> Compare
        </Link>
      )}
      {selected.size <= MAX_ON_SHEET && (
        <Link
          to={`/sheet?licks=${ids.join(',')}`}
          className="btn btn-outline border-base-300 btn-sm font-normal"
        >
          <Printer size={14} aria-hidden /> Sheet
        </Link>
      )}
      <Link
        to={`/sets?add=${ids.join(',')}`}
        className="btn btn-outline border-base-300 btn-sm font-normal"
      >
        <ListPlus size={14} aria-hidden /> Add to a set
      </Link>
      <Button onClick={() => void copy()}>
        <Copy size={14} aria-hidden /> Copy as text
      </Button>
      <Button onClick={() => void saveTexts()}>
        <FileDown size={14} aria-hidden /> Save texts
      </Button>
      <Button onClick={() => void remove()}>
        <Trash2 size={14} aria-hidden /> Delete
      </Button>
      <Button onClick={onClear}>Select none</Button>
      <ErrorText words={outcome?.kind === 'failed' ? outcome.message : ''} />
      {outcome?.kind === 'done' && outcome.message !== '' && (
        <p role="status" className="text-(--quiet)">
          {outcome.message}
        </p>
      )}
    </section>
  )
}
