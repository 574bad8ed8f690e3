import { changeCells, openCells } from '~/features/workbench/saved-store'
import type { Route } from './+types/cells'

/** The player's own cells: read and changed by the bench, without a page of their own. */
export function clientLoader() {
  return openCells()
}

export async function clientAction({ request }: Route.ClientActionArgs) {
  return changeCells(await request.json())
}
