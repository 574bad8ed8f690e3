import { NotFoundPage } from '~/features/shell/error-page'
import type { Route } from './+types/not-found'

export const meta: Route.MetaFunction = () => [{ title: 'Not found · Dime Stack' }]

export function loader() {
  return new Response(null, { status: 404 })
}

export default function NotFoundRoute() {
  return <NotFoundPage title="Page not found" text="The link may be old, or a letter is missing." />
}
