import { regionFor, type SampleMap, type SampleRegion } from '~/core/sound'
import type { Surface } from '~/core/sticking'

/** One sound of the player's own, as it is to be played. */
export interface OwnStroke {
  readonly buffer: AudioBuffer
  readonly gain: number
  readonly speed: number
  /** Seconds that are left out at its beginning. */
  readonly offset: number
}

/** How sounds of the player's own are come by. */
export interface SampleLoader {
  /** A sound as its file is; null where it is not there. */
  readonly load: (file: string) => Promise<Uint8Array<ArrayBuffer> | null>
  readonly decode: (sound: ArrayBuffer) => Promise<AudioBuffer>
}

/** Decoded sounds that are held, in bytes; those that were played longest ago go first. */
const HELD_BYTES = 300e6

/**
 * Sounds of the player's own in place of the kit's, by map. They are decoded when their surface is to be struck;
 * until then, and where they cannot be decoded, they are undefined, and the kit's own sound stands in.
 */
export class OwnSamples {
  private readonly buffers = new Map<string, AudioBuffer | null>()
  private readonly loading = new Map<string, Promise<void>>()
  private readonly struck = new Map<Surface, number>()

  constructor(
    readonly map: SampleMap,
    private readonly loader: SampleLoader,
  ) {}

  /** Resolves when the sounds of some surfaces are decoded, as far as they can be. */
  async ready(surfaces: Iterable<Surface>): Promise<void> {
    const wanted = new Set(surfaces)
    const files = new Set(
      this.map.regions.flatMap(({ surface, file }) => (wanted.has(surface) ? [file] : [])),
    )
    // One after the other: each is decoded off the page, and none more is held than needed.
    for (const file of files) await this.load(file)
  }

  /** What a stroke sounds by; undefined where there is nothing of its own for it yet. */
  stroke(surface: Surface, velocity: number): OwnStroke | undefined {
    const nth = this.struck.get(surface) ?? 0
    const region = regionFor(this.map.regions, surface, velocity, nth)
    const buffer = region && this.buffers.get(region.file)
    // One that cannot be decoded has had its turn all the same.
    if (buffer !== undefined) this.struck.set(surface, nth + 1)
    if (!region || !buffer) return undefined
    this.touch(region, buffer)
    const { gain, speed, offset } = region
    return { buffer, gain, speed, offset: offset / buffer.sampleRate }
  }

  private load(file: string): Promise<void> {
    const known = this.loading.get(file)
    if (known) return known
    const loading = this.fetch(file)
    this.loading.set(file, loading)
    return loading
  }

  private async fetch(file: string): Promise<void> {
    const sound = await this.loader.load(file)
    const buffer = sound ? await this.loader.decode(sound.slice().buffer).catch(() => null) : null
    this.buffers.set(file, buffer)
    this.makeRoom()
  }

  /** Played last, kept longest. */
  private touch({ file }: SampleRegion, buffer: AudioBuffer): void {
    this.buffers.delete(file)
    this.buffers.set(file, buffer)
  }

  private makeRoom(): void {
    const sizeOf = (buffer: AudioBuffer | null) =>
      buffer ? 4 * buffer.length * buffer.numberOfChannels : 0
    let held = [...this.buffers.values()].reduce((sum, buffer) => sum + sizeOf(buffer), 0)
    for (const [file, buffer] of this.buffers) {
      if (held <= HELD_BYTES || this.buffers.size <= 1) return
      held -= sizeOf(buffer)
      this.buffers.delete(file)
      this.loading.delete(file)
    }
  }
}
