import {
  type LimitOptions,
  type Played,
  toHeadlessEvents,
  toHeadlessLimit,
  toHeadlessSum,
} from '../app/codecs/headless'
import {
  findOwnGrooves,
  formatLickText,
  parseLickText,
  type TextIssue,
} from '../app/codecs/lick-text'
import type { Result } from '../app/core/foundation'
import { toOwnGrooves } from '../app/core/groove'
import type { Kit } from '../app/core/kit'
import type { Lick } from '../app/core/line'

/** What the command has of the outside: files by their paths, `-` for what is piped in. */
export interface Files {
  /** The bytes of a file; undefined where it cannot be read. */
  readonly read: (path: string) => Uint8Array | undefined
  readonly write: (path: string, content: Uint8Array | string) => void
}

/** What the command ends with: 0 is done, 1 a lick that cannot be read, 2 a wrong call. */
export interface Ended {
  readonly code: 0 | 1 | 2
  /** For standard output, as it is to be written. */
  readonly out: Uint8Array | string
  /** For standard error. */
  readonly told: string
}

interface Options extends LimitOptions {
  readonly velocity: boolean
  /** Only the strokes that `events` lists. */
  readonly bare: boolean
  /** Where a document is written; standard output without one. */
  readonly out: string | null
  /** What was played, for `hear`. */
  readonly played: Played | null
  /** For `find`: how many fills are listed, how far from each other, and the seed of one that is drawn. */
  readonly most: number
  readonly apart: number
  readonly seed: number | null
}

const NO_OPTIONS: Options = {
  reading: 'line',
  velocity: false,
  bare: false,
  out: null,
  played: null,
  most: 10,
  apart: 1,
  seed: null,
}

type Answer<T> = (lick: Lick, options: Options) => T | Promise<T>

/** What is asked of a lick most is here at once; what else there is comes when it is asked for. */
const ANSWERS: Readonly<Record<string, Answer<unknown>>> = {
  check: () => ({ errors: [] }),
  format: (lick) => ({ text: formatLickText(lick) }),
  events: (lick, { velocity }) => toHeadlessEvents(lick, velocity),
  sum: (lick) => toHeadlessSum(lick),
  limit: toHeadlessLimit,
  hear: async (lick, { played }) => {
    if (!played) throw new WrongCall('hear needs --played PLAYED, a JSON file')
    const { toHeadlessHear } = await import('../app/codecs/headless/hear')
    return toHeadlessHear(lick, played)
  },
}
/** Commands that print a document of their own, of one file. */
const DOCUMENTS: Readonly<Record<string, Answer<Uint8Array | string>>> = {
  midi: async (lick, { bare, kit }) => {
    const { formatMidi } = await import('../app/codecs/midi')
    return formatMidi(lick, { bare, ...(kit && { kit }), ...grooves(lick) })
  },
  musicxml: async (lick, { bare, kit, out }) => {
    const { formatMusicXml, formatMxl } = await import('../app/codecs/musicxml')
    const options = { beaming: 'beat', bare, ...(kit && { kit }), ...grooves(lick) } as const
    const xml = formatMusicXml(lick, options)
    return out?.endsWith('.mxl') ? formatMxl(xml) : xml
  },
  svg: async (lick, { kit }) => {
    const { svgSheet } = await import('./lick-sheet')
    return svgSheet(lick, { ...(kit && { kit }), ...grooves(lick) })
  },
  pdf: async (lick, { kit }) => {
    const { pdfSheet } = await import('./lick-sheet')
    return pdfSheet(lick, { ...(kit && { kit }), ...grooves(lick) })
  },
}

