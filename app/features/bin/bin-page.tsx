import { RotateCcw, Trash2 } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { ok, type Result } from '~/core/foundation'
import { useRead } from '~/live/use-read'
import { notSavedWords, purge, type Ref, restore, type StoreIssue } from '~/storage'
import { type BinEntry, listBin } from '~/storage/bin'
import { Button, ErrorText } from '~/ui/parts'
import { plural } from '~/words/figures'
import { TABLE_WORDS } from '../backup'
import { StoreTrouble } from '../shell'

/** How many are listed; the rest comes to sight as these go. */
const MAX_LISTED = 300

/** The bin as a value, also where it cannot be read. */
async function readBin(): Promise<Result<Result<BinEntry[], StoreIssue> | null, StoreIssue>> {
  return ok(await listBin())
}

/** Whether a change is of a table that has a bin. */
function isKept(table: string): boolean {
  return table in TABLE_WORDS
}

/** Everything that was deleted: restored one by one or all at once, or deleted for good. */
export function BinPage() {
  const [trouble, setTrouble] = useState('')
  const [sure, setSure] = useState(false)
  const listed = useRead(readBin, isKept, null)
  const act = async (
    work: (refs: readonly Ref[]) => Promise<Result<number, StoreIssue>>,
    refs: readonly Ref[],
  ) => {
    setSure(false)
    const done = await work(refs)
    setTrouble(done.ok ? '' : notSavedWords(done.error))
  }
  if (listed && !listed.ok) return <StoreTrouble issue={listed.error} />
  const entries = listed?.value ?? []
  return (
    <div className="mx-auto w-full max-w-4xl px-5 py-8">
      <div className="flex flex-wrap items-center gap-3">
        <h1 className="mr-auto font-semibold text-3xl tracking-tight">Bin</h1>
        {entries.length > 0 && !sure && (
          <Button onClick={() => setSure(true)}>
            <Trash2 size={14} aria-hidden /> Empty the bin
          </Button>
        )}
        {sure && (
          <>
            <span className="text-sm">Delete {plural(entries.length, 'item')} for good?</span>
            <button
              type="button"
              className="btn btn-error btn-sm"
              onClick={() => void act(purge, entries)}
            >
              Delete for good
            </button>
            <Button onClick={() => setSure(false)}>Keep them</Button>
          </>
        )}
      </div>
      <p className="mt-2 text-(--quiet) text-sm">
        What you delete stays here until you empty the bin. Nothing is removed by itself.
      </p>
      <ErrorText words={trouble} />
      {listed === null ? (
        <p className="mt-8 text-(--quiet)">Opening …</p>
      ) : entries.length === 0 ? (
        <p className="mt-8">
          The bin is empty. Back to the{' '}
          <Link className="link" to="/">
            library
          </Link>
          .
        </p>
      ) : (
        <ul className="mt-6 text-sm">
          {entries.slice(0, MAX_LISTED).map((entry) => (
            <li
              key={`${entry.table} ${entry.id}`}
              className="flex flex-wrap items-center gap-x-4 gap-y-1 border-base-300 border-t py-2"
            >
              <span className="min-w-40 grow">
                <span className="font-semibold">{entry.name}</span>{' '}
                <span className="text-(--quiet)">{TABLE_WORDS[entry.table][0]}</span>
              </span>
              <span className="text-(--quiet) tabular-nums">{whenWords(entry.deletedAt)}</span>
              <Button label={`Restore ${entry.name}`} onClick={() => void act(restore, [entry])}>
                <RotateCcw size={14} aria-hidden /> Restore
              </Button>
              <Button
                label={`Delete ${entry.name} for good`}
                onClick={() => void act(purge, [entry])}
              >
                Delete for good
              </Button>
            </li>
          ))}
          {entries.length > MAX_LISTED && (
            <li className="border-base-300 border-t py-2 text-(--quiet)">
              and {entries.length - MAX_LISTED} more
            </li>
          )}
        </ul>
      )}
    </div>
  )
}

/** `26 Nov 2026, 14:02` */
function whenWords(at: number): string {
  return new Date(at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })
}
