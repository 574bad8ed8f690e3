import { changeGrooves, openGrooves } from '~/features/workbench/saved-store'
import type { Route } from './+types/grooves'

/** The player's own grooves, without a page of their own. */
export function clientLoader() {
  return openGrooves()
}

export async function clientAction({ request }: Route.ClientActionArgs) {
  return changeGrooves(await request.json())
}
