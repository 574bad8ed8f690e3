import { FinderPage } from '~/features/finder'
import { StoreTrouble } from '~/features/shell/error-page'
import { openStore } from '~/features/shell/open-store'
import { onlyAnotherPage } from '~/features/shell/own-state'
import { liveGrooves, liveKits } from '~/storage'
import type { Route } from './+types/find'

export const meta: Route.MetaFunction = () => [{ title: 'Find fills · Dime Stack' }]

export async function clientLoader() {
  const trouble = await openStore()
  await Promise.all([liveGrooves.settled(), liveKits.settled()])
  return { trouble }
}
clientLoader.hydrate = true as const

export { onlyAnotherPage as shouldRevalidate }

export function HydrateFallback() {
  return <p className="p-8 text-(--quiet)">Opening the finder …</p>
}

export default function FindRoute({ loaderData }: Route.ComponentProps) {
  const { trouble } = loaderData
  return trouble ? <StoreTrouble issue={trouble} /> : <FinderPage />
}
