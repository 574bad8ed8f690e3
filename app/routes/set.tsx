import { SetPage } from '~/features/sets/set-page'
import { NotFoundPage, StoreTrouble } from '~/features/shell/error-page'
import { openStore } from '~/features/shell/open-store'
import { liveGrooves, liveKits, loadKept } from '~/storage'
import type { Route } from './+types/set'

export const meta: Route.MetaFunction = () => [{ title: 'Set · Dime Stack' }]

export async function clientLoader({ params }: Route.ClientLoaderArgs) {
  await openStore()
  const [set] = await Promise.all([
    loadKept('sets', params.id),
    liveGrooves.settled(),
    liveKits.settled(),
  ])
  return { id: params.id, set }
}
clientLoader.hydrate = true as const

export { onlyAnotherLick as shouldRevalidate } from '~/features/shell/own-state'

export function HydrateFallback() {
  return <p className="p-8 text-(--quiet)">Opening the set …</p>
}

export default function SetRoute({ loaderData }: Route.ComponentProps) {
  const { id, set } = loaderData
  if (!set.ok) return <StoreTrouble issue={set.error} />
  if (!set.value)
    return (
      <NotFoundPage
        title="Set not found"
        text="It may have been deleted, or it may be in another browser."
        to="/sets"
        label="Back to the sets"
      />
    )
  return <SetPage key={id} opened={set.value} />
}
