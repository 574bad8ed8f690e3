import { useSlices } from '~/live/use-slices'
import { notesIn } from '~/workspace/notes'
import { voicingOf } from '../session/practised'
import { seamOf } from '../session/remarks'
import type { PracticeRoom } from '../session/room'
import { usePractised } from '../session/use-room'
import { speedWords } from '../words'

/** How fast a step is, what happens where it comes round, and the notes at its strokes. */
export function StepRemarks({ room }: { room: PracticeRoom }) {
  const { world } = useSlices(room)
  const practised = usePractised(room)
  const { step } = practised
  if (!step) return null
  const seam = seamOf(practised)
  return (
    <p className="flex flex-wrap gap-x-4 text-(--quiet) text-sm">
      <span>{speedWords(step.part.lick, room.player.tempo)}</span>
      {seam && <span>{seam}</span>}
      {notesIn(voicingOf(world.record), step.part.range).map(({ slot, text }) => (
        <span key={slot} className="text-base-content">
          slot {slot - step.part.range.from + 1}: {text}
        </span>
      ))}
    </p>
  )
}
