import { useCallback, useEffect, useRef, useState } from 'react'
import { useLocation, useNavigate } from 'react-router'

/** How a state stands in an address. `open` of what `format` wrote is the same state. */
export interface Addressed<S> {
  /** Reads a state from the query of an address, with its question mark. */
  readonly open: (search: string) => S
  /** Writes a state as a query, without the question mark; empty for none. */
  readonly format: (state: S) => string
}

/**
 * A page's state, kept in its address, so that it is found again after a reload and by a link. What is
 * pressed counts at once, and on top of what was pressed before it: the address follows.
 *
 * `change` takes the parts that change, or works them out from the state as it is then. `open` and `format` must be stable between renders.
 *
 * @example const [setup, change] = useAddressState(FLOW_ADDRESS); change({ tempo: 96 })
 */
export function useAddressState<S extends object>({ open, format }: Addressed<S>) {
  const { search, state: given } = useLocation()
  const navigate = useNavigate()
  const [state, setState] = useState(() => open(search))
  // Addresses that were written here; another one is a link that was followed.
  const written = useRef(new Set([search]))
  useEffect(() => {
    if (!written.current.has(search)) setState(open(search))
  }, [search, open])
  const address = format(state)
  const opened = useRef(address)
  useEffect(() => {
    // What was only opened keeps the address that it came by.
    if (address === opened.current) return
    opened.current = address
    const next = address === '' ? '' : `?${address}`
    written.current.add(next)
    if (next !== window.location.search)
      void navigate({ search: next }, { replace: true, preventScrollReset: true, state: given })
  }, [address, navigate, given])
  const change = useCallback(
    (part: Partial<S> | ((now: S) => Partial<S>)) =>
      setState((now) => ({ ...now, ...(typeof part === 'function' ? part(now) : part) })),
    [],
  )
  return [state, change] as const
}
