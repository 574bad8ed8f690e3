import { SheetPage } from '~/features/sheet/sheet-page'
import { StoreTrouble } from '~/features/shell/error-page'
import { openStore } from '~/features/shell/open-store'
import { onlyAnotherPage } from '~/features/shell/own-state'
import { liveGrooves, liveKits } from '~/storage'
import type { Route } from './+types/sheet'

export const meta: Route.MetaFunction = () => [{ title: 'Sheet · Dime Stack' }]

export async function clientLoader() {
  const trouble = await openStore()
  await Promise.all([liveGrooves.settled(), liveKits.settled()])
  return { trouble }
}
clientLoader.hydrate = true as const

export { onlyAnotherPage as shouldRevalidate }

export function HydrateFallback() {
  return <p className="p-8 text-(--quiet)">Opening …</p>
}

export default function SheetRoute({ loaderData }: Route.ComponentProps) {
  const { trouble } = loaderData
  return trouble ? <StoreTrouble issue={trouble} /> : <SheetPage />
}
