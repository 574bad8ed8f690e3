import type { ReactNode } from 'react'
import { Links, Meta, Outlet, Scripts, ScrollRestoration, useRouteLoaderData } from 'react-router'
import type { Route } from './+types/root'
import './app.css'
import { ErrorPage } from './features/shell/error-page'
import { Shell } from './features/shell/shell'

/** Told by the server once: whether this is the demo, whose empty store is filled on first visit. */
export function loader() {
  return { demo: process.env.DIME_STACK_DEMO === '1' }
}

export function shouldRevalidate() {
  return false
}

export const links: Route.LinksFunction = () => [
  { rel: 'icon', href: '/favicon.svg', type: 'image/svg+xml' },
  { rel: 'manifest', href: '/manifest.webmanifest' },
]

export function Layout({ children }: { children: ReactNode }) {
  const demo = useRouteLoaderData<typeof loader>('root')?.demo ?? false
  return (
    <html lang="en" data-demo={demo} suppressHydrationWarning>
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta name="color-scheme" content="light dark" />
        <script src="/theme.js" />
        <Meta />
        <Links />
      </head>
      <body className="min-h-dvh bg-base-200 text-base-content antialiased">
        {children}
        <ScrollRestoration />
        <Scripts />
      </body>
    </html>
  )
}

export default function App() {
  return (
    <Shell>
      <Outlet />
    </Shell>
  )
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return (
    <Shell>
      <ErrorPage error={error} />
    </Shell>
  )
}
