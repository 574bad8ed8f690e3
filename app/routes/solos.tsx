import { openDemo } from '~/features/shell/demo-fill'
import { StoreTrouble } from '~/features/shell/error-page'
import { onlyAnotherPage } from '~/features/shell/own-state'
import { SolosPage } from '~/features/solos/solos-page'
import { liveSolos, storeReady } from '~/storage'
import type { Route } from './+types/solos'

export const meta: Route.MetaFunction = () => [{ title: 'Solos · Dime Stack' }]

export async function clientLoader() {
  const trouble = await storeReady()
  await openDemo()
  await liveSolos.settled()
  return { trouble }
}
clientLoader.hydrate = true as const

export { onlyAnotherPage as shouldRevalidate }

export function HydrateFallback() {
  return <p className="p-8 text-(--quiet)">Opening the solos …</p>
}

export default function SolosRoute({ loaderData }: Route.ComponentProps) {
  const { trouble } = loaderData
  return trouble ? <StoreTrouble issue={trouble} /> : <SolosPage />
}
