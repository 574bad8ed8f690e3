import { LogPage } from '~/features/log/log-page'
import { changeLog, openLog } from '~/features/log/log-store'
import type { Route } from './+types/log'

export const meta: Route.MetaFunction = () => [{ title: 'Log · Dime Stack' }]

export function clientLoader() {
  return openLog(document.documentElement.dataset.demo === 'true')
}
clientLoader.hydrate = true as const

export async function clientAction({ request }: Route.ClientActionArgs) {
  return changeLog(await request.json())
}

export function HydrateFallback() {
  return <p className="p-8 text-(--quiet)">Opening the log …</p>
}

export default function LogRoute({ loaderData }: Route.ComponentProps) {
  return <LogPage {...loaderData} />
}
