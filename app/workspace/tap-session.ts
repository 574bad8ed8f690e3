import { medianOf } from '~/core/foundation'
import type { Feel, Grid } from '~/core/time'
import { lineOfTaps, type Tap, type TappedLine, tempoOfTaps } from '~/core/timing'
import { Slices } from './slices'

/** Taps as they come in, and the line that they make. */
export interface TapState {
  readonly phase: 'idle' | 'tapping' | 'done'
  /** In milliseconds from the first barline after the count-in, as they were struck. */
  readonly taps: readonly Tap[]
  /** The grid that the player chose; null for the one that is found. */
  readonly wished: Grid | null
  /** What is taken off every tap: how late this source is, in milliseconds. */
  readonly delayMs: number
  readonly found: TappedLine | null
  /** Whether there is no click: the tempo is found too. */
  readonly free: boolean
  /** The tempo at which the line is laid, in quarters a minute; null where none is found. */
  readonly quarters: number | null
}

/** More taps are no line any more. */
const MAX_TAPS = 512
/** As many taps on beats tell how late a source is. */
export const CALIBRATING_TAPS = 8

/**
 * Tapping a line in beside a click or freely, without its page: what is struck is laid on a grid as it comes, on another
 * one afterwards, and the last tap can be taken back. Tempos are quarters a minute.
 *
 * @example const session = new TapSession(100, 0); session.start(); session.tap({ ms: 3, limb: 'RH' })
 */
export class TapSession extends Slices<TapState> {
  constructor(
    private quarters: number,
    delayMs: number,
    /** How the lick swings that the click is of; null for straight. */
    private feel: Feel | null = null,
  ) {
    super({ phase: 'idle', taps: [], wished: null, delayMs, found: null, free: false, quarters })
  }

  /** Begins anew: what was tapped before is gone. */
  start(): void {
    this.patch({ phase: 'tapping', taps: [], found: null })
  }

  /** The click stands still: nothing more is taken. */
  stop(): void {
    if (this.current.phase === 'tapping')
      this.patch({ phase: this.current.taps.length > 0 ? 'done' : 'idle' })
  }

  /** Takes a tap; before the first barline, and while nothing is recorded, it counts for nothing. */
  tap(tap: Tap): void {
    const { phase, taps } = this.current
    if (phase !== 'tapping' || taps.length >= MAX_TAPS || !Number.isFinite(tap.ms)) return
    // A little early is the first beat all the same.
    if (!this.current.free && tap.ms - this.current.delayMs < -this.beatMs() / 4) return
    this.lay({ taps: [...taps, tap] })
  }

  /** Takes the last tap back. */
  undo(): void {
    this.lay({ taps: this.current.taps.slice(0, -1) })
  }

  /** Lays the taps on another grid; null finds one again. */
  layOn(wished: Grid | null): void {
    this.lay({ wished })
  }

  /** Forgets what was tapped. */
  clear(): void {
    this.patch({ phase: 'idle', taps: [], found: null })
  }

  /** Goes without the click, or with it again: the taps so far were of the other kind. */
  goFree(free: boolean): void {
    if (free === this.current.free) return
    this.patch({ free, quarters: free ? null : this.quarters })
    this.clear()
  }

  /** Another tempo of the click: the taps so far were at another one. */
  goAt(quarters: number): void {
    if (quarters === this.quarters) return
    this.quarters = quarters
    if (this.current.free) return
    this.patch({ quarters })
    this.clear()
  }

  /** The lick swings another way now: the taps are laid anew. */
  swingAs(feel: Feel): void {
    this.feel = feel
    if (this.current.taps.length > 0) this.lay({})
  }

  /**
   * How late this source is, in whole milliseconds: the median distance of the taps from their nearest beats,
   * which single taps do not move; null for fewer than eight, and without a click.
   */
  measured(): number | null {
    const { taps } = this.current
    if (this.current.free || taps.length < CALIBRATING_TAPS) return null
    const beat = this.beatMs()
    return Math.round(medianOf(taps.map(({ ms }) => ms - Math.round(ms / beat) * beat)))
  }

  /** Takes so much off every tap from now on, and off those that are there. */
  delayBy(delayMs: number): void {
    this.lay({ delayMs })
  }

  private beatMs(): number {
    return 60_000 / this.quarters
  }

  private lay(changed: Partial<TapState>): void {
    const next = { ...this.current, ...changed }
    const { taps, delayMs, wished, free } = next
    if (free) {
      this.patch({ ...changed, ...laidFreely(taps, wished) })
      return
    }
    const early = taps.map((tap) => ({ ...tap, ms: tap.ms - delayMs }))
    this.patch({ ...changed, found: lineOfTaps(early, this.quarters, wished, this.feel) })
  }
}

/** Free taps as a line at the whole tempo that is nearest to theirs; the first slot is the first beat. */
function laidFreely(
  taps: readonly Tap[],
  wished: Grid | null,
): Pick<TapState, 'found' | 'quarters'> {
  const tempo = tempoOfTaps(taps)
  if (!tempo) return { found: null, quarters: null }
  const quarters = Math.round(tempo.quarters)
  const scale = tempo.quarters / quarters
  const laid = taps.map((tap) => ({ ...tap, ms: (tap.ms - tempo.firstMs) * scale }))
  return { found: lineOfTaps(laid, quarters, wished), quarters }
}
