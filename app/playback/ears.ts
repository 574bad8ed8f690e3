import type { Microphone, MicrophoneEars, MicrophoneFault } from '~/audio'

type Opened = Pick<Microphone, 'close' | 'measureDelay'>

/** Off, asked for, heard, or why it cannot be. */
export type EarsState = 'off' | 'asking' | 'hearing' | MicrophoneFault

/**
 * The microphone as a page wants it: opened when it is wanted, and let go when it is not, also where that
 * changes while the player is still asked. What is open is always what was wanted last.
 */
export class Ears {
  state: EarsState = 'off'
  private opened: Opened | null = null
  /** Goes up with every wish: what was asked for before is void. */
  private asked = 0

  constructor(
    private readonly open: (ears: MicrophoneEars) => Promise<Opened>,
    private readonly onState: (state: EarsState) => void,
  ) {}

  /** Opens the microphone; what it hears goes to `ears`. */
  async want(ears: MicrophoneEars): Promise<void> {
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

  private become(state: EarsState): void {
    this.state = state
    this.onState(state)
  }
}

const FAULTS: readonly string[] = ['refused', 'none', 'unsupported', 'failed']

function isFault(fault: unknown): fault is MicrophoneFault {
  return typeof fault === 'string' && FAULTS.includes(fault)
}
