import { KitPage } from '~/features/kit/kit-page'
import { StoreTrouble } from '~/features/shell/error-page'
import { openStore } from '~/features/shell/open-store'
import { onlyAnotherPage } from '~/features/shell/own-state'
import { liveKits } from '~/storage'
import type { Route } from './+types/kit'

export const meta: Route.MetaFunction = () => [{ title: 'Kit · Dime Stack' }]

export async function clientLoader() {
  const trouble = await openStore()
  await Promise.all([liveKits.settled()])
  return { trouble }
}
clientLoader.hydrate = true as const

export { onlyAnotherPage as shouldRevalidate }

export function HydrateFallback() {
  return <p className="p-8 text-(--quiet)">Opening the kit …</p>
}

export default function KitRoute({ loaderData }: Route.ComponentProps) {
  const { trouble } = loaderData
  return trouble ? <StoreTrouble issue={trouble} /> : <KitPage />
}
