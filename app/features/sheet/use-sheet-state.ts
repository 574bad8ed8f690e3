import { useCallback, useMemo } from 'react'
import { useLocation } from 'react-router'
import { useAddressState } from '~/ui/use-address-state'
import {
  formatSheetAddress,
  MAX_ON_SHEET,
  parseSheetAddress,
  type SheetState,
  textId,
} from './sheet-address'

/** What the sheet is, kept in the address of the page. */
export function useSheetState() {
  const { state: given } = useLocation()
  const texts = useMemo(() => givenTexts(given), [given])
  const open = useCallback((search: string) => opened(search, texts), [texts])
  const [state, change] = useAddressState({ open, format: formatSheetAddress })
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
  return texts.filter((text) => typeof text === 'string').slice(0, MAX_ON_SHEET)
}
const NONE: readonly string[] = []
