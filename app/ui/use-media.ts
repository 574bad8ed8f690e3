import { useCallback, useSyncExternalStore } from 'react'

/** Lists of the queries that were asked, each made once: a list costs more than all it is asked later. */
const lists = new Map<string, MediaQueryList>()

function listOf(query: string): MediaQueryList {
  const list = lists.get(query) ?? matchMedia(query)
  lists.set(query, list)
  return list
}

/** Whether a media query holds; false on the server. */
export function useMedia(query: string): boolean {
  const subscribe = useCallback(
    (listener: () => void) => {
      const list = listOf(query)
      list.addEventListener('change', listener)
      return () => list.removeEventListener('change', listener)
    },
    [query],
  )
  return useSyncExternalStore(
    subscribe,
    () => listOf(query).matches,
    () => false,
  )
}
