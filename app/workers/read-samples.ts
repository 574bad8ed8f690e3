import { Unzip, type UnzipFile, UnzipInflate } from 'fflate'
import { guessSurface, parseSampleMap, type WrittenRegion } from '~/codecs/sample-map'
import { type Kit, surfaceOfNote } from '~/core/kit'
import type { SampleRegion } from '~/core/sound'
import type { Surface } from '~/core/sticking'

/** A file that was chosen, with its path in the folder that it was chosen from. */
export interface ChosenFile {
  readonly path: string
  readonly file: Blob
}

/** Where what was read goes: sound by sound, so that no more than one is in memory. */
export interface SampleShelf {
  readonly keep: (path: string, sound: Uint8Array<ArrayBuffer>) => Promise<void>
  readonly drop: (paths: readonly string[]) => Promise<void>
}

/** What came of reading. */
export interface SamplesRead {
  readonly regions: readonly SampleRegion[]
  /** Words of the map that are passed over. */
  readonly passedOver: readonly string[]
  /** Sounds that are laid on nothing, and what cannot be read. */
  readonly unlaid: readonly string[]
  readonly faults: readonly string[]
}

const SOUND = /\.(wav|flac|ogg|opus|mp3|m4a|aiff?)$/i
const MAP = /\.sfz$/i
/** A sound is no larger than this, and all of them together, in bytes; and there are no more than so many. */
const MAX_SOUND = 60e6
const MAX_ALL = 1.5e9
const MAX_SOUNDS = 6000

/**
 * Reads a folder or a zip of sounds, with a map or without: with one, by its notes on a kit; without, by their names.
 * Rejects with a sentence where there is nothing to be read.
 */
export async function readSamples(
  chosen: readonly ChosenFile[],
  kit: Kit,
  shelf: SampleShelf,
  onProgress: (done: number, all: number) => void,
): Promise<SamplesRead> {
  const texts = new Map<string, string>()
  const sounds: string[] = []
  let bytes = 0
  const take = async (path: string, content: Uint8Array<ArrayBuffer>) => {
    bytes += content.length
    if (bytes > MAX_ALL) throw new Error('There is more than 1.5 GB of sound in it.')
    if (SOUND.test(path)) {
      if (sounds.length >= MAX_SOUNDS) throw new Error('There are more than 6,000 sounds in it.')
      sounds.push(path)
      await shelf.keep(path, content)
    } else texts.set(path, new TextDecoder().decode(content))
  }
  const all = chosen.reduce((sum, { file }) => sum + file.size, 0)
  let done = 0
  for (const { path, file } of chosen) {
    if (/\.zip$/i.test(path)) await readZip(file, take, (read) => onProgress(done + read, all))
    else if (isWanted(path) && file.size <= MAX_SOUND)
      await take(path, new Uint8Array(await file.arrayBuffer()))
    done += file.size
    onProgress(done, all)
  }
  if (sounds.length === 0) throw new Error('There is no sound in it that can be read.')
  const laid = layByMap(texts, sounds, kit) ?? layByName(sounds)
  const used = new Set(laid.regions.map(({ file }) => file))
  const unlaid = sounds.filter((path) => !used.has(path))
  await shelf.drop(unlaid)
  return { ...laid, unlaid }
}

const isWanted = (path: string) =>
  SOUND.test(path) || MAP.test(path) || /\.(txt|h|inc)$/i.test(path)

/** Gives the files of a zip one by one as they come out of it. */
async function readZip(
  file: Blob,
  take: (path: string, content: Uint8Array<ArrayBuffer>) => Promise<void>,
  onProgress: (read: number) => void,
): Promise<void> {
  const ready: { path: string; content: Uint8Array<ArrayBuffer> }[] = []
  let fault: Error | null = null
  const unzip = new Unzip((entry: UnzipFile) => {
    const path = entry.name
    const safe = !/(^|\/)\.\.(\/|$)|^\//.test(path)
    if (!safe || !isWanted(path) || path.startsWith('__MACOSX/')) return
    const chunks: Uint8Array[] = []
    let length = 0
    entry.ondata = (error, chunk, final) => {
      if (error) {
        fault = new Error(`“${path}” in the zip cannot be read.`)
        return
      }
      length += chunk.length
      if (length > MAX_SOUND) {
        entry.terminate()
        return
      }
      chunks.push(chunk)
      if (final) ready.push({ path, content: joined(chunks, length) })
    }
    entry.start()
  })
  unzip.register(UnzipInflate)
  const reader = file.stream().getReader()
  let read = 0
  for (;;) {
    const { value, done } = await reader.read()
    unzip.push(value ?? new Uint8Array(0), done)
    if (fault) throw fault
    for (const { path, content } of ready.splice(0)) await take(path, content)
    read += value?.length ?? 0
    onProgress(read)
    if (done) return
  }
}

function joined(chunks: readonly Uint8Array[], length: number): Uint8Array<ArrayBuffer> {
  const all = new Uint8Array(length)
  let at = 0
  for (const chunk of chunks) {
    all.set(chunk, at)
    at += chunk.length
  }
  return all
}

type Laid = Omit<SamplesRead, 'unlaid'>

/** The map with the most regions; undefined where there is none. Its paths go from its own folder. */
function layByMap(
  texts: ReadonlyMap<string, string>,
  sounds: readonly string[],
  kit: Kit,
): Laid | undefined {
  const known = new Map(sounds.map((path) => [path.toLowerCase(), path]))
  const laid = [...texts].flatMap(([path, text]): Laid[] => {
    if (!MAP.test(path)) return []
    const folder = path.slice(0, path.lastIndexOf('/') + 1)
    const read = parseSampleMap(text, (other) => texts.get(folder + other) ?? null)
    if (!read.ok) return [{ regions: [], passedOver: [], faults: [`${path}: ${read.error}`] }]
    const lacking = new Set<string>()
    const regions = read.value.regions.flatMap((region) => {
      const file = known.get((folder + region.file).toLowerCase())
      if (!file) lacking.add(region.file)
      return file ? regionsOn(kit, region, file) : []
    })
    const faults = [...lacking].map((file) => `${path}: “${file}” is not there.`)
    return [{ regions, passedOver: read.value.passedOver, faults }]
  })
  return laid.sort((a, b) => b.regions.length - a.regions.length)[0]
}

/** A region for each surface of a kit that one of its notes strikes. */
function regionsOn(kit: Kit, region: WrittenRegion, file: string): SampleRegion[] {
  const surfaces = new Set<Surface>()
  for (let note = Math.max(0, region.notes[0]); note <= region.notes[1]; note += 1) {
    const surface = surfaceOfNote(note, kit)
    if (surface) surfaces.add(surface)
  }
  const { velocities, gain, speed, offset, turn, turns } = region
  const [least, most] = velocities
  return [...surfaces].map((surface) => ({
    ...{ surface, file, least, most, gain, speed, offset, turn, turns },
  }))
}

/** Sounds by their names: those of a surface take turns. */
function layByName(sounds: readonly string[]): Laid {
  const regions = [...sounds].sort().flatMap((file): SampleRegion[] => {
    const surface = guessSurface(file)
    const plain = { least: 1, most: 127, gain: 1, speed: 1, offset: 0, turn: 0, turns: 1 }
    return surface ? [{ surface, file, ...plain }] : []
  })
  return { regions, passedOver: [], faults: [] }
}
