import { createHash } from 'node:crypto'
import { readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { run } from './ensure.mjs'

/**
 * Builds the app, then its service worker: which files and pages it keeps, and under which version; then packs
 * what is text, once and not each time that it is asked for.
 */
const CLIENT = 'build/client'
/** One address of every kind of page: the page of a lick is the same whichever lick it is. */
const PAGES = [
  '/',
  '/bench/-',
  '/practice/-',
  '/kit',
  '/flow',
  '/sets',
  '/sets/-',
  '/solos',
  '/solos/-',
  '/log',
  '/play-in',
  '/bin',
  '/link',
  '/compare',
  '/sheet',
  '/backup',
  '/settings',
]

run('node_modules/.bin/react-router', ['build'], { stdio: ['ignore', 'ignore', 'inherit'] })

const files = filesIn(CLIENT).filter((path) => !path.endsWith('.map') && path !== '/sw.js')
const hash = createHash('sha256')
for (const path of [...files, '/../server/index.js']) hash.update(readFileSync(join(CLIENT, path)))
const source = readFileSync('app/offline/service-worker.js', 'utf8')
hash.update(source)
const version = hash.digest('hex').slice(0, 16)
const filled = source
  .replace("'__VERSION__'", JSON.stringify(version))
  .replace("'__FILES__'", JSON.stringify(files))
  .replace("'__PAGES__'", JSON.stringify(PAGES))
writeFileSync(join(CLIENT, 'sw.js'), filled)
for (const path of files.filter((path) => /^\/assets\/.*\.(?:js|css|svg)$/.test(path)))
  writeFileSync(
    join(CLIENT, `${path}.gz`),
    gzipSync(readFileSync(join(CLIENT, path)), { level: 9 }),
  )

function filesIn(folder, under = '') {
  return readdirSync(join(folder, under)).flatMap((name) => {
    const path = `${under}/${name}`
    return statSync(join(folder, path)).isDirectory() ? filesIn(folder, path) : [path]
  })
}
