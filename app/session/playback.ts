import type { Channel } from '~/audio'
import type { Performance, Position, TempoPlan } from '~/core/performance'
import { Mixer } from './mixer'

/** What makes the sound: an audio device with the kit on it. */
export interface Sound {
  readonly play: (performance: Performance, plan: TempoPlan) => Promise<void>
  readonly stop: () => void
  readonly setPlan: (plan: TempoPlan) => void
  readonly setPerformance: (performance: Performance) => void
  readonly setVolume: (channel: Channel, volume: number) => void
  readonly setSoftClick: (soft: boolean) => void
  readonly position: (ahead?: number) => Position | undefined
  /** How loud it is now, 0 to 1. */
  readonly level: () => number
  readonly close: () => void
}

/** What is to be heard, worked out when the sound is there: it may have changed by then. */
export interface Wanted {
  readonly compose: () => Performance
  readonly plan: () => TempoPlan
}

export type PlaybackState = 'silent' | 'opening' | 'playing'

export const NO_SOUND = 'This browser gives no sound: its audio device cannot be opened.'

/**
 * Silent, opening or playing. The sound is opened once, at the first start; one that could not be
 * opened is opened anew at the next. A stop, another start or the page being left while it opens is
 * honoured when it is there: what is heard is always what was asked for last.
 */
export class Playback {
  state: PlaybackState = 'silent'
  /** Why nothing is heard, in words; empty where all is well. */
  trouble = ''
  private opened: Promise<Sound> | undefined
  private sound: Sound | undefined
  /** Goes up with every start, stop and close: what was asked for before is void. */
  private asked = 0
  private closed = false
  private softClick = false

  constructor(
    private readonly open: (onEnd: () => void) => Promise<Sound>,
    private readonly onChange: (state: PlaybackState, trouble: string) => void,
    private readonly mixer = new Mixer(),
  ) {}

  /** Starts from the top, in place of what sounds. */
  async start({ compose, plan }: Wanted): Promise<void> {
    if (this.closed) return
    const mine = ++this.asked
    this.sound?.stop()
    this.become(this.sound ? 'playing' : 'opening')
    try {
      const sound = await this.ready()
      if (mine !== this.asked) return
      await sound.play(compose(), plan())
      if (mine === this.asked) this.become('playing')
    } catch {
      if (mine === this.asked) this.become('silent', NO_SOUND)
    }
  }

  stop(): void {
    this.asked += 1
    this.sound?.stop()
    this.become('silent')
  }

  /** Ends for good: a sound that is still being opened is closed as soon as it is there. */
  close(): void {
    this.asked += 1
    this.closed = true
    this.state = 'silent'
    const { opened } = this
    this.opened = undefined
    this.sound = undefined
    opened?.then((sound) => sound.close()).catch(() => undefined)
  }

  setPlan(plan: TempoPlan): void {
    this.sound?.setPlan(plan)
  }

  setPerformance(performance: Performance): void {
    this.sound?.setPerformance(performance)
  }

  setVolume(channel: Channel, volume: number): void {
    this.mixer.setVolume(channel, volume)
    this.mix(channel)
  }

  /** A muted channel keeps its volume until it is heard again. */
  setMuted(channel: Channel, muted: boolean): void {
    this.mixer.setMuted(channel, muted)
    this.mix(channel)
  }

  /** Whether clicks come in softly, since a microphone listens. */
  setSoftClick(soft: boolean): void {
    this.softClick = soft
    this.sound?.setSoftClick(soft)
  }

  private mix(channel: Channel): void {
    this.sound?.setVolume(channel, this.mixer.level(channel))
  }

  /** How loud it is now: the largest sample of the last moment, 0 to 1. */
  level(): number {
    return this.sound?.level() ?? 0
  }

  position(ahead = 0): Position | undefined {
    return this.sound?.position(ahead)
  }

  private ready(): Promise<Sound> {
    this.opened ??= this.load()
    return this.opened
  }

  private async load(): Promise<Sound> {
    try {
      const sound = await this.open(() => this.ended())
      if (!this.closed) this.sound = sound
      for (const channel of this.mixer.channels())
        sound.setVolume(channel, this.mixer.level(channel))
      sound.setSoftClick(this.softClick)
      return sound
    } catch (fault) {
      this.opened = undefined
      throw fault
    }
  }

  /** The music came to its end by itself. */
  private ended(): void {
    this.asked += 1
    this.become('silent')
  }

  private become(state: PlaybackState, trouble = ''): void {
    if (this.state === state && this.trouble === trouble) return
    this.state = state
    this.trouble = trouble
    if (!this.closed) this.onChange(state, trouble)
  }
}
