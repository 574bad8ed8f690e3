import { SetsPage } from '~/features/sets/sets-page'
import { openDemo } from '~/features/shell/demo-fill'
import { StoreTrouble } from '~/features/shell/error-page'
import { onlyAnotherPage } from '~/features/shell/own-state'
import { liveSets, storeReady } from '~/storage'
import type { Route } from './+types/sets'

export const meta: Route.MetaFunction = () => [{ title: 'Sets · Dime Stack' }]

export async function clientLoader() {
  const trouble = await storeReady()
  await openDemo()
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
