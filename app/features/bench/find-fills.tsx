import { useNavigate } from 'react-router'
import { useBenchLick, useSetting } from './state/use-workspace'

/** The way to the finder: with the space of the lick, or with all that is true of the lick too. */
export function FindFills({ like = false, words }: { like?: boolean; words: string }) {
  const lick = useBenchLick()
  const setting = useSetting()
  const navigate = useNavigate()
  const go = async () => {
    const { finderPath, questionFor, questionLike } = await import('../finder')
    void navigate(finderPath(like ? questionLike(lick, setting) : questionFor(lick)))
  }
  return (
    <button type="button" className="link" onClick={() => void go()}>
      {words}
    </button>
  )
}
