import { ClockTrail } from '~/core/onsets'
import type { Performance, Position, TempoPlan } from '~/core/performance'
import type { SoundName } from '~/core/sound'
import { type Channel, KitSampler } from './kit-sampler'
import { AHEAD_SECONDS, HIDDEN_AHEAD_SECONDS, Scheduler } from './scheduler'

/** What the session needs from outside: the kit's samples, and a steady pulse. */
export interface SoundSources {
  readonly renderKit: (rate: number) => Promise<ReadonlyMap<SoundName, Float32Array>>
  readonly startTicker: (everyMs: number, onTick: () => void) => { stop: () => void }
}

const PULSE_MS = 25
/** Time to breathe between the key and the first click, in seconds. */
const START_LEAD = 0.08

/** One audio device with the kit on it: plays one performance at a time. */
export class SoundSession {
  private player: KitSampler | undefined
  private context: AudioContext | undefined
  private loading: Promise<KitSampler> | undefined
  private scheduler: Scheduler | undefined
  private ticker: { stop: () => void } | undefined
  /** Where the device stood at the strokes that the page comes to later. */
  private trail = new ClockTrail()
  private plays = 0
  private readonly volumes = new Map<Channel, number>()
  private softClick = false

  constructor(
    private readonly sources: SoundSources,
    private readonly onEnd: () => void,
  ) {
    document.addEventListener('visibilitychange', this.pulse)
  }

  /** A page that is just being hidden hands over at once what its slower pulse would be late for. */
  private readonly pulse = () => {
    this.readClock()
    this.scheduler?.pulse()
  }

  /** Starts from the top. Must be called in a user's gesture, or the browser stays silent. */
  async play(performance: Performance, plan: TempoPlan): Promise<void> {
    this.stop()
    const wanted = ++this.plays
    const player = await this.ready()
    // Stopped, closed or started anew while the kit was still being made.
    const { context } = this
    if (wanted !== this.plays || !context) return
    if (context.state !== 'running') await context.resume()
    if (wanted !== this.plays) return
    const scheduler = new Scheduler(
      performance,
      plan,
      context.currentTime + START_LEAD,
      () => context.currentTime,
      player,
      () => (document.hidden ? HIDDEN_AHEAD_SECONDS : AHEAD_SECONDS),
    )
    this.scheduler = scheduler
    this.pulse()
    this.ticker = this.sources.startTicker(PULSE_MS, () => {
      this.pulse()
      if (scheduler.isOver) {
        this.stop()
        this.onEnd()
      }
    })
  }

  stop(): void {
    this.plays += 1
    this.ticker?.stop()
    this.ticker = undefined
    this.scheduler = undefined
    this.player?.silence()
  }

  setPlan(plan: TempoPlan): void {
    this.scheduler?.setPlan(plan)
  }

  setPerformance(performance: Performance): void {
    this.scheduler?.setPerformance(performance)
  }

  setVolume(channel: Channel, volume: number): void {
    this.volumes.set(channel, volume)
    this.player?.setVolume(channel, volume)
  }

  /** Whether clicks come in softly, since a microphone listens. */
  setSoftClick(soft: boolean): void {
    this.softClick = soft
    if (this.player) this.player.softClick = soft
  }

  /**
   * Where the music is, or will be so many seconds ahead; below 0 where it was, however the device went in
   * between. Undefined in silence.
   */
  position(ahead = 0): Position | undefined {
    const at = this.trail.toDevice(this.readClock() + ahead * 1000)
    return at === undefined ? undefined : this.scheduler?.position(at / 1000)
  }

  close(): void {
    document.removeEventListener('visibilitychange', this.pulse)
    this.stop()
    void this.context?.close()
    this.context = undefined
    this.loading = undefined
    this.player = undefined
  }

  /** Notes where the device stands, and tells the page's time, in milliseconds. */
  private readClock(): number {
    const page = performance.now()
    if (this.context) this.trail.add({ device: this.context.currentTime * 1000, page })
    return page
  }

  /** The kit, made once; where that failed it is tried again at the next play. */
  private ready(): Promise<KitSampler> {
    this.loading ??= this.load().catch((fault) => {
      void this.context?.close()
      this.context = undefined
      this.loading = undefined
      throw fault
    })
    return this.loading
  }

  private async load(): Promise<KitSampler> {
    const context = new AudioContext({ latencyHint: 'interactive' })
    this.context = context
    this.trail = new ClockTrail()
    const rendered = await this.sources.renderKit(context.sampleRate)
    const buffers = new Map<SoundName, AudioBuffer>()
    for (const [name, samples] of rendered) {
      const buffer = context.createBuffer(1, samples.length, context.sampleRate)
      buffer.copyToChannel(new Float32Array(samples), 0)
      buffers.set(name, buffer)
    }
    this.player = new KitSampler(context, buffers)
    this.player.softClick = this.softClick
    for (const [channel, volume] of this.volumes) this.player.setVolume(channel, volume)
    return this.player
  }
}
