import { useSyncExternalStore } from 'react'
import { useSlices } from '~/live/use-slices'
import { lazyComponent } from '~/ui/lazy-component'
import { useWorkspace } from './state/use-workspace'

/** Fetched when there is a conflict. */
const ConflictNotice = lazyComponent(async () => (await import('./conflict-notice')).default)

/** Watches whether another tab has changed or deleted the same lick; nothing while it has not. */
export function ConflictWatch() {
  const { session } = useWorkspace()
  const { saver } = session
  const state = useSyncExternalStore(saver.subscribe, saver.state, saver.state)
  const { deleted } = useSlices(session)
  if (state.kind !== 'conflict' && !deleted) return null
  return <ConflictNotice />
}
