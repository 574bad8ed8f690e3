import { useSlices } from '~/live/use-slices'
import { Button } from '~/ui/parts'
import type { PracticeRoom } from './session/room'

/** In a set with a plan for all: says that it is followed, and leads back to it where this exercise is an exception. */
export function SetPlanNotice({ room }: { room: PracticeRoom }) {
  const { setPlan } = useSlices(room)
  if (!setPlan) return null
  if (!setPlan.exception)
    return (
      <p className="text-(--quiet) text-sm">
        The plan of the set. What you change here applies to this exercise alone.
      </p>
    )
  return (
    <p className="flex flex-wrap items-center gap-2 text-sm">
      This exercise has a plan of its own in the set.
      <Button onClick={room.followSet}>Use the set’s plan</Button>
    </p>
  )
}
