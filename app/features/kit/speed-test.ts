import { doubleInterval, singleInterval, travelRatio, tripleInterval } from '~/core/kit'
import { Slices } from '~/workspace/slices'

/** What is measured: singles, doubles or triples one after the other, or the way to and fro. */
export type SpeedKind = 'single' | 'double' | 'triple' | 'travel'

/** How long the strokes are counted, in seconds, from the first one on. */
export const SPEED_SECONDS = 10

export interface SpeedState {
  readonly phase: 'ready' | 'running' | 'done'
  /** Strokes so far. */
  readonly count: number
  /** Milliseconds; of travel how many times as long as it should take. Null while it runs, and of too few strokes. */
  readonly result: number | null
}

const MEASURES: Readonly<
  Record<SpeedKind, (onsets: readonly number[], usual: number) => number | null>
> = {
  single: singleInterval,
  double: doubleInterval,
  triple: tripleInterval,
  travel: travelRatio,
}
const READY: SpeedState = { phase: 'ready', count: 0, result: null }

/**
 * Ten seconds of strokes by one limb, timed by their own stamps. States: ready; running from the first stroke on;
 * done, in which strokes count for nothing. Nothing of it is logged: it is a measurement, and no practice.
 *
 * @example test.strike(1000); test.strike(1150); … ten seconds later state() is { phase: 'done', result: 150 … }
 */
export class SpeedTest extends Slices<SpeedState> {
  private onsets: number[] = []
  private stopTimer: (() => void) | undefined

  /** `usual` is the default in milliseconds; `after` calls back once so many have passed, until it is stopped. */
  constructor(
    private readonly kind: SpeedKind,
    private readonly usual: number,
    private readonly after: (ms: number, work: () => void) => () => void = onTimer,
  ) {
    super(READY)
  }

  /** A stroke, by its stamp in milliseconds. */
  readonly strike = (at: number): void => {
    if (this.state().phase === 'done') return
    if (this.onsets.length === 0) this.stopTimer = this.after(SPEED_SECONDS * 1000, this.end)
    this.onsets.push(at)
    this.patch({ phase: 'running', count: this.onsets.length })
  }

  /** Once more from the beginning. */
  readonly again = (): void => {
    this.leave()
    this.onsets = []
    this.patch(READY)
  }

  /** Gives up what runs. */
  readonly leave = (): void => {
    this.stopTimer?.()
    this.stopTimer = undefined
  }

  private readonly end = (): void => {
    this.patch({ phase: 'done', result: MEASURES[this.kind](this.onsets, this.usual) })
  }
}

function onTimer(ms: number, work: () => void): () => void {
  const timer = setTimeout(work, ms)
  return () => clearTimeout(timer)
}
