import { KitPage } from '~/features/kit/kit-page'
import { onlyAnotherPage } from '~/features/shell/own-state'
import { liveKits, storeReady } from '~/storage'
import type { Route } from './+types/kit'

export const meta: Route.MetaFunction = () => [{ title: 'Kit · Dime Stack' }]

export async function clientLoader() {
  await storeReady()
  await Promise.all([liveKits.settled()])
  return null
}
clientLoader.hydrate = true as const

export { onlyAnotherPage as shouldRevalidate }

export function HydrateFallback() {
  return <p className="p-8 text-(--quiet)">Opening the kit …</p>
}

export default function KitRoute() {
  return <KitPage />
}
