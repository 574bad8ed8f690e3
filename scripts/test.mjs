import { spawn, spawnSync } from 'node:child_process'
import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { ensureChromium, ensurePackages } from './ensure.mjs'

/** Every check, one after the other, from a clean checkout; ends with `N passed, N failed`. */
const BIN = 'node_modules/.bin'
const UNIT_RESULTS = 'test-results/unit.json'
const BROWSER_RESULTS = 'test-results/results.json'

/** One after the other; those of a row's lanes beside each other, since they need one core each. */
const checks = [
  [['format and lint', `${BIN}/biome`, ['check', '--error-on-warnings', '.']]],
  [['route types', `${BIN}/react-router`, ['typegen']]],
  [
    ['types', `${BIN}/tsc`, ['--noEmit', '-p', 'tsconfig.json']],
    ['layers', `${BIN}/depcruise`, ['app', 'scripts', '--config', '.dependency-cruiser.cjs']],
  ],
  [
    [
      'types of the core, without a browser',
      `${BIN}/tsc`,
      ['--noEmit', '-p', 'app/core/tsconfig.json'],
    ],
    ['unused code', `${BIN}/knip`, []],
    ['patterns', 'node', ['scripts/check-patterns.mjs']],
    ['build', 'node', ['scripts/build.mjs'], { quiet: true }],
  ],
  [['size of the first page', 'node', ['scripts/budget.mjs']]],
]

ensurePackages()
ensureChromium()
rmSync('test-results', { recursive: true, force: true })
mkdirSync('test-results', { recursive: true })

let passed = 0
let failed = 0
/** The names of what failed, told once more at the end. */
const broken = []
for (const lanes of checks) {
  for (const [i, ok] of (await Promise.all(lanes.map((lane) => check(...lane)))).entries()) {
    if (ok) passed += 1
    else {
      failed += 1
      broken.push(lanes[i][0])
    }
  }
}

step('unit tests', `${BIN}/vitest`, [
  'run',
  '--reporter=dot',
  '--reporter=json',
  `--outputFile.json=${UNIT_RESULTS}`,
])
count(UNIT_RESULTS, (results) => [
  results.numPassedTests,
  results.numFailedTests + results.numFailedTestSuites * Number(results.numFailedTests === 0),
  results.testResults.flatMap(({ name, status, assertionResults }) => {
    const bad = assertionResults.filter((one) => one.status === 'failed')
    if (status === 'failed' && bad.length === 0) return [name]
    return bad.map((one) => `${one.fullName}: ${one.failureMessages.join(' ').slice(0, 600)}`)
  }),
])
step('browser tests', `${BIN}/playwright`, ['test'])
count(BROWSER_RESULTS, ({ stats, suites }) => [
  stats.expected,
  stats.unexpected + stats.flaky,
  specsOf(suites).flatMap(({ tests, title, file }) =>
    tests.every(({ status }) => status === 'expected' || status === 'skipped')
      ? []
      : [`${file}: ${title}`],
  ),
])
for (const name of broken) console.log(`\nfailed: ${name}`)

console.log(`\n${passed} passed, ${failed} failed`)
process.exit(failed > 0 ? 1 : 0)

/** Runs a check beside others: what it says is printed whole when it is done. */
function check(name, command, args, { quiet = false } = {}) {
  const begun = Date.now()
  return new Promise((resolve) => {
    const child = spawn(command, args)
    let said = ''
    const hear = (chunk) => {
      said += chunk
    }
    child.stdout.on('data', hear)
    child.stderr.on('data', hear)
    child.on('error', hear)
    child.on('close', (status) => {
      const ok = status === 0
      console.log(`\n== ${name}`)
      if (!ok || !quiet) console.log(said.trimEnd())
      console.log(`== ${name}: ${ok ? 'passed' : 'failed'} in ${seconds(begun)} s`)
      resolve(ok)
    })
  })
}

function seconds(begun) {
  return ((Date.now() - begun) / 1000).toFixed(1)
}

function step(name, command, args) {
  const begun = Date.now()
  console.log(`\n== ${name}`)
  const ok = spawnSync(command, args, { stdio: 'inherit' }).status === 0
  console.log(`== ${name}: ${ok ? 'passed' : 'failed'} in ${seconds(begun)} s`)
  return ok
}

/** Adds a runner's own counts; a runner that wrote none has failed. */
function count(file, of) {
  try {
    const [good, bad, names] = of(JSON.parse(readFileSync(file, 'utf8')))
    passed += good
    failed += bad + (good + bad === 0 ? 1 : 0)
    broken.push(...names)
  } catch {
    failed += 1
    broken.push(`the runner of ${file}`)
  }
}

/** All tests of a browser run, whatever groups they are in. */
function specsOf(suites = []) {
  return suites.flatMap((suite) => [...(suite.specs ?? []), ...specsOf(suite.suites)])
}
