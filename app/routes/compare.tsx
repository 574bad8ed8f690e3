import { ComparePage } from '~/features/compare/compare-page'
import { StoreTrouble } from '~/features/shell/error-page'
import { openStore } from '~/features/shell/open-store'
import { liveGrooves, liveKits } from '~/storage'
import type { Route } from './+types/compare'

export const meta: Route.MetaFunction = () => [{ title: 'Side by side · Dime Stack' }]

/** Columns at the most: more are not seen beside each other. */
const MAX_LICKS = 6

export async function clientLoader({ request }: Route.ClientLoaderArgs) {
  const trouble = await openStore()
  const ids = (new URL(request.url).searchParams.get('licks') ?? '').split(',').filter(Boolean)
  await Promise.all([liveGrooves.settled(), liveKits.settled()])
  return { trouble, ids: [...new Set(ids)].slice(0, MAX_LICKS) }
}
clientLoader.hydrate = true as const

export function HydrateFallback() {
  return <p className="p-8 text-(--quiet)">Opening …</p>
}

export default function CompareRoute({ loaderData }: Route.ComponentProps) {
  const { trouble, ids } = loaderData
  return trouble ? <StoreTrouble issue={trouble} /> : <ComparePage ids={ids} />
}
