import { NotesPanel } from './notes-panel'
import { VersionsPanel } from './versions-panel'

/** What is remembered of the lick: notes, parts, and states of it. */
export default function NotesAndVersions() {
  return (
    <div className="flex min-w-0 flex-col gap-6">
      <NotesPanel />
      <VersionsPanel />
    </div>
  )
}
