import { useMemo, useRef } from 'react'
import { keepEqual } from '~/core/foundation'

/** A value whose parts that did not change stay the same objects. */
export function useKeepEqual<T>(next: T): T {
  const last = useRef<T>(undefined)
  const kept = useMemo(() => keepEqual(last.current, next), [next])
  last.current = kept
  return kept
}
