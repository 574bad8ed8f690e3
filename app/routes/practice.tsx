import { PracticePage } from '~/features/practice/practice-page'
import { openDemo } from '~/features/shell/demo-fill'
import { StoreTrouble } from '~/features/shell/error-page'
import { liveGrooves, liveKits, liveSessions, loadLick, loadPlan, storeReady } from '~/storage'
import type { Route } from './+types/practice'

export const meta: Route.MetaFunction = () => [{ title: 'Practice · Dime Stack' }]

export async function clientLoader({ params }: Route.ClientLoaderArgs) {
  await storeReady()
  await openDemo()
  const [lick, plan] = await Promise.all([
    loadLick(params.id),
    loadPlan(params.id),
    liveGrooves.settled(),
    liveKits.settled(),
    liveSessions(params.id).settled(),
  ])
  return { lick, plan: plan.ok ? plan.value : null }
}
clientLoader.hydrate = true as const

export { onlyAnotherLick as shouldRevalidate } from '~/features/shell/own-state'

export function HydrateFallback() {
  return <p className="p-8 text-(--quiet)">Opening the practice …</p>
}

export default function PracticeRoute({ loaderData }: Route.ComponentProps) {
  const { lick, plan } = loaderData
  if (!lick.ok) return <StoreTrouble issue={lick.error} />
  if (lick.value.deletedAt !== null)
    return <StoreTrouble issue={{ code: 'deleted', detail: lick.value.id }} />
  return <PracticePage key={lick.value.id} opened={lick.value} stored={plan} />
}
