import { Copy, Trash2 } from 'lucide-react'
import { useNavigate } from 'react-router'
import { createLick, notSavedWords, putInBin } from '~/storage'
import { copyOf } from '~/workspace/lick-edits'
import type { LibraryState } from '../library'
import { useWorkspace } from './state/use-workspace'

/** What is done seldom with the lick as a whole: a copy of it, or into the bin with it. */
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
      <button type="button" className="menu-row" onClick={() => void duplicate()}>
        Duplicate <Copy size={16} aria-hidden />
      </button>
      <button type="button" className="menu-row" onClick={() => void remove()}>
        Delete <Trash2 size={16} aria-hidden />
      </button>
    </>
  )
}
