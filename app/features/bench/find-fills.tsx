import { useNavigate } from 'react-router'
import { useBenchLick, useSetting } from './state/use-workspace'

/**
 * The way to the finder: with the space of the lick, or with all that is true of the lick too, or to have one
 * drawn at random there at once.
 */
export function FindFills({
  like = false,
  draw = false,
  words,
}: {
  like?: boolean
  draw?: boolean
  words: string
}) {
  const lick = useBenchLick()
  const setting = useSetting()
  const navigate = useNavigate()
  const go = async () => {
    const { finderPath, questionFor, questionLike } = await import('../finder')
    const path = finderPath(like ? questionLike(lick, setting) : questionFor(lick))
    void navigate(draw ? `${path}&draw` : path)
  }
  return (
    <button type="button" className="link" onClick={() => void go()}>
      {words}
    </button>
  )
}
