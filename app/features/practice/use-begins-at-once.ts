import { useEffect, useRef } from 'react'
import { useLocation } from 'react-router'

/** Begins by itself where the page before it asked for that: the next exercise of a set that plays. */
export function useBeginsAtOnce(begin: () => void): void {
  const { state } = useLocation()
  const asked = (state as { begins?: unknown } | null)?.begins === true
  const newest = useRef(begin)
  newest.current = begin
  useEffect(() => {
    if (!asked) return
    newest.current()
    // Reloaded, the page stays still.
    window.history.replaceState({ ...window.history.state, usr: null }, '')
  }, [asked])
}
