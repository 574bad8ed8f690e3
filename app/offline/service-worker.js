/**
 * Keeps every file and every kind of page of one version of the app, so that all of it works without a
 * server. A version is kept whole or not at all; the next one waits until the player agrees to it. The
 * build fills in the version, the files and the pages.
 */
const VERSION = '__VERSION__'
const FILES = '__FILES__'
const PAGES = '__PAGES__'
const CACHE = `dime-stack-${VERSION}`

self.addEventListener('install', (event) => {
  event.waitUntil(keepAll())
})

/** Fetches everything past the browser's own cache: what is kept is what the server has now. */
async function keepAll() {
  const cache = await caches.open(CACHE)
  await cache.addAll([...FILES, ...PAGES].map((path) => new Request(path, { cache: 'reload' })))
}

self.addEventListener('activate', (event) => {
  event.waitUntil(dropOthers().then(() => self.clients.claim()))
})

async function dropOthers() {
  const names = await caches.keys()
  const others = names.filter((name) => name.startsWith('dime-stack-') && name !== CACHE)
  await Promise.all(others.map((name) => caches.delete(name)))
}

self.addEventListener('message', ({ data }) => {
  if (data === 'take over') self.skipWaiting()
})

self.addEventListener('fetch', (event) => {
  const { request } = event
  const url = new URL(request.url)
  if (request.method !== 'GET' || url.origin !== self.location.origin) return
  const page = request.mode === 'navigate' ? pageOf(url.pathname) : undefined
  if (page) event.respondWith(kept(page, request))
  else if (FILES.includes(url.pathname)) event.respondWith(kept(url.pathname, request))
})

/** The page that stands for an address; undefined for one that the app has no page for. */
function pageOf(path) {
  const plain = path.length > 1 ? path.replace(/\/$/, '') : path
  if (/^\/(bench|practice|sets|solos)\/[^/]+$/.test(plain))
    return `${plain.split('/', 2).join('/')}/-`
  return PAGES.includes(plain) ? plain : undefined
}

/** What is kept, else what the server says: a browser may have cleared the cache. */
async function kept(path, request) {
  const cache = await caches.open(CACHE)
  return (await cache.match(path)) ?? fetch(request)
}
