import { Ellipsis, Redo2, Undo2 } from 'lucide-react'
import { useState, useSyncExternalStore } from 'react'
import { Link } from 'react-router'
import { type Key, normalTitle, splitTags, valuesOf } from '~/codecs/lick-text'
import { NEW_TITLE, type RecordSaver } from '~/storage'
import { DraftInput } from '~/ui/draft-input'
import { IconButton } from '~/ui/icon-button'
import { lazyComponent } from '~/ui/lazy-component'
import { LoadBoundary } from '~/ui/load-boundary'
import { PopUp } from '~/ui/pop-up'
import { memoize } from '~/workspace/memoize'
import type { WorkspaceState } from '~/workspace/workspace'
import { FrameSentence } from './frame/frame-sentence'
import { useSlice, useWorkspace } from './state/use-workspace'

/** Fetched when it is opened first. */
const LickMenu = lazyComponent(async () => (await import('./lick-menu')).default)

// A key that changes none of these does not draw the bar again; a text is read once for all who ask.
const rowsOf = memoize((text: string) => ({
  title: normalTitle(valuesOf(text, 'title')[0] ?? ''),
  tags: valuesOf(text, 'tags')[0] ?? '',
}))
const titleOf = ({ document }: WorkspaceState) => rowsOf(document.history.text).title
const tagsOf = ({ document }: WorkspaceState) => rowsOf(document.history.text).tags
const undoesOf = ({ document }: WorkspaceState) => document.history.past.length > 0
const redoesOf = ({ document }: WorkspaceState) => document.history.future.length > 0

/** The lick's name, tags and frame, whether it is saved, and what can be done with it as a whole. */
export function LickBar() {
  const workspace = useWorkspace()
  const { saver } = workspace.session
  const { id } = saver
  const title = useSlice(titleOf)
  const tags = useSlice(tagsOf)
  const undoes = useSlice(undoesOf)
  const redoes = useSlice(redoesOf)
  const set = (key: Key) => (next: string) => workspace.setRow(key, next === '' ? [] : [next])
  const [more, setMore] = useState(false)
  return (
    <header className="lick-bar">
      <div className="min-w-0 max-w-full">
        <DraftInput
          label="Title"
          className="min-w-24 max-w-full truncate rounded-field bg-transparent font-semibold text-2xl tracking-tight [field-sizing:content] hover:bg-base-100 lg:max-w-96"
          value={title}
          standIn={NEW_TITLE}
          tidy={normalTitle}
          placeholder="Name this lick"
          onChange={set('title')}
        />
      </div>
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
        <IconButton label="Undo" disabled={!undoes} onClick={() => workspace.travel('undo')}>
          <Undo2 size={18} aria-hidden />
        </IconButton>
        <IconButton label="Redo" disabled={!redoes} onClick={() => workspace.travel('redo')}>
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
          <LoadBoundary what="The list">
            <LickMenu waiting={<span className="text-sm">Opening …</span>} title={title} />
          </LoadBoundary>
        </PopUp>
      </div>
    </header>
  )
}

function tidyTags(typed: string): string {
  return splitTags(typed).join(', ')
}

/** Whether what is on the page is saved. Quiet while it is; plain words when it is not. */
function SaveMark({ saver }: { saver: RecordSaver<'licks'> }) {
  const state = useSyncExternalStore(saver.subscribe, saver.state, saver.state)
  const failed = state.kind === 'failed' || state.kind === 'conflict'
  return (
    <p
      // Said only when something is wrong: with every key it would be said twice.
      role={failed ? 'alert' : undefined}
      className={`mr-1 min-w-14 text-right text-xs ${failed ? 'font-semibold text-error' : 'text-(--quiet)'}`}
    >
      {state.kind === 'saved' && 'Saved'}
      {state.kind === 'waiting' && 'Saving …'}
      {state.kind === 'conflict' && 'Not saved: decide'}
      {state.kind === 'failed' &&
        (state.issue.code === 'quota' ? 'Not saved: storage is full' : 'Not saved yet')}
    </p>
  )
}
