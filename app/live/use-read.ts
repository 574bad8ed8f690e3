import { useEffect, useState } from 'react'
import type { Result } from '~/core/foundation'
import { onStoreChange } from '~/storage'

/** Whether a change of the store is about what was read: the table, and the ids in it. */
export type Concerns = (table: string, ids: readonly string[]) => boolean

/** Changes in quick succession are read once. */
const TOGETHER_MS = 50

/**
 * Something read from the store, and read again after every change that concerns it, in any tab; the
 * first value until then, and the last one where it cannot be read. Both functions are to stay the same
 * while they mean the same.
 */
export function useRead<T>(
  read: () => Promise<Result<T, unknown>>,
  concerns: Concerns,
  first: T,
): T {
  const [value, setValue] = useState<T>(first)
  useEffect(() => {
    let gone = false
    let timer: ReturnType<typeof setTimeout> | undefined
    let asked = 0
    const take = () => {
      asked += 1
      const number = asked
      // What was asked last is what stands, however late an answer before it comes.
      void read().then((result) => {
        if (result.ok && !gone && number === asked) setValue(result.value)
      })
    }
    take()
    const stop = onStoreChange(({ table, ids }) => {
      if (!concerns(table, ids)) return
      clearTimeout(timer)
      timer = setTimeout(take, TOGETHER_MS)
    })
    return () => {
      gone = true
      clearTimeout(timer)
      stop()
    }
  }, [read, concerns])
  return value
}
