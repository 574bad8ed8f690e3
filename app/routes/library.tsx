import { redirect } from 'react-router'
import { addDemo, newLick } from '~/features/library/library-actions'
import { LibraryPage, LibrarySkeleton } from '~/features/library/library-page'
import { StoreTrouble } from '~/features/shell/error-page'
import { openStore } from '~/features/shell/open-store'
import { onlyAnotherPage } from '~/features/shell/own-state'
import { liveSummaries } from '~/storage'
import type { Route } from './+types/library'

export const meta: Route.MetaFunction = () => [
  { title: 'Library · Dime Stack' },
  {
    name: 'description',
    content: 'Build, check, hear and practise drum fills and solo licks.',
  },
]

export async function clientLoader() {
  const trouble = await openStore()
  if (trouble) return { trouble }
  await liveSummaries.started()
  return { trouble }
}
clientLoader.hydrate = true as const

/** Searching and sorting change the address, not what is stored; and what is stored is live. */
export { onlyAnotherPage as shouldRevalidate }

/** Starts a lick, or adds those of the demo. */
export async function clientAction({ request }: Route.ClientActionArgs) {
  const intent = (await request.formData()).get('intent')
  const outcome = intent === 'demo' ? await addDemo() : await newLick()
  return outcome.kind === 'open' ? redirect(`/bench/${outcome.id}`) : outcome
}

export function HydrateFallback() {
  return <LibrarySkeleton />
}

export default function LibraryRoute({ actionData, loaderData }: Route.ComponentProps) {
  const { trouble } = loaderData
  return trouble ? <StoreTrouble issue={trouble} /> : <LibraryPage outcome={actionData} />
}
