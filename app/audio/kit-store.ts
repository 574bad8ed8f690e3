import { type Performance, strikesOf } from '~/core/performance'
import {
  type ClickWeight,
  layerOf,
  renderClick,
  type Sample,
  SOUNDING,
  type SoundChoice,
  type Sounding,
  sampleKey,
  samplesOf,
  type Tool,
} from '~/core/sound'

/** What renders strokes: off the main thread. */
export interface KitMaker {
  readonly render: (sample: Sample, tool: Tool, rate: number) => Promise<Float32Array<ArrayBuffer>>
  /** The samples of a surface that were kept from a visit before, in their order; null for none. */
  readonly kept: (
    surface: Sounding,
    tool: Tool,
    rate: number,
  ) => Promise<readonly Float32Array<ArrayBuffer>[] | null>
  /** Nothing is wanted of it for now. */
  readonly rest: () => void
}

/** Looked ahead in a performance for what is to be there at once, in rounds. */
const ROUNDS = 2

/**
 * The kit at one rate, for all that plays on the page: what is asked for first is there first, the rest comes while
 * it plays. What is not there yet is played by what is nearest to it.
 */
export class KitStore {
  private readonly buffers = new Map<string, AudioBuffer>()
  private readonly clicks = new Map<string, AudioBuffer>()
  /** What is still to be made, in order. */
  private wanted: Sample[] = []
  private readonly looked = new Set<Sounding>()
  private working: Promise<void> | undefined
  private waiting: { readonly keys: Set<string>; readonly done: () => void }[] = []

  constructor(
    readonly rate: number,
    readonly tool: Tool,
    private readonly maker: KitMaker,
    private readonly toBuffer: (samples: Float32Array<ArrayBuffer>, rate: number) => AudioBuffer,
  ) {}

  /**
   * Resolves when each surface of a performance sounds, as hard as its first stroke; how it sounds otherwise comes
   * next, and the rest of the kit after that.
   */
  ready(performance: Performance): Promise<void> {
    return this.readyFor(strokesOf(performance))
  }

  private readyFor(strokes: readonly Sample[]): Promise<void> {
    const surfaces = new Set(strokes.map(({ surface }) => surface))
    const first = [...surfaces].flatMap((surface) =>
      this.has(surface) ? [] : strokes.filter((one) => one.surface === surface).slice(0, 1),
    )
    const rest = [...strokes, ...[...surfaces, ...SOUNDING].flatMap(samplesOf)]
    const seen = new Set<string>()
    this.wanted = [...first, ...rest].filter((sample) => {
      const key = sampleKey(sample)
      if (seen.has(key) || this.buffers.has(key)) return false
      seen.add(key)
      return true
    })
    const keys = new Set(first.map(sampleKey))
    if (keys.size === 0) {
      void this.work().catch(() => undefined)
      return Promise.resolve()
    }
    return new Promise((done, fail) => {
      this.waiting.push({ keys, done })
      this.work().catch(fail)
    })
  }

  /** Resolves when every surface sounds. */
  whole(): Promise<void> {
    return this.readyFor(SOUNDING.flatMap((surface) => samplesOf(surface)))
  }

  /** Whether any stroke of a surface is there. */
  private has(surface: Sounding): boolean {
    return samplesOf(surface).some((sample) => this.buffers.has(sampleKey(sample)))
  }

  /** Makes what is wanted, one after the other, until nothing is. */
  private work(): Promise<void> {
    this.working ??= this.makeAll().finally(() => {
      this.working = undefined
      if (this.wanted.length === 0) this.maker.rest()
    })
    return this.working
  }

  private async makeAll(): Promise<void> {
    for (;;) {
      const next = this.wanted.shift()
      if (!next) return
      if (this.buffers.has(sampleKey(next))) continue
      if (!this.looked.has(next.surface)) {
        this.looked.add(next.surface)
        const kept = await this.maker.kept(next.surface, this.tool, this.rate)
        if (kept) {
          for (const [i, sample] of samplesOf(next.surface).entries()) {
            const samples = kept[i]
            if (samples) this.take(sample, samples)
          }
          continue
        }
      }
      this.take(next, await this.maker.render(next, this.tool, this.rate))
    }
  }

  private take(sample: Sample, samples: Float32Array<ArrayBuffer>): void {
    const key = sampleKey(sample)
    this.buffers.set(key, this.toBuffer(samples, this.rate))
    this.waiting = this.waiting.filter(({ keys, done }) => {
      keys.delete(key)
      if (keys.size === 0) done()
      return keys.size > 0
    })
  }

  /** How many bytes it takes. */
  get bytes(): number {
    return [...this.buffers.values()].reduce((sum, { length }) => sum + 4 * length, 0)
  }

  /** Whether all of it is there. */
  get complete(): boolean {
    return SOUNDING.flatMap(samplesOf).every((sample) => this.buffers.has(sampleKey(sample)))
  }

  /** The sample of a stroke, or the nearest to it that is there; undefined where its surface is not there yet. */
  stroke(sample: Sample): AudioBuffer | undefined {
    const known = this.buffers.get(sampleKey(sample))
    if (known) return known
    const near = samplesOf(sample.surface)
      .filter((one) => this.buffers.has(sampleKey(one)))
      .sort(
        (a, b) => Math.abs(a.velocity - sample.velocity) - Math.abs(b.velocity - sample.velocity),
      )
    return near[0] && this.buffers.get(sampleKey(near[0]))
  }

  /** A click of a weight, by the sounds that are chosen. */
  click(weight: ClickWeight, { click, barClick }: SoundChoice): AudioBuffer {
    const sound = weight === 'bar' ? barClick : click
    const key = `${sound} ${weight}`
    const known =
      this.clicks.get(key) ?? this.toBuffer(renderClick(sound, weight, this.rate), this.rate)
    this.clicks.set(key, known)
    return known
  }
}

/** The samples that a performance strikes, in its order: the first take of each stroke's layer. */
function strokesOf(performance: Performance): Sample[] {
  const events = [
    ...Array.from({ length: ROUNDS }, (_, round) => performance.round(round)).flat(),
    ...performance.ending,
  ]
  const found = new Map<string, Sample>()
  for (const event of events) {
    if (event.kind !== 'stroke') continue
    for (const { surface, velocity } of strikesOf(event, 0)) {
      const struck = surface === '??' ? 'sn' : surface
      const sample = { surface: struck, velocity: layerOf(velocity), take: 0 }
      found.set(sampleKey(sample), sample)
    }
  }
  return [...found.values()]
}

/** The kits that were made for this page, by rate and tool: whatever plays next has them. */
const kits = new Map<string, KitStore>()

/** The kit at a rate, made once for the page. */
export function kitFor(rate: number, tool: Tool, maker: KitMaker): KitStore {
  const key = `${rate} ${tool}`
  const known = kits.get(key) ?? new KitStore(rate, tool, maker, toBuffer)
  kits.set(key, known)
  return known
}

function toBuffer(samples: Float32Array<ArrayBuffer>, sampleRate: number): AudioBuffer {
  const buffer = new AudioBuffer({ length: samples.length, sampleRate })
  buffer.copyToChannel(samples, 0)
  return buffer
}
