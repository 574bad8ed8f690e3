import { SettingsPage } from '~/features/settings/settings-page'
import { StoreTrouble } from '~/features/shell/error-page'
import { openStore } from '~/features/shell/open-store'
import { onlyAnotherPage } from '~/features/shell/own-state'
import type { Route } from './+types/settings'

export const meta: Route.MetaFunction = () => [{ title: 'Settings · Dime Stack' }]

export async function clientLoader() {
  const trouble = await openStore()
  return { trouble }
}
clientLoader.hydrate = true as const

export { onlyAnotherPage as shouldRevalidate }

export function HydrateFallback() {
  return <p className="p-8 text-(--quiet)">Opening the settings …</p>
}

export default function SettingsRoute({ loaderData }: Route.ComponentProps) {
  const { trouble } = loaderData
  return trouble ? <StoreTrouble issue={trouble} /> : <SettingsPage />
}
