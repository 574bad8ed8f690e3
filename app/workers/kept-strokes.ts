import { type Sounding, samplesOf, type Tool } from '~/core/sound'

/** Goes up with every change of what the kit sounds like: what was kept before is then forgotten. */
export const KIT_VERSION = 1
const PREFIX = 'kit-sounds-'
const STORE = `${PREFIX}${KIT_VERSION}`

/**
 * Keeps the strokes of a surface for other visits. What cannot be kept (no room, no such store in this browser) is
 * made anew next time; nothing is told.
 */
export async function keepStrokes(
  surface: Sounding,
  tool: Tool,
  rate: number,
  strokes: readonly Float32Array[],
): Promise<void> {
  try {
    for (const name of await caches.keys())
      if (name.startsWith(PREFIX) && name !== STORE) await caches.delete(name)
    const store = await caches.open(STORE)
    await store.put(addressOf(surface, tool, rate), new Response(packStrokes(strokes)))
  } catch {
    // It was a convenience.
  }
}

/** The strokes of a surface that were kept before; null where there are none, or they cannot be read. */
export async function readKept(
  surface: Sounding,
  tool: Tool,
  rate: number,
): Promise<Float32Array<ArrayBuffer>[] | null> {
  try {
    const address = addressOf(surface, tool, rate)
    known ??= listKept()
    if (!(await known).has(address)) return null
    const kept = await caches.match(address, { cacheName: STORE })
    const strokes = kept ? unpackStrokes(await kept.arrayBuffer()) : null
    return strokes?.length === samplesOf(surface).length ? strokes : null
  } catch {
    return null
  }
}

/** What is kept, looked up once: to ask for each surface takes longer than to make it. */
let known: Promise<ReadonlySet<string>> | undefined

async function listKept(): Promise<ReadonlySet<string>> {
  if (!(await caches.has(STORE))) return new Set()
  const requests = await (await caches.open(STORE)).keys()
  return new Set(requests.map(({ url }) => new URL(url).pathname))
}

const addressOf = (surface: Sounding, tool: Tool, rate: number) =>
  `/${STORE}/${rate}/${tool}/${surface}`

/** As loud as two bytes can say. */
const FULL = 32_767

/** Strokes in two bytes a sample: how many, how long each is, and their samples. */
export function packStrokes(strokes: readonly Float32Array[]): ArrayBuffer {
  const lengths = strokes.map(({ length }) => length)
  const total = lengths.reduce((sum, length) => sum + length, 0)
  const head = 4 * (1 + strokes.length)
  const bytes = new ArrayBuffer(head + 2 * total)
  new Uint32Array(bytes, 0, 1 + strokes.length).set([strokes.length, ...lengths])
  const samples = new Int16Array(bytes, head)
  let at = 0
  for (const stroke of strokes) {
    for (let i = 0; i < stroke.length; i += 1)
      samples[at + i] = Math.round((stroke[i] as number) * FULL)
    at += stroke.length
  }
  return bytes
}

/** Strokes as they were packed; null for bytes that are not. Law: within a 32,767th of what was packed. */
export function unpackStrokes(bytes: ArrayBuffer): Float32Array<ArrayBuffer>[] | null {
  if (bytes.byteLength < 4) return null
  const [count = 0] = new Uint32Array(bytes, 0, 1)
  const head = 4 * (1 + count)
  if (count > 1000 || bytes.byteLength < head) return null
  const lengths = [...new Uint32Array(bytes, 4, count)]
  const total = lengths.reduce((sum, length) => sum + length, 0)
  if (bytes.byteLength !== head + 2 * total) return null
  const samples = new Int16Array(bytes, head)
  let at = 0
  return lengths.map((length) => {
    const from = at
    at += length
    const stroke = new Float32Array(length)
    for (let i = 0; i < length; i += 1) stroke[i] = (samples[from + i] as number) / FULL
    return stroke
  })
}
