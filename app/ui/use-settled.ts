import { useEffect, useState } from 'react'

/**
 * A value once it has stood still for a while, in milliseconds: what is costly waits until a drag is over.
 * Until then it is what it was before; at first `initial`, which is the value itself where nothing is said.
 */
export function useSettled<T>(value: T, quietMs = 400, initial: T = value): T {
  const [settled, setSettled] = useState(initial)
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), quietMs)
    return () => clearTimeout(timer)
  }, [value, quietMs])
  return settled
}
