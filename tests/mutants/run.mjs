import { spawn } from 'node:child_process'
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { MUTANTS } from './list.mjs'

/**
 * Asks whether the tests notice: each mutant is put into a copy of the sources, and its tests have to fail.
 * Usage: [part of a file's path …]. Ends with how many were killed; the survivors are listed.
 */
const AT_ONCE = 2
const COPIED = ['app', 'tests', 'package.json', 'tsconfig.json', 'vitest.config.ts']

const wanted = process.argv.slice(2)
const chosen = MUTANTS.filter(
  ({ file }) => wanted.length === 0 || wanted.some((part) => file.includes(part)),
)
const survivors = []
const begun = performance.now()
const queue = [...chosen]
await Promise.all(Array.from({ length: AT_ONCE }, work))
for (const { file, is, becomes } of survivors)
  console.log(`alive: ${file}: ${JSON.stringify(is)} as ${JSON.stringify(becomes)}`)
const seconds = Math.round((performance.now() - begun) / 1000)
console.log(`${chosen.length - survivors.length} of ${chosen.length} killed, in ${seconds} s`)
process.exit(survivors.length > 0 ? 1 : 0)

/** Takes one after the other, in a copy of its own. */
async function work() {
  const place = mkdtempSync(join(tmpdir(), 'mutant-'))
  try {
    for (const part of COPIED) cpSync(resolve(part), join(place, part), { recursive: true })
    symlinkSync(resolve('node_modules'), join(place, 'node_modules'))
    for (let next = queue.shift(); next; next = queue.shift()) await judge(place, next)
  } finally {
    rmSync(place, { recursive: true, force: true })
  }
}

async function judge(place, mutant) {
  const { file, is, becomes, tests } = mutant
  const path = join(place, file)
  const source = readFileSync(path, 'utf8')
  if (source.split(is).length !== 2)
    throw new Error(`${file} has to have this once: ${JSON.stringify(is)}`)
  writeFileSync(
    path,
    source.replace(is, () => becomes),
  )
  const passed = await passes(place, tests)
  writeFileSync(path, source)
  console.log(`${passed ? 'ALIVE ' : 'killed'} ${file}: ${is.slice(0, 60).replace(/\s+/g, ' ')}`)
  if (passed) survivors.push(mutant)
}

function passes(place, tests) {
  return new Promise((done) => {
    const run = spawn('npx', ['vitest', 'run', '--bail=1', '--reporter=dot', ...tests], {
      cwd: place,
      stdio: 'ignore',
    })
    run.on('close', (code) => done(code === 0))
  })
}
