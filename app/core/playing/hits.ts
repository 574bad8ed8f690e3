import { type Groove, grooveEvents, swapHands } from '../groove'
import {
  aimOf,
  crashHand,
  frameTicks,
  type Lick,
  NO_GROOVE,
  type StrokeEvent,
  strokeEvents,
} from '../line'
import { GRACE_LEAD_MS } from '../performance'
import { compareLimbs, type Limb, type Voice } from '../sticking'
import type { Ticks } from '../time'

/** What is read: the line with its ostinatos, into its landing, or in its form with the seam. */
export type Reading = 'line' | 'landing' | 'loop'

/** A stroke of a limb as its time is reckoned: a main stroke, or a grace some time before it. */
export interface Hit {
  readonly tick: Ticks
  readonly limb: Limb
  readonly surface: Voice
  /** How long before its tick a grace lies, in milliseconds; 0 for a main stroke. */
  readonly leadMs: number
  /** The 2nd, 4th, 6th of neighbouring onsets with this limb: it rebounds. */
  readonly rebound: boolean
}

/** The grooves of the player's own, and whether its hands change places. */
export interface GrooveHands {
  readonly own?: readonly Groove[]
  readonly swapped?: boolean
}

/** Strokes before they are judged; groove and landing are of layer 0, as the line is. */
type Raw = Pick<
  StrokeEvent,
  'tick' | 'layer' | 'limb' | 'surface' | 'grace' | 'graceLimb' | 'graceSurface'
>

/**
 * Every stroke of a limb whose hand or foot is known, graces too, by tick, then limb. What is a
 * double is judged in the line and in each layer by itself; groove and landing belong to the line.
 */
export function hitsOf(lick: Lick, reading: Reading, groove: GrooveHands = {}): Hit[] {
  const raw = reading === 'line' ? strokeEvents(lick) : wider(lick, reading, groove)
  const hits: Hit[] = []
  const parts = new Map<number, Onsets>()
  for (const stroke of raw) {
    let onsets = parts.get(stroke.layer)
    if (!onsets) {
      onsets = new Onsets()
      parts.set(stroke.layer, onsets)
    }
    const run = onsets.strike(stroke.tick, stroke.limb)
    if (stroke.limb === 'XH') continue
    if (stroke.grace > 0 && stroke.graceLimb && stroke.graceLimb !== 'XH') {
      hits.push({
        tick: stroke.tick,
        limb: stroke.graceLimb,
        surface: stroke.graceSurface ?? stroke.surface,
        leadMs: GRACE_LEAD_MS[stroke.grace],
        rebound: false,
      })
    }
    hits.push({
      tick: stroke.tick,
      limb: stroke.limb,
      surface: stroke.surface,
      leadMs: 0,
      rebound: run % 2 === 0,
    })
  }
  return hits
}

/** The onsets of one part as they go by: which limbs struck last, and how often in a row. */
class Onsets {
  private tick = Number.NaN
  private now = new Map<Limb, number>()
  private before = new Map<Limb, number>()

  /** A limb strikes at a tick; returns how many neighbouring onsets have it, this one counted. */
  strike(tick: Ticks, limb: Limb): number {
    if (tick !== this.tick) {
      this.tick = tick
      const spare = this.before
      this.before = this.now
      this.now = spare
      spare.clear()
    }
    const run = (this.before.get(limb) ?? 0) + 1
    this.now.set(limb, run)
    return run
  }
}

/** The line with what stands around it, in order of time. */
function wider(lick: Lick, reading: Exclude<Reading, 'line'>, groove: GrooveHands): Raw[] {
  return around(lick, reading, groove).sort(
    (a, b) => a.tick - b.tick || compareLimbs(a.limb, b.limb),
  )
}

function around(lick: Lick, reading: Exclude<Reading, 'line'>, groove: GrooveHands): Raw[] {
  const { frame } = lick
  const { bar } = frameTicks(frame)
  const { target } = aimOf(lick)
  const line: readonly Raw[] = strokeEvents(lick)
  const lands = frame.landing.kind === 'crash' || frame.landing.kind === 'stop'
  const stroke = (limb: Limb, surface: Voice, tick: Ticks): Raw => ({
    tick,
    limb,
    surface,
    grace: 0,
    layer: 0,
  })
  const landing = lands ? [stroke(crashHand(lick), 'c1', target), stroke('RF', 'bd', target)] : []
  if (reading === 'landing') return [...line, ...landing]
  // Without groove bars between, the line itself comes round at once.
  const round = aimOf(lick).bars * bar
  const again =
    frame.lead > 0
      ? []
      : line.flatMap((event) => (event.layer === 0 ? [{ ...event, tick: event.tick + round }] : []))
  return yielding([...line, ...landing, ...again], grooveAround(lick, bar, target, groove))
}

/** The groove's strokes before the fill, and the bar after its landing: there the loop goes on. */
function grooveAround(
  lick: Lick,
  bar: Ticks,
  target: Ticks,
  { own = [], swapped = false }: GrooveHands,
): Raw[] {
  const { frame } = lick
  if (frame.groove === NO_GROOVE) return []
  const written = grooveEvents(frame.groove, frame.meter, own)
  const events = swapped ? swapHands(written) : written
  const until = frame.stop ?? frame.start
  const at = (from: Ticks, keep: (tick: Ticks) => boolean): Raw[] =>
    events.filter(({ tick }) => keep(tick)).map((event) => ({ ...event, tick: event.tick + from }))
  const lead = frame.lead > 0 ? at(-bar, () => true) : []
  return [
    ...lead,
    ...at(0, (tick) => tick < until),
    ...at(target, (tick) => frame.lead > 0 || tick < until),
  ]
}

/** The groove gives way where the fill or its landing wants a limb at the same tick. */
function yielding(kept: readonly Raw[], groove: readonly Raw[]): Raw[] {
  const taken = new Set(kept.map(({ tick, limb }) => `${tick} ${limb}`))
  return [...kept, ...groove.filter(({ tick, limb }) => !taken.has(`${tick} ${limb}`))]
}
