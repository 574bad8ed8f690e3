import { useNavigate } from 'react-router'
import type { Put } from '~/core/finder'
import { useBenchLick, useSetting, useWorkspace } from './state/use-workspace'

/** What is asked of a lick's space: fills of its groups, fills like it, its inversions, or all patterns of a rule. */
export type FromLick =
  | { readonly kind: 'groups' | 'like' | 'turned' }
  | { readonly kind: 'pattern'; readonly put: Put }

const GROUPS: FromLick = { kind: 'groups' }

/** The way to the finder from a lick, to come back with a fill; or to have one drawn at random there at once. */
export function FindFills({
  ask = GROUPS,
  draw = false,
  words,
}: {
  ask?: FromLick
  draw?: boolean
  words: string
}) {
  const lick = useBenchLick()
  const setting = useSetting()
  const { id } = useWorkspace().session.saver
  // A bench on which nothing stands is left, and the fill opens on its own.
  const from = lick.line.slots.length > 0 ? id : ''
  const navigate = useNavigate()
  const go = async () => {
    const { finderPath, questionFrom } = await import('../finder')
    void navigate(finderPath(questionFrom(lick, ask, setting), { from, draw }))
  }
  return (
    <button type="button" className="link" onClick={() => void go()}>
      {words}
    </button>
  )
}
