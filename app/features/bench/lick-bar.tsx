import { Copy, Ellipsis, Redo2, Trash2, Undo2 } from 'lucide-react'
import { nanoid } from 'nanoid'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { type Key, normalTitle, splitTags, valuesOf } from '~/codecs/lick-text'
import { addLicks, notSavedWords, putInBin } from '~/storage'
import { DraftInput } from '~/ui/draft-input'
import { IconButton } from '~/ui/icon-button'
import { PopUp } from '~/ui/pop-up'
import { copyOf } from '~/workspace/lick-edits'
import type { LibraryState } from '../library'
import { FrameSentence } from './frame/frame-sentence'
import { SaveMark } from './save-mark'
import { useDocument, useWorkspace } from './state/use-workspace'

/** The lick's name, tags and frame, whether it is saved, and what can be done with it as a whole. */
export function LickBar() {
  const workspace = useWorkspace()
  const { history } = useDocument()
  const { past, future, text } = history
  const { saver } = workspace.session
  const { id } = saver
  const title = normalTitle(valuesOf(text, 'title')[0] ?? '')
  const tags = valuesOf(text, 'tags')[0] ?? ''
  const set = (key: Key) => (next: string) => workspace.setRow(key, next === '' ? [] : [next])
  const navigate = useNavigate()
  const [more, setMore] = useState(false)
  const duplicate = async () => {
    const newId = nanoid(12)
    const added = await addLicks([{ id: newId, ...copyOf(workspace.session.texts()) }], Date.now())
    if (added.ok) navigate(`/bench/${newId}`)
    else workspace.refuse(notSavedWords(added.error))
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
    <header className="lick-bar">
      <h1 className="min-w-0 max-w-full">
        <DraftInput
          label="Title"
          className="min-w-24 max-w-full truncate rounded-field bg-transparent font-semibold text-2xl tracking-tight [field-sizing:content] hover:bg-base-100 lg:max-w-96"
          value={title}
          tidy={normalTitle}
          placeholder="Name this lick"
          onChange={set('title')}
        />
      </h1>
      <DraftInput
        label="Tags, with commas"
        className="min-w-10 max-w-24 truncate xl:max-w-48 rounded-field bg-transparent text-(--quiet) text-sm [field-sizing:content] hover:bg-base-100"
        value={tidyTags(tags)}
        tidy={tidyTags}
        placeholder="tags"
        onChange={set('tags')}
      />
      <FrameSentence />
      <div className="ml-auto flex items-center gap-0.5">
        <SaveMark saver={saver} />
        <IconButton
          label="Undo"
          disabled={past.length === 0}
          onClick={() => workspace.travel('undo')}
        >
          <Undo2 size={18} aria-hidden />
        </IconButton>
        <IconButton
          label="Redo"
          disabled={future.length === 0}
          onClick={() => workspace.travel('redo')}
        >
          <Redo2 size={18} aria-hidden />
        </IconButton>
        <Link to={`/practice/${id}`} className="btn btn-primary btn-sm ml-1">
          Practise
        </Link>
        <PopUp
          label="More for this lick"
          words={<Ellipsis size={18} aria-hidden />}
          down
          open={more}
          onOpen={setMore}
        >
          <button type="button" className="menu-row" onClick={() => void duplicate()}>
            Duplicate <Copy size={16} aria-hidden />
          </button>
          <button type="button" className="menu-row" onClick={() => void remove()}>
            Delete <Trash2 size={16} aria-hidden />
          </button>
        </PopUp>
      </div>
    </header>
  )
}

function tidyTags(typed: string): string {
  return splitTags(typed).join(', ')
}
