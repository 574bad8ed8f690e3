import type { Rating } from '~/core/log'
import { Act } from '~/ui/parts'
import { figure } from './words'

/** What was rated, and at which tempo: the way back from a key that was hit by mistake. */
export interface Rated {
  readonly rating: Rating
  readonly tempo: number
  /** The rung that it was rated on. */
  readonly rung: number
}

export function RatedNotice({ rated, onUndo }: { rated: Rated; onUndo: () => void }) {
  return (
    <p role="status" className="flex flex-wrap items-center gap-3 text-sm">
      Rated {rated.rating} at {figure(rated.tempo)}.<Act onClick={onUndo}>Undo</Act>
    </p>
  )
}
