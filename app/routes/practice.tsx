import { PracticePage } from '~/features/practice/practice-page'
import { openPractice, savePractice } from '~/features/practice/practice-store'
import { StoreTrouble } from '~/features/shell/error-page'
import type { Route } from './+types/practice'

export const meta: Route.MetaFunction = () => [{ title: 'Practice · Dime Stack' }]

export function clientLoader({ params }: Route.ClientLoaderArgs) {
  return openPractice(params.id)
}
clientLoader.hydrate = true as const

export async function clientAction({ request }: Route.ClientActionArgs) {
  return savePractice(await request.json())
}

export { onlyAnotherLick as shouldRevalidate } from '~/features/shell/own-state'

export function HydrateFallback() {
  return <p className="p-8 text-(--quiet)">Opening the practice …</p>
}

export default function PracticeRoute({ loaderData }: Route.ComponentProps) {
  const { lick, settings, kept } = loaderData
  if (!lick.ok) return <StoreTrouble issue={lick.error} />
  return <PracticePage key={lick.value.id} record={lick.value} settings={settings} kept={kept} />
}
