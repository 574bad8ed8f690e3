import { useEffect, useState } from 'react'
import { startFinder } from '~/workers'

/** The worker that finds, as what asks it sees it. */
export type Finder = ReturnType<typeof startFinder>

/**
 * What the finder's worker answers to what is asked now; null while that is not known, so that nothing of an older
 * question is ever shown. `ask` is to be the same while its question is; null asks nothing. `failed` is the answer
 * where the worker gives none.
 */
export function useFinder<T>(ask: ((finder: Finder) => Promise<T>) | null, failed: T): T | null {
  const [worker] = useState(startFinder)
  useEffect(() => () => worker.close(), [worker])
  const [found, setFound] = useState<{ readonly of: typeof ask; readonly answer: T } | null>(null)
  useEffect(() => {
    if (!ask) return
    let gone = false
    const take = (answer: T) => {
      if (!gone) setFound({ of: ask, answer })
    }
    ask(worker).then(take, () => take(failed))
    return () => {
      gone = true
    }
  }, [worker, ask, failed])
  return ask && found?.of === ask ? found.answer : null
}
