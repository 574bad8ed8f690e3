import { KitPage } from '~/features/kit/kit-page'
import { changeKits, openKits } from '~/features/kit/kit-store'
import type { Route } from './+types/kit'

export const meta: Route.MetaFunction = () => [{ title: 'Kit · Dime Stack' }]

export function clientLoader() {
  return openKits()
}
clientLoader.hydrate = true as const

export async function clientAction({ request }: Route.ClientActionArgs) {
  return changeKits(await request.json())
}

export function HydrateFallback() {
  return <p className="p-8 text-(--quiet)">Opening the kit …</p>
}

export default function KitRoute({ loaderData }: Route.ComponentProps) {
  return <KitPage {...loaderData} />
}
