import { fail, ok, type Result } from '~/core/foundation'

/** A region as a map writes it: its sound, and the notes and velocities for which it sounds. */
export interface WrittenRegion {
  readonly file: string
  readonly notes: readonly [least: number, most: number]
  readonly velocities: readonly [least: number, most: number]
  readonly gain: number
  readonly speed: number
  readonly offset: number
  readonly turn: number
  readonly turns: number
}

/** What was read of a map, and what is in it that is not understood. */
export interface MapReading {
  readonly regions: readonly WrittenRegion[]
  /** Words of the format that are passed over, each once. */
  readonly passedOver: readonly string[]
}

/** Longer texts, more files within files and more regions are not read. */
const MAX_TEXT = 2_000_000
const MAX_INCLUDES = 64
const MAX_REGIONS = 4000
const MAX_NAMES = 200

/** What is understood besides the words for keys, velocities and turns. */
const KNOWN = new Set([
  ...['sample', 'default_path', 'key', 'lokey', 'hikey', 'pitch_keycenter', 'lovel', 'hivel'],
  ...['volume', 'tune', 'transpose', 'offset', 'seq_position', 'seq_length'],
])

/**
 * Reads a text of regions in the open format that samplers share: headers in angle brackets (`control`, `global`,
 * `master`, `group`, `region`), words with values, `#define` and `#include`. `include` gives the text of another
 * file of the map; null where there is none. A path out of the map, a text without end and a number that is none are
 * refused; words that are not understood are told and passed over.
 *
 * @example parseSampleMap('<region> sample=snare.wav key=38 lovel=1 hivel=60', () => null)
 */
export function parseSampleMap(
  text: string,
  include: (path: string) => string | null,
): Result<MapReading, string> {
  try {
    return ok(new Reader(include).read(text))
  } catch (fault) {
    if (fault instanceof MapFault) return fail(fault.message)
    throw fault
  }
}

class MapFault extends Error {}

type Words = ReadonlyMap<string, string>
const LEVELS = ['global', 'master', 'group'] as const

class Reader {
  private readonly names = new Map<string, string>()
  private readonly passedOver = new Set<string>()
  private readonly regions: WrittenRegion[] = []
  /** What holds for all regions below a header, by the header. */
  private readonly held = new Map<string, Map<string, string>>()
  private header = ''
  private region: Map<string, string> | null = null
  private included = 0
  private length = 0

  constructor(private readonly include: (path: string) => string | null) {}

  read(text: string): MapReading {
    this.take(text)
    this.close()
    return { regions: this.regions, passedOver: [...this.passedOver].sort() }
  }

  private take(text: string): void {
    this.length += text.length
    if (this.length > MAX_TEXT) throw new MapFault('The map is longer than 2 MB of text.')
    for (const line of withoutComments(text).split(/\r?\n/)) this.takeLine(line.trim())
  }

  private takeLine(line: string): void {
    const define = /^#define\s+(\$\w+)\s+(\S+)/.exec(line)
    if (define) {
      if (this.names.size >= MAX_NAMES) throw new MapFault('The map gives names to too much.')
      this.names.set(define[1] as string, define[2] as string)
      return
    }
    const other = /^#include\s+"([^"]+)"/.exec(line)
    if (other) {
      this.takeIncluded(other[1] as string)
      return
    }
    for (const piece of this.withNames(line).split(/(?=<)/)) this.takePiece(piece)
  }

  private takeIncluded(path: string): void {
    this.included += 1
    if (this.included > MAX_INCLUDES)
      throw new MapFault('The map includes files without end, or more than 64.')
    const text = this.include(safePath(path))
    if (text === null) throw new MapFault(`The map includes “${path}”, which is not there.`)
    this.take(text)
  }

  /** The longest name first, so that one within another is not taken for it. */
  private withNames(line: string): string {
    if (!line.includes('$')) return line
    const names = [...this.names].sort(([a], [b]) => b.length - a.length)
    return names.reduce((now, [name, value]) => now.replaceAll(name, value), line)
  }

  /** `<header>` and what stands after it, or words of the header before. */
  private takePiece(piece: string): void {
    const opened = /^<(\w+)>/.exec(piece)
    if (opened) this.open(opened[1] as string)
    const words = opened ? piece.slice(opened[0].length) : piece
    // A value goes on to the next word, since paths have spaces.
    const starts = [...words.matchAll(/(?:^|\s)(\w+)=/g)]
    for (const [i, start] of starts.entries()) {
      const from = start.index + start[0].length
      this.set(start[1] as string, words.slice(from, starts[i + 1]?.index ?? words.length).trim())
    }
  }

