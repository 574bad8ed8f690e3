import type { Voicing } from '~/core/voicing'
import { notesIn } from '~/workspace/notes'
import type { Step } from '../step-view'
import { speedWords } from '../words'

/** How fast a step is, what happens where it comes round, and the notes at its strokes. */
export function StepRemarks({
  step,
  tempo,
  voicing,
  seam,
}: {
  step: Step
  tempo: number
  voicing: Voicing
  /** What is said of where it goes round; empty for nothing. */
  seam: string
}) {
  return (
    <p className="flex flex-wrap gap-x-4 text-(--quiet) text-sm">
      <span>{speedWords(step.part.lick, tempo)}</span>
      {seam && <span>{seam}</span>}
      {notesIn(voicing, step.part.range).map(({ slot, text }) => (
        <span key={slot} className="text-base-content">
          slot {slot - step.part.range.from + 1}: {text}
        </span>
      ))}
    </p>
  )
}
