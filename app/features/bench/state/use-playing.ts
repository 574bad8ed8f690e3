import { useSyncExternalStore } from 'react'
import { LateValue } from '~/ui/late-value'

const PARTS = new LateValue(async () => (await import('./playing-parts')).PLAYING_PARTS)

/**
 * What works out how a lick is played: limits, the crash in reach, the answers. It is fetched right after
 * the page, since all of it follows a moment after what is typed in any case; null until it is there.
 */
export function usePlaying() {
  const state = useSyncExternalStore(PARTS.subscribe, PARTS.state, PARTS.state)
  return state.kind === 'here' ? state.value : null
}