const USAGE = `usage: npm run -s lick -- COMMAND FILE [OPTIONS]   (- for what is piped in)

npm run -s lick -- check FILE [FILE ...]
npm run -s lick -- format FILE
npm run -s lick -- events FILE [--velocity]
npm run -s lick -- sum FILE
npm run -s lick -- limit FILE [--landing] [--kit KITFILE]
npm run -s lick -- limit FILE [--loop] [--kit KITFILE]
npm run -s lick -- hear FILE --played PLAYED
npm run -s lick -- midi FILE [--bare] [--kit KITFILE] [--out PATH]
npm run -s lick -- musicxml FILE [--bare] [--kit KITFILE] [--out PATH]
npm run -s lick -- svg FILE [--kit KITFILE] [--out PATH]
npm run -s lick -- pdf FILE [--kit KITFILE] [--out PATH]
npm run -s lick -- convert SCORE [--out PATH]
npm run -s lick -- find QUESTION [--most 10] [--apart 4] [--draw 7] [--kit KITFILE]
npm run -s lick -- find --schema

FILE is a lick text, KITFILE a kit, PLAYED a JSON file of what was played, SCORE a MusicXML file, compressed
or not, or a MIDI file, QUESTION a JSON file of the form that \`find --schema\` prints. MusicXML is compressed where PATH ends in .mxl.`

/** The command was called in a way that it does not know, or with a file that cannot be read. */
class WrongCall extends Error {}

/**
 * The command without a screen: reads licks from files and answers in JSON, or makes a document of one.
 * Reads and writes only what `files` gives it.
 *
 * @param words the command and what follows it, as in `['sum', 'tightrope.lick']`
 * @example await lickCommand(['check', 'a.lick'], files) // { code: 0, out: '{\n  "errors": []\n}\n', told: '' }
 */
export async function lickCommand(words: readonly string[], files: Files): Promise<Ended> {
  try {
    return await run(words, files)
  } catch (wrong) {
    if (wrong instanceof WrongCall) return { code: 2, out: '', told: `${wrong.message}\n` }
    throw wrong
  }
}

async function run([command = '', ...rest]: readonly string[], files: Files): Promise<Ended> {
  if (command === '--help') return { code: 0, out: `${USAGE}\n`, told: '' }
  const { paths, options } = await readOptions(command, rest, files)
  const [path] = paths
  const [answers, document] = [ANSWERS[command], DOCUMENTS[command]]
  if (command === 'find') return find(path, rest, options, files)
  if (command === 'convert' && path && paths.length === 1) return convert(path, options, files)
  if (document && path && paths.length === 1) {
    const read = parseLickText(textOf(path, files))
    return read.ok
      ? made(await document(read.value.lick, options), options, files)
      : refused(errorsOf(read.error))
  }
  if (!answers || !path) throw new WrongCall(USAGE)
  const given: unknown[] = []
  for (const one of paths) {
    const read = parseLickText(textOf(one, files))
    given.push(read.ok ? await answers(read.value.lick, options) : errorsOf(read.error))
  }
  const code = given.some(hasErrors) ? 1 : 0
  return { code, out: json(given.length === 1 ? given[0] : given), told: '' }
}

/** Counts the fills that obey a question and lists the best, or says of what form questions are. */
async function find(
  path: string | undefined,
  rest: readonly string[],
  { most, apart, seed, kit }: Options,
  files: Files,
): Promise<Ended> {
  const { parseQuestion, questionJsonSchema } = await import('../app/codecs/question')
  if (rest.includes('--schema')) return { code: 0, out: json(questionJsonSchema()), told: '' }
  if (!path) throw new WrongCall(USAGE)
  const { toHeadlessFind } = await import('../app/codecs/headless/find')
  const { DEFAULT_SETTING } = await import('../app/core/playability')
  const setting = kit ? { ...DEFAULT_SETTING, kit } : DEFAULT_SETTING
  const read = parseQuestion(textOf(path, files))
  const found = read.ok ? toHeadlessFind(read.value, { most, apart, seed, setting }) : read
  if (found.ok) return { code: 0, out: json(found.value), told: '' }
  return refused({
    errors: [{ line: 1, column: 1, found: '', expected: found.error, code: 'not-a-question' }],
  })
}

