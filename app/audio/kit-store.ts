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
import { HOME_SURFACE, type Surface, UNDECIDED_SURFACE } from '~/core/sticking'
import type { Ticks } from '~/core/time'

/** What renders strokes: off the main thread. */
export interface KitMaker {
  /** Makes strokes in order; of a surface that was kept from a visit before it tells all at once. */
  readonly make: (
    samples: readonly Sample[],
    tool: Tool,
    rate: number,
    onMade: (stroke: { readonly sample: Sample; readonly made: Float32Array<ArrayBuffer> }) => void,
  ) => Promise<void>
  /** Nothing is wanted of it for now. */
  readonly rest: () => void
}

/** Strokes asked for at once: few enough that what is wanted meanwhile does not wait for long. */
const AT_A_TIME = 6

/** Looked ahead in a performance for what it strikes, in rounds. */
const ROUNDS = 2
/** Surfaces that nothing strikes yet are made so long after something began to play. */
const REST_AFTER_MS = 12_000
/** What is struck later than this after the beginning may still be in the making then, in seconds. */
const AT_ONCE = 1.2

/**
 * The kit at one rate, for all that plays on the page: what is asked for first is there first, the rest comes while
 * it plays. What is not there yet is played by what is nearest to it.
 */
export class KitStore {
  private readonly buffers = new Map<string, AudioBuffer>()
  private readonly clicks = new Map<string, AudioBuffer>()
  /** What is still to be made, in order. */
  private wanted: Sample[] = []
  private working: Promise<void> | undefined
  private later: ReturnType<typeof setTimeout> | undefined
  /** Who waits, and for which samples still. */
  private waiting: { readonly needs: Map<string, Sample>; readonly done: () => void }[] = []

  constructor(
    readonly rate: number,
    readonly tool: Tool,
    private readonly maker: KitMaker,
    private readonly toBuffer: (samples: Float32Array<ArrayBuffer>, rate: number) => AudioBuffer,
    private readonly restAfterMs = REST_AFTER_MS,
  ) {}

  /**
   * Resolves when each surface that a performance strikes in its first second sounds; what it strikes later comes
   * next, in its order, then how each sounds otherwise, and the rest of the kit after that. `perTick` is how long a
   * tick is, in seconds.
   */
  ready(performance: Performance, perTick: number): Promise<void> {
    const strokes = strokesOf(performance)
    const soon = strokes.filter(({ tick }) => tick * perTick < AT_ONCE)
    return this.readyFor(
      strokes.map(({ sample }) => sample),
      new Set(soon.map(({ sample }) => sample.surface)),
    )
  }

  private readyFor(strokes: readonly Sample[], soon: ReadonlySet<Sounding>): Promise<void> {
    const surfaces = new Set(strokes.map(({ surface }) => surface))
    const first = [...surfaces].flatMap((surface) =>
      this.has(surface) ? [] : strokes.filter((one) => one.surface === surface).slice(0, 1),
    )
    this.want([...first, ...strokes, ...[...surfaces].flatMap(samplesOf)])
    // What is played comes first; the rest of the kit does not take its time from it.
    clearTimeout(this.later)
    this.later = setTimeout(() => {
      this.want([...this.wanted, ...SOUNDING.flatMap(samplesOf)])
      void this.work().catch(() => undefined)
    }, this.restAfterMs)
    const needed = first.filter(({ surface }) => soon.has(surface))
    const needs = new Map(needed.map((sample) => [sampleKey(sample), sample]))
    if (needs.size === 0) {
      void this.work().catch(() => undefined)
      return Promise.resolve()
    }
    return new Promise((done, fail) => {
      this.waiting.push({ needs, done })
      this.work().catch(fail)
    })
  }

  /** Wants samples in their order, each once, as far as they are not there; what is waited for stays wanted. */
  private want(samples: readonly Sample[]): void {
    const seen = new Set<string>()
    const awaited = this.waiting.flatMap(({ needs }) => [...needs.values()])
    this.wanted = [...awaited, ...samples].filter((sample) => {
      const key = sampleKey(sample)
      if (seen.has(key) || this.buffers.has(key)) return false
      seen.add(key)
      return true
    })
  }

  /** Resolves when every surface sounds. */
  whole(): Promise<void> {
    return this.readyFor(SOUNDING.flatMap(samplesOf), new Set(SOUNDING))
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
      const next = this.wanted
        .splice(0, AT_A_TIME)
        .filter((one) => !this.buffers.has(sampleKey(one)))
      if (next.length > 0)
        await this.maker.make(next, this.tool, this.rate, ({ sample, made }) =>
          this.take(sample, made),
        )
      if (this.wanted.length === 0) return
    }
  }

  private take(sample: Sample, samples: Float32Array<ArrayBuffer>): void {
    const key = sampleKey(sample)
    this.buffers.set(key, this.toBuffer(samples, this.rate))
    this.waiting = this.waiting.filter(({ needs, done }) => {
      needs.delete(key)
      if (needs.size === 0) done()
      return needs.size > 0
    })
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

/** The surfaces that a performance strikes, in its order. */
export function surfacesOf(performance: Performance): Set<Surface> {
  return new Set(
    strokesOf(performance).flatMap(({ sample: { surface } }) =>
      surface === 'wires' ? [] : [surface],
    ),
  )
}

/** The samples that a performance strikes, in its order, and when: the first take of each stroke's layer. */
function strokesOf(performance: Performance): { readonly sample: Sample; readonly tick: Ticks }[] {
  const { countInTicks, roundTicks, ending } = performance
  const events = [
    ...Array.from({ length: performance.loop ? ROUNDS : 1 }, (_, i) => ({
      from: countInTicks + i * roundTicks,
      all: performance.round(i),
    })),
    { from: countInTicks + roundTicks, all: ending },
  ]
  const found = new Map<string, { sample: Sample; tick: Ticks }>()
  for (const { from, all } of events)
    for (const event of all) {
      if (event.kind !== 'stroke') continue
      for (const { surface, velocity } of strikesOf(event, 0)) {
        const struck = surface === UNDECIDED_SURFACE ? HOME_SURFACE.R : surface
        const sample = { surface: struck, velocity: layerOf(velocity), take: 0 }
        const key = sampleKey(sample)
        if (!found.has(key)) found.set(key, { sample, tick: from + event.tick })
      }
    }
  return [...found.values()].sort((a, b) => a.tick - b.tick)
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
