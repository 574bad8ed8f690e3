import { parseSolo } from '~/codecs/solo'
import { NotFoundPage, StoreTrouble } from '~/features/shell/error-page'
import { openStore } from '~/features/shell/open-store'
import { SoloPage } from '~/features/solos/solo-page'
import { liveGrooves, liveKits, loadKept } from '~/storage'
import type { Route } from './+types/solo'

export const meta: Route.MetaFunction = () => [{ title: 'Solo · Dime Stack' }]

export async function clientLoader({ params }: Route.ClientLoaderArgs) {
  await openStore()
  const [solo] = await Promise.all([
    loadKept('solos', params.id),
    liveGrooves.settled(),
    liveKits.settled(),
  ])
  return { id: params.id, solo }
}
clientLoader.hydrate = true as const

export { onlyAnotherLick as shouldRevalidate } from '~/features/shell/own-state'

export function HydrateFallback() {
  return <p className="p-8 text-(--quiet)">Opening the solo …</p>
}

export default function SoloRoute({ loaderData }: Route.ComponentProps) {
  const { id, solo } = loaderData
  if (!solo.ok) return <StoreTrouble issue={solo.error} />
  if (!solo.value)
    return (
      <NotFoundPage
        title="Solo not found"
        text="It may have been deleted, or it may be in another browser."
        to="/solos"
        label="Back to the solos"
      />
    )
  const read = parseSolo(solo.value.solo)
  if (!read.ok)
    return <StoreTrouble issue={{ code: 'broken-record', detail: read.error.message }} />
  return <SoloPage key={id} opened={solo.value} read={read.value} />
}
