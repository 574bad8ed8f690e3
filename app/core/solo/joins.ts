import { aimOf, pickupSlots } from '../line'
import { type SoundStroke, sequenceStrokes } from '../performance'
import {
  collisionsOfStrokes,
  type HandCollision,
  type Move,
  movesOfStrokes,
  type PlayContext,
} from '../playability'
import type { Limb } from '../sticking'
import { beatTicks, type Ticks } from '../time'
import { type Section, sectionAt } from './sections'
import type { Solo } from './solo'

/** What is wrong where one section goes over into the next. */
export type JoinFault =
  /** A limb has too little time for a move at the solo's tempo. */
  | { readonly kind: 'too-fast'; readonly move: Move }
  /** One limb is wanted twice at once: by the landing and by the next part, say. */
  | { readonly kind: 'clash'; readonly limb: Limb; readonly tick: Ticks }
  /** The line does not end with its bars: it goes on so many ticks over the next section. */
  | { readonly kind: 'over'; readonly ticks: Ticks }

/** Where one section goes over into the next: read as one passage, from the last of it to the first. */
export interface Join {
  /** The barline between, in ticks from the beginning. */
  readonly tick: Ticks
  /** The section that begins there; the one before it is one less. */
  readonly section: number
  /** Whether two parts meet here, or times of one. */
  readonly between: 'parts' | 'times'
  /** The move of one limb across it that sets its tempo; null where no limb moves across. */
  readonly slowest: Move | null
  readonly faults: readonly JoinFault[]
  /** Arms that cross on the way over: told, and no fault. Every groove's own crossing is left out. */
  readonly crossings: readonly HandCollision[]
}

/** A solo held against its player and kit. */
export interface SoloJudgement {
  readonly sections: readonly Section[]
  readonly joins: readonly Join[]
  /** The move that sets the limit of the whole; null where no limb strikes twice. */
  readonly bottleneck: Move | null
  /** Where it lies: at a join, by its number among them, or inside a section. */
  readonly setBy:
    | { readonly kind: 'join'; readonly join: number }
    | { readonly kind: 'section'; readonly section: number }
    | null
  /** Every stroke as it is notated, in order. */
  readonly strokes: readonly SoundStroke[]
}

/**
 * Judges a solo as one passage from its first stroke to its last landing: what each limb has to do across
 * each join, and what limits the whole. Tempos are in beats of the solo's metre. Law: the moves are those
 * of the joined line, where the solo can be written as one.
 */
export function judgeSolo(
  solo: Solo,
  sections: readonly Section[],
  setting: PlayContext,
): SoloJudgement {
  const strokes = soloStrokes(sections, setting)
  const beat = beatTicks(solo.meter)
  const moves = movesOfStrokes(strokes, beat, setting)
  const bottleneck = moves.reduce<Move | null>(
    (least, move) => (least === null || move.bpm < least.bpm ? move : least),
    null,
  )
  const read = new Passages(strokes, moves, sections)
  const joins = sections
    .slice(1)
    .map((_, i) => joinAt(i + 1, read, { solo, sections, setting, beat }))
  return {
    sections,
    joins,
    bottleneck,
    setBy: bottleneck && placeOf(bottleneck, joins, sections),
    strokes,
  }
}

/** The strokes of sections as one passage, ticks from the first of them. */
export function soloStrokes(sections: readonly Section[], setting: PlayContext): SoundStroke[] {
  return sequenceStrokes(sections, {
    ...(setting.grooves && { grooves: setting.grooves }),
    swapsGroove: setting.player.swapsGroove ?? false,
  })
}

interface Judging {
  readonly solo: Solo
  readonly sections: readonly Section[]
  readonly setting: PlayContext
  readonly beat: Ticks
}

