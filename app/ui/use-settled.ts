import { useEffect, useState } from 'react'

/** A value once it has stood still for a while: what is costly waits until a drag is over. */
export function useSettled<T>(value: T, quietMs = 400): T {
  const [settled, setSettled] = useState(value)
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), quietMs)
    return () => clearTimeout(timer)
  }, [value, quietMs])
  return settled
}
