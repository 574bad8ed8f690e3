import { SettingsPage } from '~/features/settings/settings-page'
import { saveSettingsFrom } from '~/features/settings/settings-store'
import { loadSettings } from '~/storage'
import type { Route } from './+types/settings'

export const meta: Route.MetaFunction = () => [{ title: 'Settings · Dime Stack' }]

export function clientLoader() {
  return loadSettings()
}
clientLoader.hydrate = true as const

export function clientAction({ request }: Route.ClientActionArgs) {
  return saveSettingsFrom(request)
}

export function HydrateFallback() {
  return <p className="p-8 text-(--quiet)">Opening the settings …</p>
}

export default function SettingsRoute({ loaderData }: Route.ComponentProps) {
  return <SettingsPage settings={loaderData} />
}
