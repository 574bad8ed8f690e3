import { BenchPage } from '~/features/bench/bench-page'
import { StoreTrouble } from '~/features/shell/error-page'
import { listGrooves, listKits, loadLick, loadSettings } from '~/storage'
import type { Route } from './+types/bench'

export const meta: Route.MetaFunction = () => [{ title: 'Bench · Dime Stack' }]

export async function clientLoader({ params }: Route.ClientLoaderArgs) {
  const [lick, settings, grooves, kits] = await Promise.all([
    loadLick(params.id),
    loadSettings(),
    listGrooves(),
    listKits(),
  ])
  const kept = {
    grooves: grooves.ok ? grooves.value : [],
    kits: kits.ok ? kits.value : [],
  }
  return { lick, settings, kept }
}
clientLoader.hydrate = true as const

export { onlyAnotherLick as shouldRevalidate } from '~/features/shell/own-state'

export function HydrateFallback() {
  return <p className="p-8 text-(--quiet)">Opening the bench …</p>
}

export default function BenchRoute({ loaderData, params }: Route.ComponentProps) {
  const { lick, settings, kept } = loaderData
  if (!lick.ok) return <StoreTrouble issue={lick.error} />
  if (lick.value.deletedAt !== null)
    return <StoreTrouble issue={{ code: 'missing', detail: params.id }} />
  return <BenchPage key={params.id} record={lick.value} settings={settings} kept={kept} />
}
