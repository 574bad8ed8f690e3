import { FlowPage } from '~/features/flow/flow-page'
import { StoreTrouble } from '~/features/shell/error-page'
import { openStore } from '~/features/shell/open-store'
import { onlyAnotherPage } from '~/features/shell/own-state'
import { liveGrooves, liveKits } from '~/storage'
import type { Route } from './+types/flow'

export const meta: Route.MetaFunction = () => [{ title: 'Flow · Dime Stack' }]

export async function clientLoader() {
  const trouble = await openStore()
  await Promise.all([liveGrooves.settled(), liveKits.settled()])
  return { trouble }
}
clientLoader.hydrate = true as const

export { onlyAnotherPage as shouldRevalidate }

export function HydrateFallback() {
  return <p className="p-8 text-(--quiet)">Opening the flow …</p>
}

export default function FlowRoute({ loaderData }: Route.ComponentProps) {
  const { trouble } = loaderData
  return trouble ? <StoreTrouble issue={trouble} /> : <FlowPage />
}
