import { BenchPage } from '~/features/bench/bench-page'
import { StoreTrouble } from '~/features/shell/error-page'
import { openStore } from '~/features/shell/open-store'
import { liveGrooves, liveKits, liveSessions, loadLick } from '~/storage'
import type { Route } from './+types/bench'

export const meta: Route.MetaFunction = () => [{ title: 'Bench · Dime Stack' }]

export async function clientLoader({ params }: Route.ClientLoaderArgs) {
  await openStore()
  const [lick] = await Promise.all([
    loadLick(params.id),
    liveGrooves.settled(),
    liveKits.settled(),
    liveSessions(params.id).settled(),
  ])
  return { lick }
}
clientLoader.hydrate = true as const

export { onlyAnotherLick as shouldRevalidate } from '~/features/shell/own-state'

export function HydrateFallback() {
  return <p className="p-8 text-(--quiet)">Opening the bench …</p>
}

export default function BenchRoute({ loaderData, params }: Route.ComponentProps) {
  const { lick } = loaderData
  if (!lick.ok) return <StoreTrouble issue={lick.error} />
  if (lick.value.deletedAt !== null)
    return <StoreTrouble issue={{ code: 'deleted', detail: params.id }} />
  return <BenchPage key={params.id} record={lick.value} />
}
