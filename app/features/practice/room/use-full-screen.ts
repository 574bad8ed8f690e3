import { useCallback } from 'react'
import { useLocation, useNavigate, useSearchParams } from 'react-router'

const FULL = 'full'

/** Whether the room fills the screen: that stands in the address, so that the way back leads to the page. */
export function useFullScreen(): readonly [full: boolean, show: (full: boolean) => void] {
  const [search, setSearch] = useSearchParams()
  const { state } = useLocation()
  const navigate = useNavigate()
  const full = search.has(FULL)
  const show = useCallback(
    (wanted: boolean) => {
      if (wanted === full) return
      // What was entered here is left by the way back; by its address, there is none.
      if (!wanted && (state as { entered?: boolean } | null)?.entered) void navigate(-1)
      else
        setSearch(
          (now) => {
            if (wanted) now.set(FULL, '1')
            else now.delete(FULL)
            return now
          },
          { replace: !wanted, preventScrollReset: true, state: { ...state, entered: wanted } },
        )
    },
    [full, state, navigate, setSearch],
  )
  return [full, show]
}
