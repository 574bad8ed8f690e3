import { useSyncExternalStore } from 'react'
import type { Slices } from '~/workspace/slices'

/** The state of what is read in slices, as a whole. */
export function useSlices<S extends object>({ subscribe, state }: Slices<S>): S {
  return useSyncExternalStore(subscribe, state, state)
}
