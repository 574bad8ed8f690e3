import { Act } from '~/ui/parts'
import { tempoFigure } from '~/words/figures'
import type { Rated } from '~/workspace/practice-desk'

/** Says what was rated, with the way back. */
export function RatedNotice({ rated, onUndo }: { rated: Rated; onUndo: () => void }) {
  return (
    <p role="status" className="flex flex-wrap items-center gap-3 text-sm">
      Rated {rated.rating} at {tempoFigure(rated.tempo)}.<Act onClick={onUndo}>Undo</Act>
    </p>
  )
}
