import { ClockTrail } from '~/core/onsets'
import type { Performance, Position, TempoPlan } from '~/core/performance'
import { type SampleMap, type SoundChoice, USUAL_SOUND } from '~/core/sound'
import { type Channel, KitSampler } from './kit-sampler'
import { type KitMaker, type KitStore, kitFor, surfacesOf } from './kit-store'
import { OwnSamples, type SampleLoader } from './own-samples'
import { AHEAD_SECONDS, HIDDEN_AHEAD_SECONDS, Scheduler } from './scheduler'

/** What the session needs from outside: what makes the kit's samples, and a steady pulse. */
export interface SoundSources {
  readonly kitMaker: KitMaker
  /** Sounds of the player's own by their map, with the way to come by each; null where there are none. */
  readonly ownSamples?: (
    id: string,
  ) => Promise<{ readonly map: SampleMap; readonly load: SampleLoader['load'] } | null>
  readonly startTicker: (everyMs: number, onTick: () => void) => { stop: () => void }
}

const PULSE_MS = 25
/** Time to breathe between the key and the first click, in seconds. */
const START_LEAD = 0.08

/** One audio device with the kit on it: plays one performance at a time. */
export class SoundSession {
  private player: KitSampler | undefined
  private choice: SoundChoice = USUAL_SOUND
  /** The kit that sounds, and what it was made ready for. */
  private kit: KitStore | undefined
  private own: OwnSamples | null = null
  private sounding: { readonly performance: Performance; readonly perTick: number } | undefined
  private context: AudioContext | undefined
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
    this.sounding = { performance, perTick: plan(0) }
    const { player, context } = this.ready()
    await this.takeKit()
    // Stopped, closed or started anew while the kit was still being made.
    if (wanted !== this.plays || this.context !== context) return
    if (context.state !== 'running') await context.resume()
    if (wanted !== this.plays) return
    player.setPans(performance.pans ?? {})
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
    this.player?.setPans(performance.pans ?? {})
    if (this.sounding) this.sounding = { ...this.sounding, performance }
    // What it strikes and is not there yet comes before all else.
    if (this.scheduler) void this.takeKit().catch(() => undefined)
    this.scheduler?.setPerformance(performance)
  }

  setVolume(channel: Channel, volume: number): void {
    this.volumes.set(channel, volume)
    this.player?.setVolume(channel, volume)
  }

  /** How all of it is heard from now on. */
  setChoice(choice: SoundChoice): void {
    const other = choice.tool !== this.choice.tool || choice.samples !== this.choice.samples
    this.choice = choice
    this.player?.setChoice(choice)
    if (other && this.player) void this.takeKit().catch(() => undefined)
  }

  /** Goes over to the kit that is chosen, as soon as what sounds now is there. */
  private async takeKit(): Promise<void> {
    const { context, sounding } = this
    if (!context || !sounding) return
    const kit = kitFor(context.sampleRate, this.choice.tool, this.sources.kitMaker)
    await kit.ready(sounding.performance, sounding.perTick)
    if (this.context === context && this.choice.tool === kit.tool) this.kit = kit
    void this.takeOwn(context, sounding.performance).catch(() => undefined)
  }

  /** How loud it is now: the largest sample of the last moment, 0 to 1. */
  level(): number {
    return this.player?.level() ?? 0
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
    this.player = undefined
  }

  /** Notes where the device stands, and tells the page's time, in milliseconds. */
  private readClock(): number {
    const page = performance.now()
    if (this.context) this.trail.add({ device: this.context.currentTime * 1000, page })
    return page
  }

  /** Fetches the sounds of the player's own that a performance strikes: until they are there the kit's are heard. */
  private async takeOwn(context: AudioContext, performance: Performance): Promise<void> {
    const { samples } = this.choice
    if (this.own?.map.id !== samples) {
      this.own = null
      const found = samples ? await this.sources.ownSamples?.(samples) : null
      if (this.choice.samples !== samples || this.context !== context) return
      const decode = (sound: ArrayBuffer) => context.decodeAudioData(sound)
      this.own = found ? new OwnSamples(found.map, { load: found.load, decode }) : null
    }
    await this.own?.ready(surfacesOf(performance))
  }

  /** The device with a sampler on it, opened once. */
  private ready(): { readonly player: KitSampler; readonly context: AudioContext } {
    if (this.player && this.context) return { player: this.player, context: this.context }
    const context = new AudioContext({ latencyHint: 'interactive' })
    this.trail = new ClockTrail()
    const clicks = kitFor(context.sampleRate, this.choice.tool, this.sources.kitMaker)
    const player = new KitSampler(context, {
      stroke: (sample) => this.kit?.stroke(sample),
      own: (surface, velocity) => this.own?.stroke(surface, velocity),
      click: (weight) => clicks.click(weight, this.choice),
    })
    player.softClick = this.softClick
    player.setChoice(this.choice)
    for (const [channel, volume] of this.volumes) player.setVolume(channel, volume)
    this.context = context
    this.player = player
    return { player, context }
  }
}
