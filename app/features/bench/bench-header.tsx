import { Copy, Redo2, Trash2, Undo2 } from 'lucide-react'
import { nanoid } from 'nanoid'
import { memo } from 'react'
import { Link, useNavigate } from 'react-router'
import { type Key, normalTitle, splitTags } from '~/codecs/lick-text'
import { addLicks, type LickTexts, notSavedWords, putInBin, type RecordSaver } from '~/storage'
import { DraftInput } from '~/ui/draft-input'
import { IconButton } from '~/ui/icon-button'
import type { LibraryState } from '../library/library-actions'
import { copyOf } from '../library/lick-edits'
import { SaveMark } from './save-mark'

interface BenchHeaderProps {
  readonly id: string
  readonly title: string
  readonly tags: string
  /** What is on the bench now as it is stored, for a copy of it. */
  readonly textsNow: () => LickTexts
  readonly saver: RecordSaver<'licks'>
  /** Says why something was not done. */
  readonly onRefuse: (message: string) => void
  readonly canUndo: boolean
  readonly canRedo: boolean
  readonly onSet: (key: Key, values: readonly string[]) => void
  readonly onTravel: (kind: 'undo' | 'redo') => void
}

/** The lick's name and tags, whether it is saved, and what can be done with it as a whole. */
export const BenchHeader = memo(function BenchHeader(props: BenchHeaderProps) {
  const { id, title, tags, textsNow, saver, onRefuse, canUndo, canRedo, onSet, onTravel } = props
  const navigate = useNavigate()
  const duplicate = async () => {
    const newId = nanoid(12)
    const added = await addLicks([{ id: newId, ...copyOf(textsNow()) }], Date.now())
    if (added.ok) navigate(`/bench/${newId}`)
    else onRefuse(notSavedWords(added.error))
  }
  const remove = async () => {
    await saver.flush()
    const deleted = await putInBin([{ table: 'licks', id }])
    if (deleted.ok)
      navigate('/', {
        state: { deleted: [{ id, title: title || 'Untitled' }] } satisfies LibraryState,
      })
    else onRefuse(notSavedWords(deleted.error))
  }
  return (
    <header className="paint-alone flex flex-wrap items-center gap-x-4 gap-y-2 lg:col-span-2">
      <h1 className="min-w-0">
        <DraftInput
          label="Title"
          className="min-w-40 max-w-full truncate rounded-field bg-transparent font-semibold text-3xl tracking-tight [field-sizing:content] hover:bg-base-100"
          value={title}
          tidy={normalTitle}
          placeholder="Name this lick"
          onChange={(next) => onSet('title', next === '' ? [] : [next])}
        />
      </h1>
      <DraftInput
        label="Tags, with commas"
        className="mr-auto min-w-32 max-w-full rounded-field bg-transparent text-(--quiet) text-sm [field-sizing:content] hover:bg-base-100"
        value={tidyTags(tags)}
        tidy={tidyTags}
        placeholder="tags, with commas"
        onChange={(next) => onSet('tags', next === '' ? [] : [next])}
      />
      <SaveMark saver={saver} />
      <div className="flex gap-1">
        <Link to={`/practice/${id}`} className="btn btn-primary btn-sm mr-2">
          Practise
        </Link>
        <IconButton label="Undo" disabled={!canUndo} onClick={() => onTravel('undo')}>
          <Undo2 size={18} aria-hidden />
        </IconButton>
        <IconButton label="Redo" disabled={!canRedo} onClick={() => onTravel('redo')}>
          <Redo2 size={18} aria-hidden />
        </IconButton>
        <IconButton label="Duplicate" onClick={() => void duplicate()}>
          <Copy size={18} aria-hidden />
        </IconButton>
        <IconButton label="Delete" onClick={() => void remove()}>
          <Trash2 size={18} aria-hidden />
        </IconButton>
      </div>
    </header>
  )
})

function tidyTags(typed: string): string {
  return splitTags(typed).join(', ')
}
