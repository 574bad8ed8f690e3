import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { pathToFileURL } from 'node:url'

/**
 * `npm run -s lick -- …`: the command, built once into one folder and made again when a file that it is made
 * from is another. Translating its sources at every call took seven times as long as the answer.
 */
const ROOT = resolve(import.meta.dirname, '..')
const OUT = join(ROOT, '.cache/lick')
const BUILT = join(OUT, 'lick.js')
const STAMP = join(OUT, 'made-from')
const SOURCES = ['app/core', 'app/codecs', 'app/words', 'scripts/lick.ts', 'package-lock.json']
const SCRIPTS = ['scripts/lick-command.ts', 'scripts/lick-sheet.ts', 'scripts/lick.mjs']

const madeFrom = [...SOURCES, ...SCRIPTS].flatMap((path) => stateOf(path)).join('\n')
if (!existsSync(BUILT) || !existsSync(STAMP) || readFileSync(STAMP, 'utf8') !== madeFrom) {
  await make()
  writeFileSync(STAMP, madeFrom)
}
await import(pathToFileURL(BUILT).href)

/** A file, or all of a folder, as their paths, sizes and times of change. */
function stateOf(path) {
  const found = statSync(join(ROOT, path))
  if (!found.isDirectory()) return [`${path} ${found.size} ${found.mtimeMs}`]
  return readdirSync(join(ROOT, path))
    .filter((name) => !/\.test\.tsx?$/.test(name))
    .flatMap((name) => stateOf(join(path, name)))
}

async function make() {
  const { build } = await import('vite')
  await build({
    root: ROOT,
    configFile: false,
    logLevel: 'error',
    publicDir: false,
    resolve: { tsconfigPaths: true },
    // What stands beside the sources is still found from where they are.
    define: { 'import.meta.dirname': JSON.stringify(join(ROOT, 'scripts')) },
    // What is small is bundled: a package costs more to find than to read. The maker of PDFs is large and rarely asked for.
    ssr: { noExternal: true, external: ['jspdf'] },
    build: {
      ssr: 'scripts/lick.ts',
      outDir: OUT,
      emptyOutDir: true,
      minify: false,
      rollupOptions: { output: { format: 'es', entryFileNames: 'lick.js' } },
    },
  })
}
