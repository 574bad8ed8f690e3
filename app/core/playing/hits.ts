import type { Groove } from '../groove'
import { findPiece, type Kit } from '../kit'
import { isNoGroove, type Lick, landingStrokes, strokeEvents } from '../line'
import { GRACE_LEAD_MS, roundStrokes, type SoundStroke } from '../performance'
import { compareLimbs, type Graces, type Limb, type Voice } from '../sticking'
import type { Ticks } from '../time'

/** What is read: the line with its ostinatos, into its landing, or in its form with the seam. */
export type Reading = 'line' | 'landing' | 'loop'

/** How a stroke follows its limb's last one: what sets the time that it needs. */
export type HitKind = 'single' | 'double' | 'triple' | 'buzz'

/** A stroke of a limb as its time is reckoned: a main stroke, or a grace some time before it. */
export interface Hit {
  readonly tick: Ticks
  readonly limb: Limb
  readonly surface: Voice
  /** How long before its tick a grace lies, in milliseconds; 0 for a main stroke. */
  readonly leadMs: number
  /** What it is where the limb's last stroke was on the same surface; a move is a single. */
  readonly kind: HitKind
}

/** The grooves of the player's own, and whether its hands change places. */
export interface GrooveHands {
  readonly own?: readonly Groove[]
  readonly swapped?: boolean
}

/** A stroke before it is judged. What belongs together as one run of onsets has one part. */
interface Raw {
  readonly tick: Ticks
  /** 0 for line and landing, from 1 for ostinatos. */
  readonly part: number
  readonly slot: number
  readonly limb: Limb
  readonly surface: Voice
  readonly grace: Graces
  readonly graceLimb?: Limb | undefined
  readonly graceSurface?: Voice | undefined
}

/** The part of the groove: its strokes are singles, and after them the line begins a new run. */
const GROOVE = Number.POSITIVE_INFINITY

/**
 * Every stroke of a limb whose hand or foot is known, graces too, by tick, then limb. What is a
 * double or a triple is judged in the line with its landing, and in each ostinato, by itself.
 */
export function hitsOf(lick: Lick, reading: Reading, kit: Kit, groove: GrooveHands = {}): Hit[] {
  return judged(rawStrokes(lick, reading, groove), kit)
}

/** The same of strokes that sound, of whatever they are part: those of the line tell their slots apart. */
export function hitsOfStrokes(strokes: readonly SoundStroke[], kit: Kit): Hit[] {
  return judged(strokes.map(toRaw).sort(inOrder), kit)
}

function judged(raw: readonly Raw[], kit: Kit): Hit[] {
  const placed = (surface: Voice) => placeOn(kit, surface)
  const buzzes = buzzesIn(raw, placed)
  const judge = new RunJudge(placed)
  const hits: Hit[] = []
  for (const stroke of raw) {
    const { tick, limb, surface, grace, graceLimb } = stroke
    judge.reach(stroke)
    if (grace > 0 && graceLimb && graceLimb !== 'XH') {
      const graceSurface = stroke.graceSurface ?? surface
      const kind = judge.grace(stroke, graceLimb, graceSurface)
      hits.push({
        tick,
        limb: graceLimb,
        surface: graceSurface,
        leadMs: GRACE_LEAD_MS[grace],
        kind,
      })
    }
    if (limb === 'XH') continue
    const kind = judge.strike(stroke)
    hits.push({ tick, limb, surface, leadMs: 0, kind: buzzes.has(stroke) ? 'buzz' : kind })
  }
  return hits
}

function rawStrokes(lick: Lick, reading: Reading, { own = [], swapped = false }: GrooveHands) {
  const raw: Raw[] =
    reading === 'loop'
      ? roundStrokes(lick, { grooves: own, swapsGroove: swapped }).map(toRaw)
      : [
          ...strokeEvents(lick).filter(isNoGroove(lick)),
          ...(reading === 'landing' ? landingStrokes(lick) : []),
        ].map(({ layer, ...event }) => ({ ...event, part: layer }))
  return raw.sort(inOrder)
}

