import { readFileSync } from 'node:fs'
import { toHeadlessEvents, toHeadlessSum } from '../app/codecs/headless'
import { formatLickText, parseLickText } from '../app/codecs/lick-text'
import type { Lick } from '../app/core/line'

const COMMANDS: Readonly<Record<string, (lick: Lick) => unknown>> = {
  check: () => ({ errors: [] }),
  format: (lick) => ({ text: formatLickText(lick) }),
  events: toHeadlessEvents,
  sum: toHeadlessSum,
}

const [command = '', ...files] = process.argv.slice(2)
const run = COMMANDS[command]
if (!run || files.length === 0) {
  console.error(`usage: npm run -s lick -- ${Object.keys(COMMANDS).join('|')} FILE [FILE ...]`)
  process.exit(2)
}

const answers = files.map((file) => answer(file, run))
console.log(JSON.stringify(answers.length === 1 ? answers[0] : answers, null, 2))
process.exitCode = answers.some((value) => hasErrors(value)) ? 1 : 0

function answer(file: string, of: (lick: Lick) => unknown): unknown {
  let text: string
  try {
    text = readFileSync(file === '-' ? 0 : file, 'utf8')
  } catch {
    console.error(`cannot read ${file}`)
    process.exit(2)
  }
  const read = parseLickText(text)
  if (read.ok) return of(read.value.lick)
  return { errors: read.error.map(({ inLine: _, ...issue }) => issue) }
}

function hasErrors(value: unknown): boolean {
  return (
    typeof value === 'object' &&
    value !== null &&
    'errors' in value &&
    (value.errors as unknown[]).length > 0
  )
}
