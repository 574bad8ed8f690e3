import type { HeardDevice, KitStrike, MicrophoneFault, OnsetListener } from '~/audio'

/** What is heard once it is open: a microphone, or a simulated kit before one. */
export interface Opened {
  /** How late its sound is, in milliseconds; null where that cannot be told. */
  readonly measureDelay: () => Promise<number | null>
  /** What it is, where it is a microphone. */
  readonly device?: HeardDevice
  /** Strikes it, where it is simulated. */
  readonly strike?: (strike: KitStrike) => void
  readonly close: () => void
}

/** Off, asked for, heard, or why it cannot be. */
export type MicrophoneState = 'off' | 'asking' | 'hearing' | MicrophoneFault

/**
 * The microphone as a page wants it: opened when it is wanted, and let go when it is not, also where that
 * changes while the player is still asked. What is open is always what was wanted last.
 */
export class MicrophoneSession {
  state: MicrophoneState = 'off'
  private opened: Opened | null = null
  /** Goes up with every wish: what was asked for before is void. */
  private asked = 0

  constructor(
    private readonly open: (ears: OnsetListener) => Promise<Opened>,
    private readonly onState: (state: MicrophoneState) => void,
  ) {}

  /** Opens the microphone; what it hears goes to `ears`. */
  async want(ears: OnsetListener): Promise<void> {
    this.letGo()
    const mine = this.asked
    this.become('asking')
    try {
      const opened = await this.open(ears)
      if (mine !== this.asked) {
        opened.close()
        return
      }
      this.opened = opened
      this.become('hearing')
    } catch (fault) {
      if (mine === this.asked) this.become(isFault(fault) ? fault : 'failed')
    }
  }

  /** Lets the microphone go, or what is still asked for. */
  letGo(): void {
    this.asked += 1
    this.opened?.close()
    this.opened = null
    if (this.state !== 'off') this.become('off')
  }

  /** How late sound comes back, in milliseconds; null where it is not heard, or nothing is open. */
  async measureDelay(): Promise<number | null> {
    return (await this.opened?.measureDelay()) ?? null
  }

  /** The microphone that is open; undefined where none is. */
  get device(): HeardDevice | undefined {
    return this.opened?.device
  }

  /** Strikes what is open, where it is a simulated kit. */
  strike(strike: KitStrike): void {
    this.opened?.strike?.(strike)
  }

  private become(state: MicrophoneState): void {
    this.state = state
    this.onState(state)
  }
}

const FAULTS: readonly string[] = ['refused', 'none', 'unsupported', 'failed']

function isFault(fault: unknown): fault is MicrophoneFault {
  return typeof fault === 'string' && FAULTS.includes(fault)
}
