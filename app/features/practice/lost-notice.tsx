import { tempoFigure } from '~/words/figures'

/**
 * Says that a slower tempo (quarter-note bpm) was put under the one where the lick was lost, and offers
 * the step on one surface where the plan has it.
 */
export function LostNotice({
  tempo,
  onOneSurface,
}: {
  tempo: number
  onOneSurface: (() => void) | undefined
}) {
  return (
    <p role="status" className="flex flex-wrap items-center gap-3 text-sm">
      Lost on the lowest tempo: {tempoFigure(tempo)} is now below it.
      {onOneSurface && (
        <button
          type="button"
          className="btn btn-outline border-base-300 btn-sm font-normal"
          onClick={onOneSurface}
        >
          Back to one surface
        </button>
      )}
    </p>
  )
}
