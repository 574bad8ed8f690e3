import { useCallback } from 'react'
import { useLocation, useNavigate, useSearchParams } from 'react-router'

const STAGE = 'stage'

/** Whether the stage is shown: that stands in the address, so that the way back leads to the page. */
export function useStage(): readonly [onStage: boolean, show: (onStage: boolean) => void] {
  const [search, setSearch] = useSearchParams()
  const { state } = useLocation()
  const navigate = useNavigate()
  const onStage = search.has(STAGE)
  const show = useCallback(
    (wanted: boolean) => {
      if (wanted === onStage) return
      // What was entered here is left by the way back; by its address, there is none.
      if (!wanted && (state as { entered?: boolean } | null)?.entered) void navigate(-1)
      else
        setSearch(
          (now) => {
            if (wanted) now.set(STAGE, '1')
            else now.delete(STAGE)
            return now
          },
          { replace: !wanted, preventScrollReset: true, state: { ...state, entered: wanted } },
        )
    },
    [onStage, state, navigate, setSearch],
  )
  return [onStage, show]
}
