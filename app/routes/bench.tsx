import { BenchPage } from '~/features/bench/bench-page'
import { bestClean } from '~/features/log/played-clean'
import { StoreTrouble } from '~/features/shell/error-page'
import { listGrooves, listKits, listSessions, loadLick, loadSettings } from '~/storage'
import type { Route } from './+types/bench'

export const meta: Route.MetaFunction = () => [{ title: 'Bench · Dime Stack' }]

export async function clientLoader({ params }: Route.ClientLoaderArgs) {
  const [lick, settings, grooves, kits, sessions] = await Promise.all([
    loadLick(params.id),
    loadSettings(),
    listGrooves(),
    listKits(),
    listSessions(),
  ])
  const stored = {
    grooves: grooves.ok ? grooves.value : [],
    kits: kits.ok ? kits.value : [],
  }
  const playedClean = lick.ok && sessions.ok ? bestClean(lick.value, sessions.value) : null
  return { lick, settings, stored, playedClean }
}
clientLoader.hydrate = true as const

export { onlyAnotherLick as shouldRevalidate } from '~/features/shell/own-state'

export function HydrateFallback() {
  return <p className="p-8 text-(--quiet)">Opening the bench …</p>
}

export default function BenchRoute({ loaderData, params }: Route.ComponentProps) {
  const { lick, settings, stored, playedClean } = loaderData
  if (!lick.ok) return <StoreTrouble issue={lick.error} />
  if (lick.value.deletedAt !== null)
    return <StoreTrouble issue={{ code: 'missing', detail: params.id }} />
  const page = { record: lick.value, settings, stored, playedClean }
  return <BenchPage key={params.id} {...page} />
}
