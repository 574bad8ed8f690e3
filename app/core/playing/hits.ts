import { grooveEvents } from '../groove'
import {
  aimOf,
  crashHand,
  frameTicks,
  type Lick,
  NO_GROOVE,
  type StrokeEvent,
  strokeEvents,
} from '../line'
import { compareLimbs, type Limb, type Voice } from '../sticking'
import type { Ticks } from '../time'

/** What is read: the line with its layers, into its landing, or in its form with the seam. */
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

/** Leads of a flam, a drag and a ruff before their main stroke, in milliseconds. */
const GRACE_LEADS_MS = [0, 30, 60, 90] as const

/** Strokes before they are judged: `part` tells which run of onsets they belong to. */
type Raw = Pick<
  StrokeEvent,
  'tick' | 'limb' | 'surface' | 'grace' | 'graceLimb' | 'graceSurface'
> & {
  readonly part: number
}

/**
 * Every stroke of a limb whose hand or foot is known, graces too, by tick, then limb. What is a
 * double is judged in the line and in each layer by itself; groove and landing belong to the line.
 */
export function hitsOf(lick: Lick, reading: Reading): Hit[] {
  const raw = rawStrokes(lick, reading).sort(
    (a, b) => a.tick - b.tick || compareLimbs(a.limb, b.limb),
  )
  const hits: Hit[] = []
  const runs = new Map<string, number>()
  const onsets = new Map<number, { tick: Ticks; limbs: Set<Limb>; before: Set<Limb> }>()
  for (const stroke of raw) {
    const onset = onsets.get(stroke.part)
    if (onset?.tick !== stroke.tick) {
      const before = onset?.limbs ?? new Set<Limb>()
      onsets.set(stroke.part, { tick: stroke.tick, limbs: new Set([stroke.limb]), before })
    } else onset.limbs.add(stroke.limb)
    const neighbour = onsets.get(stroke.part)?.before.has(stroke.limb) ?? false
    const key = `${stroke.part} ${stroke.limb}`
    const run = neighbour ? (runs.get(key) ?? 1) + 1 : 1
    runs.set(key, run)
    if (stroke.limb === 'XH') continue
    if (stroke.grace > 0 && stroke.graceLimb && stroke.graceLimb !== 'XH') {
      hits.push({
        tick: stroke.tick,
        limb: stroke.graceLimb,
        surface: stroke.graceSurface ?? stroke.surface,
        leadMs: GRACE_LEADS_MS[stroke.grace],
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

function rawStrokes(lick: Lick, reading: Reading): Raw[] {
  const { frame } = lick
  const { bar } = frameTicks(frame)
  const { target } = aimOf(lick)
  const line: Raw[] = strokeEvents(lick).map((event) => ({ ...event, part: event.layer }))
  if (reading === 'line') return line
  const lands = frame.landing.kind === 'crash' || frame.landing.kind === 'stop'
  const stroke = (limb: Limb, surface: Voice, tick: Ticks): Raw => ({
    tick,
    limb,
    surface,
    grace: 0,
    part: 0,
  })
  const landing = lands ? [stroke(crashHand(lick), 'c1', target), stroke('RF', 'bd', target)] : []
  if (reading === 'landing') return [...line, ...landing]
  // Without groove bars between, the line itself comes round at once.
  const round = aimOf(lick).bars * bar
  const again =
    frame.lead > 0
      ? []
      : line.flatMap((event) => (event.part === 0 ? [{ ...event, tick: event.tick + round }] : []))
  return yielding([...line, ...landing, ...again], grooveAround(lick, bar, target))
}

/** The groove's strokes before the fill, and the bar after its landing: there the loop goes on. */
function grooveAround(lick: Lick, bar: Ticks, target: Ticks): Raw[] {
  const { frame } = lick
  if (frame.groove === NO_GROOVE) return []
  const events = grooveEvents(frame.groove, frame.meter)
  const until = frame.stop ?? frame.start
  const at = (from: Ticks, keep: (tick: Ticks) => boolean): Raw[] =>
    events
      .filter(({ tick }) => keep(tick))
      .map((event) => ({ ...event, tick: event.tick + from, part: 0 }))
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