  private open(header: string): void {
    this.close()
    this.header = header
    if (header === 'region') {
      this.region = new Map()
      return
    }
    const level = (LEVELS as readonly string[]).indexOf(header)
    // What held below it holds no more.
    if (level >= 0) for (const lower of LEVELS.slice(level)) this.held.delete(lower)
    if (level < 0 && header !== 'control') this.passedOver.add(`<${header}>`)
  }

  private set(word: string, value: string): void {
    if (!KNOWN.has(word)) this.passedOver.add(word)
    if (this.region) this.region.set(word, value)
    else {
      const held = this.held.get(this.header) ?? new Map<string, string>()
      this.held.set(this.header, held)
      held.set(word, value)
    }
  }

  private close(): void {
    const { region } = this
    this.region = null
    if (!region) return
    const all = new Map<string, string>()
    for (const level of ['control', ...LEVELS])
      for (const [word, value] of this.held.get(level) ?? []) all.set(word, value)
    for (const [word, value] of region) all.set(word, value)
    const sample = all.get('sample')
    // A sound that the sampler would make itself.
    if (!sample || sample.startsWith('*')) return
    if (this.regions.length >= MAX_REGIONS)
      throw new MapFault('The map has more than 4,000 regions.')
    this.regions.push(regionOf(all, sample))
  }
}

function regionOf(words: Words, sample: string): WrittenRegion {
  const number = (word: string, usual: number, least: number, most: number) =>
    numberIn(word, words.get(word), usual, least, most)
  const key = words.get('key')
  const least = noteIn(words.get('lokey') ?? key, 0)
  const most = noteIn(words.get('hikey') ?? key, 127)
  const turns = number('seq_length', 1, 1, 100)
  const cents = number('tune', 0, -9600, 9600) + 100 * number('transpose', 0, -96, 96)
  return {
    file: safePath(`${words.get('default_path') ?? ''}${sample}`),
    notes: [Math.min(least, most), Math.max(least, most)],
    velocities: [number('lovel', 1, 0, 127), number('hivel', 127, 0, 127)],
    gain: 10 ** (number('volume', 0, -144, 24) / 20),
    speed: 2 ** (cents / 1200),
    offset: Math.round(number('offset', 0, 0, 4_294_967_295)),
    turn: Math.min(turns, number('seq_position', 1, 1, 100)) - 1,
    turns,
  }
}

function numberIn(
  word: string,
  text: string | undefined,
  usual: number,
  least: number,
  most: number,
): number {
  if (text === undefined) return usual
  const value = Number(text)
  if (!Number.isFinite(value) || text.trim() === '' || value < least || value > most)
    throw new MapFault(`“${word}=${text.slice(0, 40)}” is no number from ${least} to ${most}.`)
  return value
}

const STEPS: Readonly<Record<string, number>> = { c: 0, d: 2, e: 4, f: 5, g: 7, a: 9, b: 11 }

/** A MIDI note by its number or its name, where C4 is 60. */
function noteIn(text: string | undefined, usual: number): number {
  if (text === undefined) return usual
  const named = /^([a-g])([#b]?)(-?\d)$/i.exec(text)
  const sign = { '#': 1, b: -1, '': 0 }[named?.[2] ?? ''] ?? 0
  const note = named
    ? (STEPS[(named[1] as string).toLowerCase()] as number) + sign + 12 * (Number(named[3]) + 1)
    : Number(text)
  // A range that begins below all notes is one that nothing plays.
  if (!Number.isInteger(note) || note < -1 || note > 127)
    throw new MapFault(`“${text.slice(0, 40)}” is no note.`)
  return note
}

/** A path within the map, with `/` between its parts; refused where it leads out of it. */
function safePath(path: string): string {
  const parts = path
    .replaceAll('\\', '/')
    .split('/')
    .filter((part) => part !== '.' && part !== '')
  const outside = /^[/\\]|^\w+:/.test(path) || parts.includes('..')
  if (outside || parts.length === 0 || path.length > 500)
    throw new MapFault(`“${path.slice(0, 60)}” is no path within the folder.`)
  return parts.join('/')
}

/** A text without what stands after `//` and between slashes with stars. */
function withoutComments(text: string): string {
  return text
    .replaceAll(/\/\*[^*]*(?:\*(?!\/)[^*]*)*\*\//g, ' ')
    .replaceAll(/(^|\s)\/\/[^\n]*/g, '$1')
}
