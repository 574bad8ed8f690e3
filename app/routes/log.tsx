import { LogPage } from '~/features/log/log-page'
import { StoreTrouble } from '~/features/shell/error-page'
import { openStore } from '~/features/shell/open-store'
import { onlyAnotherPage } from '~/features/shell/own-state'
import type { Route } from './+types/log'

export const meta: Route.MetaFunction = () => [{ title: 'Log · Dime Stack' }]

export async function clientLoader() {
  const trouble = await openStore()
  return { trouble }
}
clientLoader.hydrate = true as const

export { onlyAnotherPage as shouldRevalidate }

export function HydrateFallback() {
  return <p className="p-8 text-(--quiet)">Opening the log …</p>
}

export default function LogRoute({ loaderData }: Route.ComponentProps) {
  const { trouble } = loaderData
  return trouble ? <StoreTrouble issue={trouble} /> : <LogPage />
}
