import { BackupPage } from '~/features/backup/backup-page'
import { StoreTrouble } from '~/features/shell/error-page'
import { onlyAnotherPage } from '~/features/shell/own-state'
import { storeReady } from '~/storage'
import type { Route } from './+types/backup'

export const meta: Route.MetaFunction = () => [{ title: 'Backup · Dime Stack' }]

export async function clientLoader() {
  const trouble = await storeReady()
  return { trouble }
}
clientLoader.hydrate = true as const

export { onlyAnotherPage as shouldRevalidate }

export function HydrateFallback() {
  return <p className="p-8 text-(--quiet)">Opening the backup …</p>
}

export default function BackupRoute({ loaderData }: Route.ComponentProps) {
  const { trouble } = loaderData
  return trouble ? <StoreTrouble issue={trouble} /> : <BackupPage />
}
