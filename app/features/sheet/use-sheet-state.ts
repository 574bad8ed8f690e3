import { useEffect, useMemo, useRef, useState } from 'react'
import { useLocation, useNavigate } from 'react-router'
import {
  formatSheetAddress,
  MOST_ON_SHEET,
  parseSheetAddress,
  type SheetState,
  textId,
} from './sheet-address'

/**
 * What the sheet is, kept in the address of the page, so that it is found again after a reload and by a
 * link. What is pressed shows at once; the address follows.
 */
export function useSheetState() {
  const { search, state: given } = useLocation()
  const texts = useMemo(() => givenTexts(given), [given])
  const navigate = useNavigate()
  const [state, setState] = useState(() => opened(search, texts))
  // Addresses that were written here; another one is a link that was followed.
  const written = useRef(new Set([search]))
  useEffect(() => {
    if (!written.current.has(search)) setState(opened(search, texts))
  }, [search, texts])
  const address = formatSheetAddress(state)
  useEffect(() => {
    const next = address === '' ? '' : `?${address}`
    written.current.add(next)
    if (next !== window.location.search)
      void navigate({ search: next }, { replace: true, preventScrollReset: true, state: given })
  }, [address, navigate, given])
  const change = (part: Partial<SheetState>) => setState((now) => ({ ...now, ...part }))
  return { state, texts, change }
}

/** The sheet of an address; one that names no licks has the texts that came along. */
function opened(search: string, texts: readonly string[]): SheetState {
  const state = parseSheetAddress(new URLSearchParams(search))
  return state.ids.length > 0 ? state : { ...state, ids: texts.map((_, i) => textId(i)) }
}

/** Lick texts that another page gave along: members of a family, which are no licks of the library. */
function givenTexts(given: unknown): readonly string[] {
  const texts = (given as { texts?: unknown } | null)?.texts
  if (!Array.isArray(texts)) return NONE
  return texts.filter((text) => typeof text === 'string').slice(0, MOST_ON_SHEET)
}
const NONE: readonly string[] = []
