import { useEffect, useRef, useState } from 'react'
import { useLocation, useNavigate } from 'react-router'
import { formatSheetAddress, parseSheetAddress, type SheetState } from './sheet-address'

/**
 * What the sheet is, kept in the address of the page, so that it is found again after a reload and by a
 * link. What is pressed shows at once; the address follows.
 */
export function useSheetState() {
  const { search } = useLocation()
  const navigate = useNavigate()
  const [state, setState] = useState(() => parseSheetAddress(new URLSearchParams(search)))
  // Addresses that were written here; another one is a link that was followed.
  const written = useRef(new Set([search]))
  useEffect(() => {
    if (!written.current.has(search)) setState(parseSheetAddress(new URLSearchParams(search)))
  }, [search])
  const address = formatSheetAddress(state)
  useEffect(() => {
    const next = address === '' ? '' : `?${address}`
    written.current.add(next)
    if (next !== window.location.search)
      void navigate({ search: next }, { replace: true, preventScrollReset: true })
  }, [address, navigate])
  const change = (part: Partial<SheetState>) => setState((now) => ({ ...now, ...part }))
  return { state, change }
}
