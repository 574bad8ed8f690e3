import { wasVisited } from '~/storage'

/** In the demo, fills a store that nobody has visited. */
export async function openDemo(): Promise<void> {
  if (document.documentElement.dataset.demo !== 'true' || (await wasVisited())) return
  const { fillDemo } = await import('~/demo/content')
  await fillDemo()
}
