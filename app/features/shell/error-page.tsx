import { Download, Undo2 } from 'lucide-react'
import { isRouteErrorResponse, Link } from 'react-router'
import { formatBundle } from '~/codecs/bundle'
import { rescueLicks, type StoreIssue } from '~/storage'
import { saveFile } from '~/ui/save-file'

/** An address that leads nowhere: says so, and leads back. */
export function NotFoundPage({
  title,
  text,
  to = '/',
  label = 'Back to the library',
}: {
  title: string
  text: string
  to?: string
  label?: string
}) {
  return (
    <div className="mx-auto w-full max-w-xl px-5 py-20">
      <h1 className="font-semibold text-3xl tracking-tight">{title}</h1>
      <p className="mt-3 text-(--quiet)">{text}</p>
      <Link to={to} className="btn btn-primary mt-8">
        <Undo2 size={18} aria-hidden />
        {label}
      </Link>
    </div>
  )
}

const STORE_WORDS: Readonly<Record<StoreIssue['code'], readonly [title: string, text: string]>> = {
  unavailable: [
    'The browser’s storage cannot be opened',
    'Licks are saved in this browser. A private window, or settings that block storage for this site, stop Dime Stack from reading them. Open it in an ordinary window or allow storage, then reload the page.',
  ],
  'newer-store': [
    'Your licks were saved by a newer Dime Stack',
    'This version cannot change them safely, so it leaves them alone. Open the newer version, or export what can be read to a file.',
  ],
  quota: [
    'The browser’s storage is full',
    'Free some disk space or allow this site more, then reload the page. Nothing you saved is lost.',
  ],
  'newer-record': [
    'This lick was saved by a newer Dime Stack',
    'This version leaves it alone. Open it in the newer version.',
  ],
  'broken-record': [
    'This lick cannot be read',
    'What is stored here is no longer a lick. It is left unchanged. You can export what can be read to a file.',
  ],
  missing: ['Lick not found', 'It may have been deleted, or it may be in another browser.'],
  deleted: ['This lick is in the bin', 'It was deleted. You can restore it from the bin.'],
  conflict: ['This lick was changed elsewhere', 'Reload the page to see the latest version.'],
  'too-large': ['This is too large to be saved', 'Nothing was changed.'],
}

/** What a store that fails looks like: why, what can be done, and the way to save what is there. */
export function StoreTrouble({ issue }: { issue: StoreIssue }) {
  const [title, text] = STORE_WORDS[issue.code]
  if (issue.code === 'missing') return <NotFoundPage title={title} text={text} />
  if (issue.code === 'deleted')
    return <NotFoundPage title={title} text={text} to="/bin" label="Open the bin" />
  return (
    <div className="mx-auto w-full max-w-xl px-5 py-20">
      <h1 className="font-semibold text-3xl tracking-tight">{title}</h1>
      <p className="mt-3 text-(--quiet)">{text}</p>
      <div className="mt-8 flex flex-wrap gap-3">
        <button type="button" className="btn btn-primary" onClick={() => location.reload()}>
          Reload
        </button>
        <button
          type="button"
          className="btn btn-outline border-base-300"
          onClick={saveWhatCanBeRead}
        >
          <Download size={18} aria-hidden />
          Export what can be read
        </button>
      </div>
      <p className="mt-8 font-mono text-(--quiet) text-xs">{issue.detail}</p>
    </div>
  )
}

async function saveWhatCanBeRead() {
  const rows = await rescueLicks()
  const entries = rows.flatMap(({ id, text }) => (typeof text === 'string' ? [{ id, text }] : []))
  saveFile('dime-stack-rescued.json', 'application/json', formatBundle(entries))
}

/** The last resort for whatever else goes wrong. */
export function ErrorPage({ error }: { error: unknown }) {
  if (isRouteErrorResponse(error) && error.status === 404) {
    return <NotFoundPage title="Page not found" text="The link may be out of date or mistyped." />
  }
  const detail = error instanceof Error ? error.message : String(error)
  return (
    <div className="mx-auto w-full max-w-xl px-5 py-20">
      <h1 className="font-semibold text-3xl tracking-tight">Something went wrong</h1>
      <p className="mt-3 text-(--quiet)">
        What you saved is safe in this browser. Reload the page. If it happens again, you can export
        your licks from the library.
      </p>
      <div className="mt-8 flex flex-wrap gap-3">
        <button type="button" className="btn btn-primary" onClick={() => location.reload()}>
          Reload
        </button>
        <Link to="/" className="btn btn-outline border-base-300">
          Back to the library
        </Link>
      </div>
      <p className="mt-8 font-mono text-(--quiet) text-xs">{detail}</p>
    </div>
  )
}
