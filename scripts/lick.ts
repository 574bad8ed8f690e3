import { readFileSync, writeFileSync } from 'node:fs'
import { partText, recogniseFile } from '../app/codecs/any-file'
import {
  type LimitOptions,
  type Played,
  parsePlayed,
  toHeadlessEvents,
  toHeadlessHear,
  toHeadlessLimit,
  toHeadlessSum,
} from '../app/codecs/headless'
import { parseKit } from '../app/codecs/kit'
import {
  findOwnGrooves,
  formatLickText,
  parseLickText,
  type TextIssue,
} from '../app/codecs/lick-text'
import { formatMidi } from '../app/codecs/midi'
import { formatMusicXml, formatMxl } from '../app/codecs/musicxml'
import { toOwnGrooves } from '../app/core/groove'
import type { Lick } from '../app/core/line'
import { pdfSheet, svgSheet } from './lick-sheet'

interface Options extends LimitOptions {
  readonly velocity: boolean
  /** Only the strokes that `events` lists. */
  readonly bare: boolean
  /** Where a document is written; standard output without one. */
  readonly out: string | null
  /** What was played, for `hear`. */
  readonly played: Played | null
}

const COMMANDS: Readonly<Record<string, (lick: Lick, options: Options) => unknown>> = {
  check: () => ({ errors: [] }),
  format: (lick) => ({ text: formatLickText(lick) }),
  events: (lick, { velocity }) => toHeadlessEvents(lick, velocity),
  sum: (lick) => toHeadlessSum(lick),
  limit: toHeadlessLimit,
  hear: (lick, { played }) =>
    played ? toHeadlessHear(lick, played) : stop('hear needs --played PLAYED, a JSON file'),
}
/** Commands that print a document of their own, of one file. */
const DOCUMENTS: Readonly<Record<string, (lick: Lick, options: Options) => Uint8Array | string>> = {
  midi: (lick, { bare, kit }) => formatMidi(lick, { bare, ...(kit && { kit }), ...grooves(lick) }),
  musicxml: (lick, { kit, out }) => {
    const xml = formatMusicXml(lick, { beaming: 'beat', ...(kit && { kit }), ...grooves(lick) })
    return out?.endsWith('.mxl') ? formatMxl(xml) : xml
  },
  svg: (lick, { kit }) => svgSheet(lick, { ...(kit && { kit }), ...grooves(lick) }),
  pdf: (lick, { kit }) => pdfSheet(lick, { ...(kit && { kit }), ...grooves(lick) }),
}

/** Reads a score or a MIDI file and prints the lick text that its drums come to. */
function convert(from: string): void {
  const read = recogniseFile(bytesOf(from), options.kit)
  if (!read.ok || read.value.kind !== 'part') {
    refuse(read.ok ? 'The file is one of ours: there is nothing to convert.' : read.error.message)
    return
  }
  const { text, leftOut } = partText(read.value.part)
  for (const line of leftOut) console.error(`left out: ${line}`)
  if (options.out === null) process.stdout.write(text)
  else writeFileSync(options.out, text)
}

function refuse(message: string): void {
  console.log(
    JSON.stringify(
      { errors: [{ line: 1, column: 1, found: '', expected: message, code: 'not-a-part' }] },
      null,
      2,
    ),
  )
  process.exitCode = 1
}

function bytesOf(file: string): Uint8Array {
  try {
    return readFileSync(file === '-' ? 0 : file)
  } catch {
    return stop(`cannot read ${file}`)
  }
}

const USAGE = `usage: npm run -s lick -- ${Object.keys(COMMANDS).join('|')} FILE [FILE ...]
       npm run -s lick -- ${Object.keys(DOCUMENTS).join('|')} FILE [--out PATH]
       npm run -s lick -- convert FILE [--out PATH]
       convert takes MusicXML, compressed or not, and MIDI
       hear takes --played PLAYED, a JSON file of what was played
       events takes --velocity; limit takes --landing or --loop, and --kit KITFILE; midi takes --bare`

const [command = '', ...rest] = process.argv.slice(2)
const [run, document] = [COMMANDS[command], DOCUMENTS[command]]
const { files, options } = readOptions(rest)
const [file] = files
if (command === 'convert' && file && files.length === 1) convert(file)
else if (document && file && files.length === 1) printDocument(file, document)
else if (run && file) printAnswers(run)
else stop(USAGE)

function printAnswers(of: (lick: Lick, options: Options) => unknown): void {
  const answers = files.map((one) => answer(one, (lick) => of(lick, options)))
  console.log(JSON.stringify(answers.length === 1 ? answers[0] : answers, null, 2))
  process.exitCode = answers.some((value) => hasErrors(value)) ? 1 : 0
}

function printDocument(from: string, of: (lick: Lick, options: Options) => Uint8Array | string) {
  const read = parseLickText(textOf(from))
  if (!read.ok) {
    console.log(JSON.stringify(refused(read.error), null, 2))
    process.exitCode = 1
    return
  }
  const made = of(read.value.lick, options)
  if (options.out === null) process.stdout.write(made)
  else writeFileSync(options.out, made)
}

/** The grooves that a text carries along. */
function grooves({ unknown }: Lick) {
  return { grooves: toOwnGrooves(findOwnGrooves(unknown)) }
}

function answer(file: string, of: (lick: Lick) => unknown): unknown {
  const read = parseLickText(textOf(file))
  return read.ok ? of(read.value.lick) : refused(read.error)
}

function refused(issues: readonly TextIssue[]) {
  return { errors: issues.map(({ inLine: _, ...issue }) => issue) }
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
  let options: Options = { reading: 'line', velocity: false, bare: false, out: null, played: null }
  while (left.length > 0) {
    const word = left.shift() as string
    const limits = command === 'limit'
    const documents = command in DOCUMENTS || command === 'convert'
    if (command === 'events' && word === '--velocity') options = { ...options, velocity: true }
    else if (limits && word === '--landing') options = { ...options, reading: 'landing' }
    else if (limits && word === '--loop') options = { ...options, reading: 'loop' }
    else if (command === 'hear' && word === '--played') {
      const file = left.shift() ?? stop(USAGE)
      const read = parsePlayed(textOf(file))
      options = { ...options, played: read.ok ? read.value : stop(`${file}: ${read.error}`) }
    } else if (command === 'midi' && word === '--bare') options = { ...options, bare: true }
    else if (documents && word === '--out')
      options = { ...options, out: left.shift() ?? stop(USAGE) }
    else if ((limits || documents) && word === '--kit') {
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