function joinAt(index: number, read: Passages, { solo, sections, setting, beat }: Judging): Join {
  const [before, after] = [sections[index - 1] as Section, sections[index] as Section]
  const tick = after.from
  const moves = read.movesAcross(index)
  const slowest = moves.reduce<Move | null>(
    (least, move) => (least === null || move.bpm < least.bpm ? move : least),
    null,
  )
  const near = read.strokesBetween(tick - before.ticks, tick + Math.min(beat, after.ticks))
  // As far back as the next one's pick-up reaches, and no further: all else is the line's own.
  const early = after.pickup ? earliest(after) : 0
  const clashes = clashesIn(
    near.filter((stroke) => stroke.tick >= tick + early && stroke.tick <= tick),
  )
  const over = -aimOf(before.lick).left
  const faults: JoinFault[] = [
    ...(over > 0 ? [{ kind: 'over', ticks: over } as const] : []),
    ...clashes.map((clash) => ({ kind: 'clash', ...clash }) as const),
    ...(slowest && slowest.bpm < solo.tempo * (1 - 1e-9)
      ? [{ kind: 'too-fast', move: slowest } as const]
      : []),
  ]
  const crossings = collisionsOfStrokes(near, beat, setting.kit, setting.player.arms).filter(
    ({ fromTick, toTick, usual, slight }) => fromTick < tick && toTick >= tick && !usual && !slight,
  )
  const between = before.part === after.part ? 'times' : 'parts'
  return { tick, section: index, between, slowest, faults, crossings }
}

/** Where a section's pick-up begins, in ticks from its barline; 0 where it has none before that. */
function earliest({ lick }: Section): Ticks {
  return Math.min(0, pickupSlots(lick)[0]?.tick ?? 0)
}

function clashesIn(strokes: readonly SoundStroke[]): { limb: Limb; tick: Ticks }[] {
  const seen = new Map<string, SoundStroke>()
  const clashes: { limb: Limb; tick: Ticks }[] = []
  for (const stroke of strokes) {
    const key = `${stroke.tick} ${stroke.limb}`
    const known = seen.get(key)
    seen.set(key, stroke)
    if (known && known.slot !== stroke.slot && stroke.limb !== 'XH')
      clashes.push({ limb: stroke.limb, tick: stroke.tick })
  }
  return clashes
}

function placeOf(
  { fromTick, toTick }: Move,
  joins: readonly Join[],
  sections: readonly Section[],
): SoloJudgement['setBy'] {
  const join = joins.findIndex(
    ({ slowest }) => slowest?.fromTick === fromTick && slowest.toTick === toTick,
  )
  return join >= 0
    ? { kind: 'join', join }
    : { kind: 'section', section: sectionAt(sections, fromTick) }
}

/** Strokes and moves of a whole solo, found by their time without looking at all of them. */
class Passages {
  private readonly across = new Map<number, Move[]>()

  constructor(
    private readonly strokes: readonly SoundStroke[],
    moves: readonly Move[],
    sections: readonly Section[],
  ) {
    for (const move of moves) {
      const to = sectionAt(sections, move.toTick)
      // From a landing on the barline into the part that begins there is across it too.
      const landed = to > 0 && move.fromTick === sections[to]?.from && this.landsAt(move.fromTick)
      const from = sectionAt(sections, move.fromTick)
      if (from < to || landed) this.across.set(to, [...(this.across.get(to) ?? []), move])
    }
  }

  movesAcross(section: number): readonly Move[] {
    return this.across.get(section) ?? []
  }

  /** Strokes in the half-open window [from, to]. */
  strokesBetween(from: Ticks, to: Ticks): SoundStroke[] {
    const found: SoundStroke[] = []
    for (let i = this.first(from); i < this.strokes.length; i += 1) {
      const stroke = this.strokes[i] as SoundStroke
      if (stroke.tick > to) break
      found.push(stroke)
    }
    return found
  }

  private landsAt(tick: Ticks): boolean {
    for (let i = this.first(tick); this.strokes[i]?.tick === tick; i += 1)
      if (this.strokes[i]?.part === 'landing') return true
    return false
  }

  /** The first stroke from a tick on. */
  private first(tick: Ticks): number {
    let [low, high] = [0, this.strokes.length]
    while (low < high) {
      const middle = (low + high) >> 1
      if ((this.strokes[middle] as SoundStroke).tick < tick) low = middle + 1
      else high = middle
    }
    return low
  }
}
