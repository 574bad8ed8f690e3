import { Copy, Printer, Share2, Trash2 } from 'lucide-react'
import { Link, useNavigate } from 'react-router'
import { createLick, notSavedWords, putInBin } from '~/storage'
import { copyOf } from '~/workspace/lick-edits'
import type { LibraryState } from '../library'
import { useWorkspace } from './state/use-workspace'

/** What is done with the lick as a whole: printed, shared, copied, or into the bin with it. */
export default function LickMenu({ title }: { title: string }) {
  const workspace = useWorkspace()
  const { saver } = workspace.session
  const { id } = saver
  const navigate = useNavigate()
  const duplicate = async () => {
    const made = await createLick(copyOf(workspace.session.texts()))
    if (made.ok) navigate(`/bench/${made.value}`)
    else workspace.refuse(notSavedWords(made.error))
  }
  const share = async () => {
    const { formatLink } = await import('~/codecs/link')
    const { text, voicing } = workspace.session.texts()
    const url = `${location.origin}/link#${formatLink({ text, voicing })}`
    if (typeof navigator.share === 'function') {
      // Given up by hand is no fault.
      await navigator.share({ title, url }).catch(() => {})
      return
    }
    await navigator.clipboard.writeText(url).then(
      () =>
        workspace.tell({
          message: 'The link is copied. The whole lick is in it; no server has it.',
        }),
      () => workspace.refuse('The browser does not allow copying.'),
    )
  }
  const remove = async () => {
    await saver.flush()
    const deleted = await putInBin([{ table: 'licks', id }])
    if (deleted.ok)
      navigate('/', {
        state: { deleted: [{ id, title: title || 'Untitled' }] } satisfies LibraryState,
      })
    else workspace.refuse(notSavedWords(deleted.error))
  }
  return (
    <>
      <Link to={`/sheet?licks=${id}`} className="menu-row">
        Print <Printer size={16} aria-hidden />
      </Link>
      <button type="button" className="menu-row" onClick={() => void share()}>
        Share a link <Share2 size={16} aria-hidden />
      </button>
      <button type="button" className="menu-row" onClick={() => void duplicate()}>
        Duplicate <Copy size={16} aria-hidden />
      </button>
      <button type="button" className="menu-row" onClick={() => void remove()}>
        Delete <Trash2 size={16} aria-hidden />
      </button>
    </>
  )
}