function toRaw(stroke: SoundStroke): Raw {
  return {
    tick: stroke.tick,
    part: stroke.part === 'groove' ? GROOVE : stroke.layer,
    slot: stroke.slot,
    limb: stroke.limb,
    surface: stroke.surface,
    grace: stroke.graces,
    graceLimb: stroke.graceLimb,
    graceSurface: stroke.graceSurface,
  }
}

function inOrder(a: Raw, b: Raw): number {
  return a.tick - b.tick || compareLimbs(a.limb, b.limb)
}

/** What a limb struck last. */
interface Struck {
  readonly part: number
  /** Its place among the onsets of its part; none for a grace, which lies between onsets. */
  readonly onset: number | null
  readonly place: Voice
  /** How many it is in a row on one surface at neighbouring onsets. */
  readonly run: number
}

/** Follows the limbs from stroke to stroke, and tells which are rebounds. */
class RunJudge {
  private readonly last = new Map<Limb, Struck>()
  private readonly onsets = new Map<number, { tick: Ticks; index: number }>()
  private grooveTick = Number.NEGATIVE_INFINITY

  constructor(private readonly placed: (surface: Voice) => Voice) {}

  /** Counts the onset of a stroke's part. Groove between two onsets keeps them from being neighbours. */
  reach({ tick, part }: Raw): void {
    const known = this.onsets.get(part)
    if (known?.tick === tick) return
    const apart = part === 0 && known && this.grooveTick > known.tick && this.grooveTick < tick
    this.onsets.set(part, { tick, index: (known?.index ?? 0) + (apart ? 2 : 1) })
    if (part === GROOVE) this.grooveTick = tick
  }

  /** A main stroke: the 2nd of a run is a double, the 3rd a triple, the 4th a single again, and so on. */
  strike({ part, limb, surface }: Raw): HitKind {
    const onset = this.onset(part)
    const place = this.placed(surface)
    const before = this.last.get(limb)
    const neighbours =
      part !== GROOVE &&
      before?.part === part &&
      before.onset === onset - 1 &&
      before.place === place
    const run = neighbours ? before.run + 1 : 1
    this.last.set(limb, { part, onset, place, run })
    return (['triple', 'single', 'double'] as const)[run % 3] as HitKind
  }

  /** A grace: one controlled rebound with a tap of its hand at the onset right before its main stroke. */
  grace({ part }: Raw, limb: Limb, surface: Voice): HitKind {
    const before = this.last.get(limb)
    const place = this.placed(surface)
    const rebounds =
      part !== GROOVE &&
      before?.part === part &&
      before.onset === this.onset(part) - 1 &&
      before.place === place
    this.last.set(limb, { part, onset: null, place, run: 1 })
    return rebounds ? 'double' : 'single'
  }

  private onset(part: number): number {
    return this.onsets.get(part)?.index ?? 0
  }
}

/** Voices at one place are one surface here, and so are the pedals of one foot. */
function placeOn(kit: Kit, surface: Voice): Voice {
  if (surface === 'b2') return 'hf'
  return findPiece(kit, surface)?.surface ?? surface
}

/** From so many strokes of one hand in one slot on, they are pressed into the head. */
const BUZZ_FROM = 3

/** The strokes of buzzes but for each first one. */
function buzzesIn(raw: readonly Raw[], placed: (surface: Voice) => Voice): Set<Raw> {
  const buzzes = new Set<Raw>()
  const runs = new Map<string, Raw[]>()
  const close = (run: Raw[]) => {
    if (run.length >= BUZZ_FROM) for (const stroke of run.slice(1)) buzzes.add(stroke)
  }
  const last = new Map<number, { tick: Ticks; before: Ticks }>()
  for (const stroke of raw) {
    const { part, tick, limb, slot, surface } = stroke
    const known = last.get(part)
    if (known?.tick !== tick) last.set(part, { tick, before: known?.tick ?? Number.NaN })
    if (limb !== 'RH' && limb !== 'LH') continue
    const key = `${part} ${limb}`
    const run = runs.get(key) ?? []
    const before = run.at(-1)
    const goesOn =
      before?.slot === slot &&
      before.tick === last.get(part)?.before &&
      placed(before.surface) === placed(surface)
    if (goesOn) run.push(stroke)
    else {
      close(run)
      runs.set(key, [stroke])
    }
  }
  for (const run of runs.values()) close(run)
  return buzzes
}
