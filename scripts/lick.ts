import { readFileSync } from 'node:fs'
import {
  type LimitOptions,
  toHeadlessEvents,
  toHeadlessLimit,
  toHeadlessSum,
} from '../app/codecs/headless'
import { parseKit } from '../app/codecs/kit'
import { formatLickText, parseLickText } from '../app/codecs/lick-text'
import type { Lick } from '../app/core/line'

interface Options extends LimitOptions {
  readonly velocity: boolean
}

const COMMANDS: Readonly<Record<string, (lick: Lick, options: Options) => unknown>> = {
  check: () => ({ errors: [] }),
  format: (lick) => ({ text: formatLickText(lick) }),
  events: (lick, { velocity }) => toHeadlessEvents(lick, velocity),
  sum: (lick) => toHeadlessSum(lick),
  limit: toHeadlessLimit,
}
const USAGE = `usage: npm run -s lick -- ${Object.keys(COMMANDS).join('|')} FILE [FILE ...]
       events takes --velocity; limit takes --landing or --loop, and --kit KITFILE`

const [command = '', ...rest] = process.argv.slice(2)
const run = COMMANDS[command]
const { files, options } = readOptions(rest)
if (!run || files.length === 0) stop(USAGE)

const answers = files.map((file) => answer(file, (lick) => run(lick, options)))
console.log(JSON.stringify(answers.length === 1 ? answers[0] : answers, null, 2))
process.exitCode = answers.some((value) => hasErrors(value)) ? 1 : 0

function answer(file: string, of: (lick: Lick) => unknown): unknown {
  const read = parseLickText(textOf(file))
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

function textOf(file: string): string {
  try {
    return readFileSync(file === '-' ? 0 : file, 'utf8')
  } catch {
    return stop(`cannot read ${file}`)
  }
}

function readOptions(given: readonly string[]): { files: string[]; options: Options } {
  const left = [...given]
  const files: string[] = []
  let options: Options = { reading: 'line', velocity: false }
  while (left.length > 0) {
    const word = left.shift() as string
    const limits = command === 'limit'
    if (command === 'events' && word === '--velocity') options = { ...options, velocity: true }
    else if (limits && word === '--landing') options = { ...options, reading: 'landing' }
    else if (limits && word === '--loop') options = { ...options, reading: 'loop' }
    else if (limits && word === '--kit') {
      const file = left.shift() ?? stop(USAGE)
      const kit = parseKit(textOf(file))
      options = { ...options, kit: kit.ok ? kit.value : stop(`${file}: ${kit.error}`) }
    } else if (word.startsWith('--')) stop(USAGE)
    else files.push(word)
  }
  return { files, options }
}

function stop(words: string): never {
  console.error(words)
  process.exit(2)
}
