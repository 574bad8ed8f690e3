import { useCallback, useEffect, useRef, useState } from 'react'

/** A long piece of work as the page sees it. */
export type JobState<T> =
  | { readonly kind: 'idle' }
  | { readonly kind: 'running'; readonly done: number; readonly all: number }
  | { readonly kind: 'done'; readonly output: T }
  | { readonly kind: 'cancelled' }
  | { readonly kind: 'failed'; readonly message: string }

type Work<T> = (
  onProgress: (progress: { done: number; all: number }) => void,
  signal: AbortSignal,
) => Promise<T>

/** Runs one long piece of work at a time, with its progress and the way to cancel it. */
export function useJob<T>() {
  const [state, setState] = useState<JobState<T>>({ kind: 'idle' })
  const abort = useRef<AbortController | null>(null)
  useEffect(() => () => abort.current?.abort(), [])
  const run = useCallback(async (work: Work<T>): Promise<T | undefined> => {
    abort.current?.abort()
    const control = new AbortController()
    abort.current = control
    const tell = (next: JobState<T>) => {
      if (abort.current === control) setState(next)
    }
    tell({ kind: 'running', done: 0, all: 0 })
    try {
      const output = await work(
        (progress) => tell({ kind: 'running', ...progress }),
        control.signal,
      )
      tell({ kind: 'done', output })
      return output
    } catch (error) {
      if (control.signal.aborted) tell({ kind: 'cancelled' })
      else tell({ kind: 'failed', message: error instanceof Error ? error.message : String(error) })
      return undefined
    }
  }, [])
  const cancel = useCallback(() => abort.current?.abort(), [])
  return { state, run, cancel }
}