/** Reads a score or a MIDI file and gives the lick text that its drums come to. */
async function convert(path: string, options: Options, files: Files): Promise<Ended> {
  const { partText, recogniseFile } = await import('../app/codecs/any-file')
  const read = recogniseFile(bytesOf(path, files), options.kit)
  if (!read.ok || read.value.kind !== 'part') {
    const expected = read.ok
      ? 'The file is one of ours: there is nothing to convert.'
      : read.error.message
    return refused({ errors: [{ line: 1, column: 1, found: '', expected, code: 'not-a-part' }] })
  }
  const { text, leftOut } = partText(read.value.part)
  const told = leftOut.map((line) => `left out: ${line}\n`).join('')
  return { ...made(text, options, files), told }
}

/** A document goes into the file that is named for it, or out. */
function made(document: Uint8Array | string, { out }: Options, files: Files): Ended {
  if (out === null) return { code: 0, out: document, told: '' }
  files.write(out, document)
  return { code: 0, out: '', told: '' }
}

/** The grooves that a text carries along. */
function grooves({ unknown }: Lick) {
  return { grooves: toOwnGrooves(findOwnGrooves(unknown)) }
}

const json = (value: unknown) => `${JSON.stringify(value, null, 2)}\n`

const errorsOf = (issues: readonly TextIssue[]) => ({
  errors: issues.map(({ inLine: _, ...issue }) => issue),
})

const refused = (answer: { errors: readonly unknown[] }): Ended => ({
  code: 1,
  out: json(answer),
  told: '',
})

function hasErrors(value: unknown): boolean {
  return (
    typeof value === 'object' &&
    value !== null &&
    'errors' in value &&
    (value.errors as unknown[]).length > 0
  )
}

function bytesOf(path: string, files: Files): Uint8Array {
  const bytes = files.read(path)
  if (!bytes) throw new WrongCall(`cannot read ${path}`)
  return bytes
}

const textOf = (path: string, files: Files) => new TextDecoder().decode(bytesOf(path, files))

async function readOptions(command: string, given: readonly string[], files: Files) {
  const limits = command === 'limit'
  const finds = command === 'find'
  const documents = command in DOCUMENTS || command === 'convert'
  const left = [...given]
  const paths: string[] = []
  let options = NO_OPTIONS
  const next = () => {
    const path = left.shift()
    if (path === undefined) throw new WrongCall(USAGE)
    return path
  }
  /** What a file beside the lick says, or why it cannot be taken. */
  const beside = async <T>(parser: Promise<(text: string) => Result<T, string>>): Promise<T> => {
    const path = next()
    const parse = await parser
    const read = parse(textOf(path, files))
    if (!read.ok) throw new WrongCall(`${path}: ${read.error}`)
    return read.value
  }
  while (left.length > 0) {
    const word = next()
    if (command === 'events' && word === '--velocity') options = { ...options, velocity: true }
    else if (limits && word === '--landing') options = { ...options, reading: 'landing' }
    else if (limits && word === '--loop') options = { ...options, reading: 'loop' }
    else if ((command === 'midi' || command === 'musicxml') && word === '--bare')
      options = { ...options, bare: true }
    else if (documents && word === '--out') options = { ...options, out: next() }
    else if (command === 'hear' && word === '--played')
      options = { ...options, played: await beside(playedParser()) }
    else if (finds && word === '--schema') paths.push('')
    else if (finds && word === '--most') options = { ...options, most: whole(next(), 1000) }
    else if (finds && word === '--apart') options = { ...options, apart: whole(next(), 256) }
    else if (finds && word === '--draw') options = { ...options, seed: whole(next(), 2 ** 32 - 1) }
    else if ((limits || documents || finds) && word === '--kit')
      options = { ...options, kit: await beside(kitParser()) }
    else if (word.startsWith('--')) throw new WrongCall(USAGE)
    else paths.push(word)
  }
  return { paths, options }
}

function whole(typed: string, most: number): number {
  const number = Number(typed)
  if (!/^\d{1,10}$/.test(typed) || number > most) throw new WrongCall(USAGE)
  return number
}

const playedParser = async () => (await import('../app/codecs/headless/hear')).parsePlayed
const kitParser = async () => {
  const { kitFault, parseKit } = await import('../app/codecs/kit')
  return (text: string): Result<Kit, string> => {
    const read = parseKit(text)
    return read.ok ? read : { ok: false, error: kitFault(text) }
  }
}
