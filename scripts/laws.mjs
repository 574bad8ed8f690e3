import { spawnSync } from 'node:child_process'
import { randomInt } from 'node:crypto'
import { existsSync, readFileSync, rmSync } from 'node:fs'
import { ensurePackages } from './ensure.mjs'

/**
 * `npm run laws [-- TIMES]`: every unit test on draws that none has seen, so many times (10 unless told).
 * Whatever fails is printed with its seed and its counterexample; none may.
 */
const RESULTS = 'test-results/laws.json'
const times = Number(process.argv[2] ?? 10)

ensurePackages()
const failures = []
for (let i = 1; i <= times; i += 1) {
  const seed = randomInt(2 ** 31)
  const report = ['--silent', '--reporter=json', `--outputFile.json=${RESULTS}`]
  rmSync(RESULTS, { force: true })
  const { status } = spawnSync('node_modules/.bin/vitest', ['run', ...report], {
    stdio: 'inherit',
    env: { ...process.env, DRAW: String(seed) },
  })
  const { numPassedTests, testResults } = existsSync(RESULTS)
    ? JSON.parse(readFileSync(RESULTS, 'utf8'))
    : { numPassedTests: 0, testResults: [] }
  const failed = testResults
    .flatMap(({ assertionResults }) => assertionResults)
    .filter(({ status }) => status === 'failed')
  for (const { fullName, failureMessages } of failed) {
    failures.push(`${fullName} (DRAW=${seed})`)
    console.log(`\n${fullName}\n${failureMessages.join('\n')}`)
  }
  if (status !== 0 && failed.length === 0) failures.push(`the run itself (DRAW=${seed})`)
  console.log(
    `draw ${i} of ${times}, seed ${seed}: ${numPassedTests} passed, ${failed.length} failed`,
  )
}
for (const name of failures) console.log(`failed: ${name}`)
process.exit(failures.length > 0 ? 1 : 0)
