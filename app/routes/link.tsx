import { LinkPage } from '~/features/link'
import { StoreTrouble } from '~/features/shell/error-page'
import { openStore } from '~/features/shell/open-store'
import { liveGrooves, liveKits } from '~/storage'
import type { Route } from './+types/link'

export const meta: Route.MetaFunction = () => [{ title: 'A lick from a link · Dime Stack' }]

export async function clientLoader() {
  const trouble = await openStore()
  await Promise.all([liveGrooves.settled(), liveKits.settled()])
  return { trouble }
}
clientLoader.hydrate = true as const

export function HydrateFallback() {
  return <p className="p-8 text-(--quiet)">Opening …</p>
}

export default function LinkRoute({ loaderData: { trouble } }: Route.ComponentProps) {
  return trouble ? <StoreTrouble issue={trouble} /> : <LinkPage />
}
