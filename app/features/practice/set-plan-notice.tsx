import { Act } from '~/ui/parts'
import type { SetPlan } from './use-plan'

/** Says that the set's plan is followed, and leads back to it where this exercise is an exception. */
export function SetPlanNotice({ plan: { exception, onExcept } }: { plan: SetPlan }) {
  if (!exception)
    return (
      <p className="text-(--quiet) text-sm">
        The plan of the set. What you change here applies to this exercise alone.
      </p>
    )
  return (
    <p className="flex flex-wrap items-center gap-2 text-sm">
      This exercise has a plan of its own in the set.
      <Act onClick={() => onExcept(null)}>Use the set’s plan</Act>
    </p>
  )
}
