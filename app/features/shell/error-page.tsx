import { Download, Undo2 } from 'lucide-react'
import { isRouteErrorResponse, Link } from 'react-router'
import { formatBundle } from '~/codecs/bundle'
import { rescueLicks, type StoreIssue } from '~/storage'
import { saveFile } from '~/ui/save-file'

/** An address that leads nowhere: says so, and leads back. */
export function NotFoundPage({ title, text }: { title: string; text: string }) {
  return (
    <div className="mx-auto w-full max-w-xl px-5 py-20">
      <h1 className="font-semibold text-3xl tracking-tight">{title}</h1>
      <p className="mt-3 text-(--quiet)">{text}</p>
      <Link to="/" className="btn btn-primary mt-8">
        <Undo2 size={18} aria-hidden />
        Back to the library
      </Link>
    </div>
  )
}

const STORE_WORDS: Readonly<Record<StoreIssue['code'], readonly [title: string, text: string]>> = {
  unavailable: [
    'The browser does not open its store',
    'Licks are kept in this browser. A private window, or settings that block storage for this address, keep Dime Stack from reading them. Open it in an ordinary window, or allow storage, and load the page again.',
  ],
  'newer-store': [
    'Your licks were kept by a newer Dime Stack',
    'This version does not know how to change them without harm, so it leaves them alone. Load the newer version, or save what can be read to a file.',
  ],
  quota: [
    'The browser has no room left',
    'Free some space on the disk, or let this address use more, and load the page again. Nothing that was saved is lost.',
  ],
  'newer-record': [
    'This lick was kept by a newer Dime Stack',
    'This version leaves it alone. Load the newer version to open it.',
  ],
  'broken-record': [
    'This lick cannot be read',
    'What is stored under its name is not a lick any more. It is left as it is; save what can be read to a file.',
  ],
  missing: [
    'There is no lick at this address',
    'It may have been deleted, or it lives in another browser.',
  ],
  conflict: ['This lick was changed elsewhere', 'Load the page again to see it as it is now.'],
}

/** What a store that fails looks like: why, what can be done, and the way to save what is there. */
export function StoreTrouble({ issue }: { issue: StoreIssue }) {
  const [title, text] = STORE_WORDS[issue.code]
  if (issue.code === 'missing') return <NotFoundPage title={title} text={text} />
  return (
    <div className="mx-auto w-full max-w-xl px-5 py-20">
      <h1 className="font-semibold text-3xl tracking-tight">{title}</h1>
      <p className="mt-3 text-(--quiet)">{text}</p>
      <div className="mt-8 flex flex-wrap gap-3">
        <button type="button" className="btn btn-primary" onClick={() => location.reload()}>
          Load again
        </button>
        <button
          type="button"
          className="btn btn-outline border-base-300"
          onClick={saveWhatCanBeRead}
        >
          <Download size={18} aria-hidden />
          Save what can be read
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
    return (
      <NotFoundPage
        title="Nothing stands at this address"
        text="The link may be old, or a letter is missing."
      />
    )
  }
  const detail = error instanceof Error ? error.message : String(error)
  return (
    <div className="mx-auto w-full max-w-xl px-5 py-20">
      <h1 className="font-semibold text-3xl tracking-tight">This page stumbled</h1>
      <p className="mt-3 text-(--quiet)">
        What you saved is safe in this browser. Load the page again; if it stumbles again, the
        library can save your licks to a file.
      </p>
      <div className="mt-8 flex flex-wrap gap-3">
        <button type="button" className="btn btn-primary" onClick={() => location.reload()}>
          Load again
        </button>
        <Link to="/" className="btn btn-outline border-base-300">
          Back to the library
        </Link>
      </div>
      <p className="mt-8 font-mono text-(--quiet) text-xs">{detail}</p>
    </div>
  )
}
