import { StoreTrouble } from '~/features/shell/error-page'
import { openStore } from '~/features/shell/open-store'
import { onlyAnotherPage } from '~/features/shell/own-state'
import { SolosPage } from '~/features/solos/solos-page'
import { liveSolos } from '~/storage'
import type { Route } from './+types/solos'

export const meta: Route.MetaFunction = () => [{ title: 'Solos · Dime Stack' }]

export async function clientLoader() {
  const trouble = await openStore()
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
