import { X } from 'lucide-react'
import { useEffect, useState, useSyncExternalStore } from 'react'
import { useSettings } from '~/live/use-live'
import { useSlices } from '~/live/use-slices'
import { type Kept, type LickRecord, NEW_LICK, openSaver, purge } from '~/storage'
import { lazyComponent } from '~/ui/lazy-component'
import { usePageTitle } from '~/ui/use-page-title'
import { HistoryMemory } from '~/workspace/documents/history-memory'
import { LickSession } from '~/workspace/documents/lick-session'
import { Workspace, type WorkspaceState } from '~/workspace/workspace'
import BenchKeys from './bench-keys'
import { BenchPlayer } from './bench-player'
import { Dock, useOpenPanel } from './dock/dock'
import { useFoundLine } from './found-line'
import { LickBar } from './lick-bar'
import { LineEditor } from './line-editor'
import { RulerPane } from './ruler-pane'
import { useBenchPlayer, useSlice, useWorkspace, WorkspaceProvider } from './state/use-workspace'
import { Verdict } from './verdict'

const LineOffer = lazyComponent(async () => (await import('./line-offer')).default)
// The line can be typed before its notation is told.
const Legend = lazyComponent(async () => (await import('./legend')).Legend)

/**
 * The bench: one lick, everything about it on one page that does not scroll where there is room. The
 * record is the lick as it was stored when the bench was opened; what happens to it since is in the
 * workspace.
 */
export function BenchPage({ record }: { record: Kept<LickRecord> }) {
  const { turnLetters } = useSettings().settings
  const workspace = useBench(record, turnLetters)
  return (
    <WorkspaceProvider value={workspace}>
      <div className="bench">
        <BenchPlayer>
          <BenchBody />
        </BenchPlayer>
      </div>
    </WorkspaceProvider>
  )
}

// A key that leaves the title as it is draws nothing of the page but what is about the line.
const titleOf = ({ document }: WorkspaceState) => document.good.lick.title

function BenchBody() {
  const { toggle } = useBenchPlayer()
  const { panel } = useOpenPanel()
  const title = useSlice(titleOf)
  usePageTitle(title, 'Bench')
  useFoundLine()
  return (
    <div className="bench-body" data-sheet={panel !== undefined}>
      {/* The title on screen is a field, and is put away while a panel needs the room. */}
      <h1 className="sr-only">{title || 'Untitled'}</h1>
      <LickBar />
      <div className="bench-line">
        <ConflictWatch />
        <LineEditor onPlay={toggle} />
        <Legend waiting={<div className="legend min-h-6 pointer-coarse:min-h-11" />} />
        <LineOffer />
        <NoticeLine />
      </div>
      <Verdict />
      <RulerPane />
      <Dock />
      <BenchKeys />
    </div>
  )
}

/** Fetched when there is a conflict. */
const ConflictNotice = lazyComponent(async () => (await import('./conflict-notice')).default)

/** Watches whether another tab has changed or deleted the same lick; nothing while it has not. */
function ConflictWatch() {
  const { session } = useWorkspace()
  const { saver } = session
  const state = useSyncExternalStore(saver.subscribe, saver.state, saver.state)
  const { deleted } = useSlices(session)
  if (state.kind !== 'conflict' && !deleted) return null
  return <ConflictNotice />
}

const noticeOf = ({ notice }: WorkspaceState) => notice

/** What was not done, or what a change kept, said where the line is typed. */
function NoticeLine() {
  const workspace = useWorkspace()
  const notice = useSlice(noticeOf)
  return (
    <div role="status" className="flex flex-wrap items-center gap-x-3 gap-y-1 text-sm empty:hidden">
      {notice && (
        <>
          <span>{notice.message}</span>
          {notice.offer && (
            <button
              type="button"
              className="btn btn-outline border-base-300 btn-sm font-normal"
              onClick={notice.offer.act}
            >
              {notice.offer.label}
            </button>
          )}
          <button
            type="button"
            className="btn btn-ghost btn-square btn-xs"
            aria-label="Dismiss"
            onClick={() => workspace.dismiss()}
          >
            <X size={14} aria-hidden />
          </button>
        </>
      )}
    </div>
  )
}

/** The workspace of a lick, in the store as it changes. */
function useBench(record: Kept<LickRecord>, turned: boolean): Workspace {
  const [workspace] = useState(() => {
    const saver = openSaver('licks', record.id, record.revision, record)
    return new Workspace(new LickSession(record, turned, saver, new HistoryMemory(tabMemory())))
  })
  useEffect(() => {
    const { session } = workspace
    const { saver } = session
    const leave = () => {
      session.remember()
      void saver.flush()
    }
    const leaveHidden = () => {
      if (window.document.visibilityState === 'hidden') leave()
    }
    window.addEventListener('pagehide', leave)
    window.document.addEventListener('visibilitychange', leaveHidden)
    const unfollow = session.subscribe(workspace.follow)
    workspace.follow()
    const stop = session.open()
    return () => {
      window.removeEventListener('pagehide', leave)
      window.document.removeEventListener('visibilitychange', leaveHidden)
      unfollow()
      session.remember()
      stop()
      // A new lick in which nothing was typed is no lick.
      if (isUntouched(workspace)) void purge([{ table: 'licks', id: session.saver.id }])
    }
  }, [workspace])
  return workspace
}

function isUntouched({ document }: Workspace): boolean {
  const { text, beside, past, future } = document.history
  return text === NEW_LICK.text && beside === '' && past.length + future.length === 0
}

function tabMemory(): Storage | null {
  try {
    return window.sessionStorage
  } catch {
    return null
  }
}
