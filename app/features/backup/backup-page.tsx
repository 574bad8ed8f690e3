import { Archive } from 'lucide-react'
import { useEffect, useState } from 'react'
import { Link } from 'react-router'
import { plural } from '~/words/figures'
import { ExportButton } from './export-button'
import { ImportPart } from './import-part'
import { reminderWords, sizeWords } from './import-view'
import { useBackupState } from './use-backup-state'

/** Backup and restore: everything out as one file, and files in, with a say in what they change. */
export function BackupPage() {
  const state = useBackupState()
  const reminder = state ? reminderWords(state, Date.now()) : ''
  return (
    <div className="mx-auto flex w-full max-w-4xl flex-col gap-8 px-5 py-8">
      <h1 className="font-semibold text-3xl tracking-tight">Backup</h1>
      <section aria-labelledby="export-title" className="flex flex-col gap-3">
        <h2 id="export-title" className="font-semibold text-lg">
          Back up
        </h2>
        <p className="text-(--quiet) text-sm">
          One file with everything: licks with their drafts, versions, voicings and notes; cells,
          grooves, kits, plans, settings and the practice log; and what is in the bin.
        </p>
        {reminder && <p role="status">{reminder}</p>}
        <div>
          <ExportButton lickIds={null} className="btn btn-primary">
            <Archive size={18} aria-hidden /> Save a backup
          </ExportButton>
        </div>
        <p className="text-(--quiet) text-sm">
          {state?.at
            ? `Last backup: ${new Date(state.at).toLocaleString('en-GB', { dateStyle: 'long', timeStyle: 'short' })}.`
            : 'No backup has been made in this browser yet.'}
          {state !== null &&
            state.aside > 0 &&
            ` ${plural(state.aside, 'entry', 'entries')} that can’t be read ${state.aside === 1 ? 'is' : 'are'} kept aside; every backup holds ${state.aside === 1 ? 'it' : 'them'}.`}
        </p>
      </section>
      <ImportPart />
      <StoragePart />
      <p className="text-sm">
        <Link to="/bin" className="link">
          Open the bin
        </Link>
      </p>
    </div>
  )
}

/** How much the browser stores, and whether it has promised to keep it. */
function StoragePart() {
  const [used, setUsed] = useState<{ usage: number; quota: number } | null>(null)
  const [persisted, setPersisted] = useState<boolean | null>(null)
  const [asked, setAsked] = useState(false)
  useEffect(() => {
    const storage = navigator.storage as StorageManager | undefined
    void storage?.estimate().then(
      ({ usage = 0, quota = 0 }) => setUsed({ usage, quota }),
      () => {},
    )
    void storage?.persisted().then(setPersisted, () => {})
  }, [])
  const ask = async () => {
    setPersisted(await navigator.storage.persist().catch(() => false))
    setAsked(true)
  }
  return (
    <section aria-labelledby="storage-title" className="flex flex-col gap-2">
      <h2 id="storage-title" className="font-semibold text-lg">
        Storage
      </h2>
      {used && (
        <p className="text-sm">
          {sizeWords(used.usage)} used of {sizeWords(used.quota)} that the browser allows.
        </p>
      )}
      {persisted === true && (
        <p className="text-sm">The browser keeps this data even when it runs short of space.</p>
      )}
      {persisted === false && (
        <p className="flex flex-wrap items-center gap-3 text-sm">
          <span>The browser may remove this data when it runs short of space.</span>
          <button
            type="button"
            className="btn btn-outline border-base-300 btn-sm font-normal"
            onClick={() => void ask()}
          >
            Ask it to keep the data
          </button>
          {asked && <span role="status">The browser refused. Save a backup now and then.</span>}
        </p>
      )}
    </section>
  )
}
