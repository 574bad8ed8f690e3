import { PracticePage } from '~/features/practice/practice-page'
import { WithinSet } from '~/features/sets'
import { StoreTrouble } from '~/features/shell/error-page'
import { openStore } from '~/features/shell/open-store'
import { liveGrooves, liveKits, liveSessions, loadKept, loadLick, loadPlan } from '~/storage'
import type { Route } from './+types/practice'

export const meta: Route.MetaFunction = () => [{ title: 'Practice · Dime Stack' }]

export async function clientLoader({ params, request }: Route.ClientLoaderArgs) {
  await openStore()
  const setId = new URL(request.url).searchParams.get('set')
  const [lick, plan, set] = await Promise.all([
    loadLick(params.id),
    loadPlan(params.id),
    setId === null ? null : loadKept('sets', setId),
    liveGrooves.settled(),
    liveKits.settled(),
    liveSessions(params.id).settled(),
  ])
  return { lick, plan: plan.ok ? plan.value : null, set: set?.ok ? (set.value ?? null) : null }
}
clientLoader.hydrate = true as const

export { onlyAnotherExercise as shouldRevalidate } from '~/features/shell/own-state'

export function HydrateFallback() {
  return <p className="p-8 text-(--quiet)">Opening the practice …</p>
}

export default function PracticeRoute({ loaderData }: Route.ComponentProps) {
  const { lick, plan, set } = loaderData
  if (!lick.ok) return <StoreTrouble issue={lick.error} />
  if (lick.value.deletedAt !== null)
    return <StoreTrouble issue={{ code: 'deleted', detail: lick.value.id }} />
  const practised = lick.value
  return (
    <WithinSet key={set?.id} opened={set}>
      {(inSet) => (
        <PracticePage key={practised.id} opened={practised} stored={plan} inSet={inSet} />
      )}
    </WithinSet>
  )
}
