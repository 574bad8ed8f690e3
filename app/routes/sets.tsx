import { SetsPage } from '~/features/sets/sets-page'
import { StoreTrouble } from '~/features/shell/error-page'
import { openStore } from '~/features/shell/open-store'
import { onlyAnotherPage } from '~/features/shell/own-state'
import { liveSets } from '~/storage'
import type { Route } from './+types/sets'

export const meta: Route.MetaFunction = () => [{ title: 'Sets · Dime Stack' }]

export async function clientLoader() {
  const trouble = await openStore()
  await liveSets.settled()
  return { trouble }
}
clientLoader.hydrate = true as const

export { onlyAnotherPage as shouldRevalidate }

export function HydrateFallback() {
  return <p className="p-8 text-(--quiet)">Opening the sets …</p>
}

export default function SetsRoute({ loaderData }: Route.ComponentProps) {
  const { trouble } = loaderData
  return trouble ? <StoreTrouble issue={trouble} /> : <SetsPage />
}
