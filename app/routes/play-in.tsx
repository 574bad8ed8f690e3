import { PlayInPage } from '~/features/play-in/play-in-page'
import { StoreTrouble } from '~/features/shell/error-page'
import { openStore } from '~/features/shell/open-store'
import { onlyAnotherPage } from '~/features/shell/own-state'
import type { Route } from './+types/play-in'

export const meta: Route.MetaFunction = () => [{ title: 'Play in · Dime Stack' }]

export async function clientLoader() {
  return { trouble: await openStore() }
}
clientLoader.hydrate = true as const

export { onlyAnotherPage as shouldRevalidate }

export function HydrateFallback() {
  return <p className="p-8 text-(--quiet)">Opening …</p>
}

export default function PlayInRoute({ loaderData }: Route.ComponentProps) {
  const { trouble } = loaderData
  return trouble ? <StoreTrouble issue={trouble} /> : <PlayInPage />
}
