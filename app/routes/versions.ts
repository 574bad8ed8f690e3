import { changeVersions, openVersions } from '~/features/workbench/saved-store'
import type { Route } from './+types/versions'

/** The kept versions of a lick, without a page of their own. */
export function clientLoader({ params }: Route.ClientLoaderArgs) {
  return openVersions(params.lickId)
}

export async function clientAction({ request }: Route.ClientActionArgs) {
  return changeVersions(await request.json())
}
