import { useSettings } from '~/live/use-live'
import type { Kept, LickRecord } from '~/storage'
import { lazyComponent } from '~/ui/lazy-component'
import { usePageTitle } from '~/ui/use-page-title'
import type { WorkspaceState } from '~/workspace/workspace'
import BenchKeys from './bench-keys'
import { BenchPlayer } from './bench-player'
import { ConflictWatch } from './conflict-watch'
import { Dock, useOpenPanel } from './dock/dock'
import { Legend } from './legend'
import { LickBar } from './lick-bar'
import { LineEditor } from './line-editor'
import { NoticeLine } from './notice-line'
import { RulerPane } from './ruler-pane'
import { useBenchPlayer, useSlice, WorkspaceProvider } from './state/use-workspace'
import { useBench } from './use-bench'
import { Verdict } from './verdict'

const LineOffer = lazyComponent(async () => (await import('./line-offer')).default)

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
  return (
    <div className="bench-body" data-sheet={panel !== undefined}>
      {/* The title on screen is a field, and is put away while a panel needs the room. */}
      <h1 className="sr-only">{title || 'Untitled'}</h1>
      <LickBar />
      <div className="bench-line">
        <ConflictWatch />
        <LineEditor onPlay={toggle} />
        <Legend />
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
