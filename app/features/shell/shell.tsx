import { Menu, Moon, Settings as SettingsIcon, Sun } from 'lucide-react'
import { type ReactNode, useEffect, useState } from 'react'
import { NavLink, useLocation, useMatch } from 'react-router'
import { turnTheme } from '~/ui/theme'
import { FindButton } from '../find'
import { StoreNotices } from './store-notices'
import { UpdateWatch, type WaitingWorker } from './update-watch'

/** The frame around every page: name, places, theme. */
export function Shell({ children }: { children: ReactNode }) {
  // The bench and the practice room do not scroll as pages: their parts do.
  const fixed = [useMatch('/bench/:id'), useMatch('/practice/:id'), useMatch('/flow')].some(
    (match) => match !== null,
  )
  return (
    <div
      className={`flex min-h-dvh flex-col print:block print:min-h-0 ${fixed ? 'fixed-page' : ''}`}
    >
      <a
        href="#main"
        className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-base-100 focus:p-3"
      >
        Skip to content
      </a>
      <header className="paint-alone border-base-300 print:hidden border-b bg-base-100">
        <div className="mx-auto flex h-11 w-full max-w-7xl items-center gap-2 px-3 sm:gap-5 sm:px-5">
          <NavLink
            to="/"
            className="flex items-center gap-2.5 font-semibold text-lg tracking-tight"
          >
            <Mark />
            <span className="whitespace-nowrap max-lg:sr-only">Dime Stack</span>
          </NavLink>
          <nav aria-label="Main" className="hidden items-center gap-1 sm:flex">
            {PLACES.map(([to, name]) => (
              <Place key={to} to={to}>
                {name}
              </Place>
            ))}
          </nav>
          <PlaceMenu />
          <div className="ml-auto flex items-center sm:gap-1">
            <FindButton />
            <ThemeButton />
            <NavLink
              to="/settings"
              aria-label="Settings"
              className="btn btn-ghost btn-square btn-sm"
            >
              <SettingsIcon size={18} aria-hidden />
            </NavLink>
          </div>
        </div>
      </header>
      <StoreNotices />
      <UpdateNotice />
      <main ref={keepingFocus} id="main" className="flex min-h-0 grow flex-col">
        {children}
      </main>
    </div>
  )
}

/** What keeps the focus where a press has left it; fetched after the page. */
function keepingFocus(main: HTMLElement) {
  let gone = false
  let stop = () => {}
  void import('~/ui/keep-focus').then(({ keepFocus }) => {
    if (!gone) stop = keepFocus(main)
  })
  return () => {
    gone = true
    stop()
  }
}

const PLACES = [
  ['/', 'Library'],
  ['/find', 'Finder'],
  ['/kit', 'Kit'],
  ['/flow', 'Flow'],
  ['/sets', 'Sets'],
  ['/solos', 'Solos'],
  ['/log', 'Log'],
] as const

/** The places where there is no room for a row of them; closed again on every page. */
function PlaceMenu() {
  const { pathname } = useLocation()
  const here = PLACES.find(([to]) => to === pathname)?.[1]
  return (
    <nav aria-label="Main" className="relative sm:hidden">
      <details key={pathname}>
        <summary className="flex h-11 cursor-pointer items-center gap-2 px-2">
          <Menu size={18} aria-hidden />
          {here ?? 'Menu'}
        </summary>
        <div className="absolute top-11 left-0 z-40 flex w-44 flex-col rounded-box border border-base-300 bg-base-100 p-1 shadow-lg">
          {[...PLACES, ['/sheet', 'Sheet'] as const].map(([to, name]) => (
            <Place key={to} to={to}>
              {name}
            </Place>
          ))}
        </div>
      </details>
    </nav>
  )
}

function Place({ to, children }: { to: string; children: ReactNode }) {
  return (
    <NavLink
      to={to}
      end
      className={({ isActive }) =>
        `flex h-11 items-center border-b-2 px-2 text-sm ${isActive ? 'border-primary font-semibold' : 'border-transparent'}`
      }
    >
      {children}
    </NavLink>
  )
}

/** Three discs: a foot on a left on a right. */
function Mark() {
  return (
    <svg width="30" height="26" viewBox="0 0 30 26" aria-hidden="true">
      <rect x="5" y="1" width="20" height="6" fill="var(--limb-k)" />
      <rect x="0" y="9.5" width="30" height="6.5" rx="3.25" fill="var(--limb-l)" />
      <rect x="3" y="18.5" width="24" height="6.5" rx="3.25" fill="var(--limb-r)" />
    </svg>
  )
}

function ThemeButton() {
  return (
    <button
      type="button"
      className="btn btn-ghost btn-square btn-sm"
      onClick={turnTheme}
      aria-label="Light or dark theme"
    >
      <Sun size={18} aria-hidden className="hidden [[data-theme=pit]_&]:block" />
      <Moon size={18} aria-hidden className="[[data-theme=pit]_&]:hidden" />
    </button>
  )
}

/** Keeps the app on this device, and tells when a new version of it is ready to be taken. */
function UpdateNotice() {
  const [waiting, setWaiting] = useState<WaitingWorker | null>(null)
  useEffect(() => {
    const container = (navigator as { serviceWorker?: ServiceWorkerContainer }).serviceWorker
    if (!import.meta.env.PROD || !container) return
    const watch = new UpdateWatch(container, setWaiting, () => location.reload())
    void watch.start()
    return () => watch.stop()
  }, [])
  if (!waiting) return null
  return (
    <div role="status" className="border-base-300 border-b bg-base-100 px-4 py-2 text-sm sm:px-5">
      <div className="mx-auto flex w-full max-w-7xl flex-wrap items-center gap-3">
        <span>A new version of Dime Stack is ready.</span>
        <button
          type="button"
          className="btn btn-outline border-base-300 btn-sm"
          onClick={() => waiting.postMessage('take over')}
        >
          Use it now
        </button>
        <button type="button" className="btn btn-ghost btn-sm" onClick={() => setWaiting(null)}>
          Later
        </button>
      </div>
    </div>
  )
}
