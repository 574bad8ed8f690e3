import { FlowPage } from '~/features/flow/flow-page'
import { logFlow, openFlow } from '~/features/flow/flow-store'
import { onlyAnotherPage } from '~/features/shell/own-state'
import type { Route } from './+types/flow'

export const meta: Route.MetaFunction = () => [{ title: 'Flow · Dime Stack' }]

export function clientLoader() {
  return openFlow(document.documentElement.dataset.demo === 'true')
}
clientLoader.hydrate = true as const

export async function clientAction({ request }: Route.ClientActionArgs) {
  return logFlow(await request.json())
}

export { onlyAnotherPage as shouldRevalidate }

export function HydrateFallback() {
  return <p className="p-8 text-(--quiet)">Opening the flow …</p>
}

export default function FlowRoute({ loaderData }: Route.ComponentProps) {
  return <FlowPage {...loaderData} />
}
