import { storeReady, wasVisited } from '~/storage'

/**
 * Opens the store for a page, whichever is visited first; returns what keeps it shut. In the demo a store that
 * nobody has visited is filled, so that every page of it has something to show.
 */
export async function openStore(): ReturnType<typeof storeReady> {
  const trouble = await storeReady()
  if (!trouble && document.documentElement.dataset.demo === 'true' && !(await wasVisited())) {
    const { fillDemo } = await import('~/demo/content')
    await fillDemo()
  }
  return trouble
}
