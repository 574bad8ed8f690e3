import type { ShouldRevalidateFunctionArgs } from 'react-router'
import { LibraryPage, LibrarySkeleton } from '~/features/library/library-page'
import { libraryAction, openLibrary } from '~/features/library/library-store'
import { StoreTrouble } from '~/features/shell/error-page'
import type { Route } from './+types/library'

export const meta: Route.MetaFunction = () => [
  { title: 'Library · Dime Stack' },
  {
    name: 'description',
    content: 'Build, check, hear and practise drum fills and solo licks.',
  },
]

export function clientLoader() {
  return openLibrary(document.documentElement.dataset.demo === 'true')
}
clientLoader.hydrate = true as const

/** Searching and sorting change the address, not what is stored. */
export function shouldRevalidate({
  currentUrl,
  nextUrl,
  formMethod,
  defaultShouldRevalidate,
}: ShouldRevalidateFunctionArgs) {
  return formMethod !== undefined || currentUrl.pathname !== nextUrl.pathname
    ? defaultShouldRevalidate
    : false
}

export function clientAction({ request }: Route.ClientActionArgs) {
  return libraryAction(request)
}

export function HydrateFallback() {
  return <LibrarySkeleton />
}

export default function LibraryRoute({ loaderData }: Route.ComponentProps) {
  if (!loaderData.ok) return <StoreTrouble issue={loaderData.error} />
  return <LibraryPage list={loaderData.value} />
}
