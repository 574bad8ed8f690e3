import { BackupPage } from '~/features/backup/backup-page'
import { StoreTrouble } from '~/features/shell/error-page'
import { openStore } from '~/features/shell/open-store'
import { onlyAnotherPage } from '~/features/shell/own-state'
import type { Route } from './+types/backup'

export const meta: Route.MetaFunction = () => [{ title: 'Backup · Dime Stack' }]

export async function clientLoader() {
  const trouble = await openStore()
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
