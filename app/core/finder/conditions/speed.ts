import { GRACE_LEAD_MS } from '../../performance'
import { KIND_IN_RUN, type LimbAsks, limbAsks, type PlayContext } from '../../playability'
import { graceLimb, type SlotContent, strokeLimb } from '../../sticking'
import type { Ticks } from '../../time'
import type { Space } from '../question'
import { onsetsOf, overSlots, type Watcher } from '../watcher'

/** Limbs that have a speed; a hand that is not decided has none. */
const SPEEDY = ['RH', 'LH', 'RF', 'LF'] as const
type Speedy = (typeof SPEEDY)[number]

/** From so many strokes of one hand in one slot on, they are pressed into the head. */
const BUZZ_FROM = 3

/** What a limb struck last, as far as its next stroke asks. */
interface Last {
  /** Ticks since then. */
  readonly since: Ticks
  /** Whether nothing else has struck since then. */
  readonly neighbour: boolean
  readonly isGrace: boolean
  /** Strokes of its run so far, modulo three. */
  readonly run: number
}

/** What a limb does at an onset; null where it does nothing. */
type Hit = { readonly leadMs: number; readonly isGrace: boolean; readonly pressed: boolean } | null

/** A limb that has all the time it can ask for. */
const RESTED: Last = { since: -1, neighbour: false, isGrace: false, run: 1 }

/**
 * Every limb has time for all its moves at a tempo, in beats a minute, with all hands on one surface: the same
 * judgement as that of the speed limit, limb by limb and stroke by stroke (see `movesTooFast`). Of a limb's past
 * only its last stroke matters, and that no longer than the longest that a stroke can ask for.
 */
export function watchSpeed(tempo: number, { player }: PlayContext, space: Space): Watcher[] {
  return SPEEDY.map((limb) => {
    const judge = new LimbJudge(limb, limbAsks(player[limb]), tempo, space.beat)
    return overSlots<Last>(
      {
        of: 'speed',
        start: RESTED,
        key: ({ since, neighbour, isGrace, run }) => `${since} ${neighbour} ${isGrace} ${run}`,
        step: (last, content, ticks) => judge.through(last, content, ticks),
      },
      space,
    )
  })
}

/** Judges one limb's strokes, slot by slot, at one tempo. */
class LimbJudge {
  /** Ticks after which a limb has all the time it can ask for. */
  private readonly rested: Ticks

  constructor(
    private readonly limb: Speedy,
    private readonly asks: LimbAsks,
    private readonly tempo: number,
    private readonly beat: Ticks,
  ) {
    const longestMs = Math.max(...Object.values(asks)) + GRACE_LEAD_MS[3]
    this.rested = Math.ceil((longestMs * tempo * beat) / 60_000) + 1
  }

  /** What is known of the limb after a slot; null where it had not the time for it. */
  through(before: Last, content: SlotContent, ticks: Ticks): Last | null {
    let last = before
    let at = 0
    for (const [tick, hit] of this.hitsOf(content, ticks)) {
      last = this.later(last, tick - at)
      at = tick
      if (hit) {
        const struck = this.strike(last, hit)
        if (!struck) return null
        last = struck
      } else if (last.neighbour) last = { ...last, neighbour: false }
    }
    return this.later(last, ticks - at)
  }

  private later(last: Last, ticks: Ticks): Last {
    if (last.since < 0 || ticks === 0) return last
    const since = last.since + ticks
    return since >= this.rested ? RESTED : { ...last, since }
  }

  private strike(last: Last, { leadMs, isGrace, pressed }: NonNullable<Hit>): Last | null {
    const struck = { since: 0, neighbour: true, isGrace }
    // At one instant, by the fineness of ticks: no time is asked for.
    if (last.since <= 0) return { ...struck, run: last.run }
    const lead = leadMs - (last.isGrace ? GRACE_LEAD_MS[1] : 0)
    const rebound = last.neighbour && last.isGrace !== isGrace
    const inRun = last.neighbour && !last.isGrace && !isGrace
    const chained = inRun && this.tempo > this.tempoFor(last.since, this.asks.single + lead)
    const kind = inRun
      ? pressed
        ? 'buzz'
        : (KIND_IN_RUN[(last.run + 1) % 3] as keyof LimbAsks)
      : rebound
        ? 'double'
        : 'single'
    const fine =
      (inRun && !pressed && !chained) ||
      this.tempo <= this.tempoFor(last.since, this.asks[kind] + lead)
    return fine ? { ...struck, run: chained ? (last.run + 1) % 3 : 1 } : null
  }

  /** The fastest tempo at which so many ticks last so long, in beats a minute. */
  private tempoFor(ticks: Ticks, ms: number): number {
    return ms <= 0 ? Number.POSITIVE_INFINITY : (ticks * 60_000) / (ms * this.beat)
  }

  /** Every onset of a slot, with what the limb does there. */
  private hitsOf(content: SlotContent, ticks: Ticks): [tick: Ticks, hit: Hit][] {
    const hits = onsetsOf(content, ticks).map(({ tick, strokes }): [Ticks, Hit] => {
      const graced = strokes.find(({ graces }) => graces > 0)
      if (graced && graceLimb(graced) === this.limb)
        return [tick, { leadMs: GRACE_LEAD_MS[graced.graces], isGrace: true, pressed: false }]
      const strikes = strokes.some((stroke) => strokeLimb(stroke) === this.limb)
      return [tick, strikes ? { leadMs: 0, isGrace: false, pressed: false } : null]
    })
    return content.kind === 'squeeze' && (this.limb === 'RH' || this.limb === 'LH')
      ? pressedIn(hits)
      : hits
  }
}

/** The hits of a squeeze, those after the first of three or more in a row as pressed. */
function pressedIn(hits: readonly [Ticks, Hit][]): [Ticks, Hit][] {
  const isMain = (hit: Hit | undefined) => hit != null && !hit.isGrace
  return hits.map(([tick, hit], i): [Ticks, Hit] => {
    if (!hit || hit.isGrace) return [tick, hit]
    let from = i
    while (isMain(hits[from - 1]?.[1])) from -= 1
    let to = i
    while (isMain(hits[to + 1]?.[1])) to += 1
    return [tick, { ...hit, pressed: i > from && to - from + 1 >= BUZZ_FROM }]
  })
}
