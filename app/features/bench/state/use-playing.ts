import { useSyncExternalStore } from 'react'

type Parts = typeof import('./playing-parts').PLAYING_PARTS

let parts: Parts | null = null
let asked = false
const listeners = new Set<() => void>()

/**
 * What works out how a lick is played: limits, the crash in reach, the answers. It is fetched right after
 * the page, since all of it follows a moment after what is typed in any case; null until it is there.
 */
export function usePlaying(): Parts | null {
  return useSyncExternalStore(subscribe, snapshot, snapshot)
}

const snapshot = () => parts

function subscribe(listener: () => void): () => void {
  listeners.add(listener)
  if (!asked) fetchParts()
  return () => listeners.delete(listener)
}

function fetchParts(): void {
  asked = true
  import('./playing-parts').then(
    (fetched) => {
      parts = fetched.PLAYING_PARTS
      for (const listener of [...listeners]) listener()
    },
    // Asked for again by the next page that needs it.
    () => {
      asked = false
    },
  )
}
