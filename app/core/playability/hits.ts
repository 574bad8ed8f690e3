import type { Groove } from '../groove'
import { findPiece, type Kit } from '../kit'
import { isNoGroove, type Lick, landingStrokes, strokeEvents } from '../line'
import { GRACE_LEAD_MS, roundStrokes, type SoundStroke } from '../performance'
import { compareLimbs, type Graces, type Limb, type Voice } from '../sticking'
import type { Ticks } from '../time'

/** What is read: the line with its ostinatos, into its landing, or in its form with the seam. */
export type Reading = 'line' | 'landing' | 'loop'

/**
 * How a stroke follows its limb's last one where both are on the same surface: apart from it, as a rebound with
 * a grace, in a run of neighbouring onsets, or pressed into the head with it. What a stroke of a run needs
 * depends on how many have come before it without time for a single, and so on the tempo.
 */
export type HitLink = 'apart' | 'rebound' | 'run' | 'buzz'

/** A stroke of a limb as its time is reckoned: a main stroke, or its graces some time before it. */
export interface Hit {
  readonly tick: Ticks
  readonly limb: Limb
  readonly surface: Voice
  /** How long before its tick it begins, in milliseconds: the first grace; 0 for a main stroke. */
  readonly leadMs: number
  /** How long before its tick the limb is free again, in milliseconds: the last grace; 0 for a main stroke. */
  readonly freeMs: number
  readonly link: HitLink
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
  readonly nth: number
  readonly limb: Limb
  readonly surface: Voice
  readonly grace: Graces
  readonly graceLimb?: Limb | undefined
  readonly graceSurface?: Voice | undefined
}

/** The part of the groove: its strokes are singles, and after them the line begins a new run. */
const GROOVE = Number.POSITIVE_INFINITY

/**
 * Every stroke of a limb whose hand or foot is known, graces too, by tick, then limb. What is a run
 * is judged in the line with its landing, and in each ostinato, by itself.
 *
 * @example hitsOf(lickOf('line: R(LK)'), 'line', DEFAULT_KIT).length // 3
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
      hits.push({
        tick,
        limb: graceLimb,
        surface: graceSurface,
        leadMs: GRACE_LEAD_MS[grace],
        freeMs: GRACE_LEAD_MS[1],
        link: judge.grace(stroke, graceLimb, graceSurface),
      })
    }
    if (limb === 'XH') continue
    const link = judge.strike(stroke)
    const pressed = link === 'run' && buzzes.has(stroke)
    hits.push({ tick, limb, surface, leadMs: 0, freeMs: 0, link: pressed ? 'buzz' : link })
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
    nth: stroke.nth,
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
  /** Its place among the onsets of its part; of a grace that of its main stroke. */
  readonly onset: number
  readonly place: Voice
  readonly isGrace: boolean
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

  /** A main stroke: in a run with its limb's last one at the onset before, a rebound after a grace there. */
  strike({ part, limb, surface }: Raw): Exclude<HitLink, 'buzz'> {
    const struck = { part, onset: this.onset(part), place: this.placed(surface), isGrace: false }
    const before = this.last.get(limb)
    this.last.set(limb, struck)
    if (!before || !areNeighbours(before, struck)) return 'apart'
    return before.isGrace ? 'rebound' : 'run'
  }

  /** A grace: one controlled rebound with a tap of its hand at the onset right before its main stroke. */
  grace({ part }: Raw, limb: Limb, surface: Voice): 'apart' | 'rebound' {
    const struck = { part, onset: this.onset(part), place: this.placed(surface), isGrace: true }
    const before = this.last.get(limb)
    this.last.set(limb, struck)
    return before && !before.isGrace && areNeighbours(before, struck) ? 'rebound' : 'apart'
  }

  private onset(part: number): number {
    return this.onsets.get(part)?.index ?? 0
  }
}

/** Whether two strokes of a limb are on one surface at neighbouring onsets; strokes of the groove never are. */
function areNeighbours(before: Struck, now: Struck): boolean {
  return (
    now.part !== GROOVE &&
    before.part === now.part &&
    before.onset === now.onset - 1 &&
    before.place === now.place
  )
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
    const { part, tick, limb, slot, nth, surface } = stroke
    const known = last.get(part)
    if (known?.tick !== tick) last.set(part, { tick, before: known?.tick ?? Number.NaN })
    if (limb !== 'RH' && limb !== 'LH') continue
    const key = `${part} ${limb}`
    const run = runs.get(key) ?? []
    const before = run.at(-1)
    const goesOn =
      before?.slot === slot &&
      // A layer comes round in the same slot: only what is squeezed together goes on.
      before.nth < nth &&
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
