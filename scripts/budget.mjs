import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'

/** How much JavaScript a page needs before it can be used: its modules and all they import at once. */
const CLIENT = 'build/client'
const BUDGETS = { 'routes/library': 211.5, 'routes/bench': 277.5, 'routes/settings': 190 }
/** Code that must come only where it is needed. */
const LATE = /kit-sampler|scheduler|worker|row-staff/i

const file = readdirSync(join(CLIENT, 'assets')).find((name) => /^manifest-.*\.js$/.test(name))
if (!file) throw new Error('no manifest: build first')
const source = readFileSync(join(CLIENT, 'assets', file), 'utf8')
const manifest = JSON.parse(source.slice(source.indexOf('{'), source.lastIndexOf('}') + 1))

let failed = 0
for (const [route, budget] of Object.entries(BUDGETS)) {
  const modules = new Set()
  for (const part of [manifest.entry, manifest.routes.root, manifest.routes[route]]) {
    for (const module of [part.module, ...part.imports]) modules.add(module)
  }
  const kilobytes = [...modules].reduce(
    (sum, path) => sum + gzipSync(readFileSync(join(CLIENT, path))).length / 1000,
    0,
  )
  const early = [...modules].filter((path) => LATE.test(path))
  const ok = kilobytes <= budget && early.length === 0
  if (!ok) failed += 1
  console.log(
    `${ok ? 'ok  ' : 'OVER'} ${route}: ${kilobytes.toFixed(1)} kB of JavaScript, gzipped, in ${modules.size} files (budget ${budget} kB)${early.length > 0 ? `, too early: ${early}` : ''}`,
  )
}
process.exit(failed > 0 ? 1 : 0)
