import { mapStrokes } from '../changes'
import { toRandomStream } from '../foundation'
import { frameTicks, type Lick, lickSlots, strokeEvents } from '../line'
import { collisionOf, type PlayContext, travelTime } from '../playability'
import {
  isHand,
  type SlotContent,
  type Stroke,
  type Surface,
  strokesInSlot,
  toStroke,
} from '../sticking'
import { secondsPerTick, type Ticks } from '../time'

/** What is drawn anew each time: where the hands strike, what is accented, or where the kick joins. */
export const DRAWN = ['voices', 'accents', 'kicks'] as const
export type Drawn = (typeof DRAWN)[number]

/** Within what it is drawn. */
export interface Bounds {
  readonly drawn: Drawn
  /** Of voices: where a hand may strike. */
  readonly surfaces: readonly Surface[]
  /** How much of it there is, 0 to 1: strokes that move, are accented, or have the kick with them. */
  readonly share: number
  /** Strokes in a row that are moved, accented or joined by the kick, at the most. */
  readonly mostInRow: number
  /** The fastest tempo at which it is to be played, in beats of the metre a minute. */
  readonly tempo: number
  readonly seed: number
}

const GOLDEN = 0x9e3779b9

/**
 * A lick with its voices, accents or kicks drawn anew each round, the sticking as it is; the same for the
 * same seed and round. A hand goes only where it gets in time at the tempo, and where its arm does
 * not cross the other's; a kick joins only where the foot is free and has its time. Law: slots, hands and
 * onsets of the hands stay; without the bounds' own changes it is the lick.
 *
 * @example const round = toImprovised(lick, bounds, setting); round(0); round(1)
 */
export function toImprovised(
  lick: Lick,
  bounds: Bounds,
  setting: PlayContext,
): (round: number) => Lick {
  return (round) => {
    const seed = Math.floor(toRandomStream(bounds.seed)() * 2 ** 32)
    const random = toRandomStream(seed + Math.imul(round + 1, GOLDEN))
    const slots = drawSlots(lick, bounds, setting, random)
    return { ...lick, line: { ...lick.line, slots } }
  }
}

function drawSlots(
  lick: Lick,
  { drawn, surfaces, share, mostInRow, tempo }: Bounds,
  setting: PlayContext,
  random: () => number,
): SlotContent[] {
  let inRow = 0
  /** Whether the next one is changed: by chance, and not more often in a row than is wished. */
  const chosen = () => {
    const yes = random() < share && inRow < mostInRow
    inRow = yes ? inRow + 1 : 0
    return yes
  }
  switch (drawn) {
    case 'accents':
      return mapStrokes(lick.line.slots, (stroke) => {
        if (!isHand(stroke.letter)) return stroke
        const level = chosen()
          ? 'accent'
          : stroke.level === 'accent' || stroke.level === 'strong'
            ? 'tap'
            : stroke.level
        return { ...stroke, level }
      })
    case 'kicks':
      return withKicks(lick, tempo, setting, chosen)
    case 'voices':
      return withVoices({ lick, surfaces, tempo, setting, chosen, random })
  }
}

/** Where each hand was last, and when. */
type Hands = Partial<Record<'R' | 'L', { readonly tick: Ticks; readonly surface: Surface }>>

interface Voicing {
  readonly lick: Lick
  readonly surfaces: readonly Surface[]
  readonly tempo: number
  readonly setting: PlayContext
  readonly chosen: () => boolean
  readonly random: () => number
}

function withVoices({ lick, surfaces, tempo, setting, chosen, random }: Voicing): SlotContent[] {
  const { kit, player } = setting
  const { beat } = frameTicks(lick.frame)
  const perTick = secondsPerTick(tempo, beat) * 1000
  const ticks = lickSlots(lick)
  const last: Hands = {}
  return mapStrokes(lick.line.slots, (stroke, { slot }) => {
    const { letter } = stroke
    if (letter !== 'R' && letter !== 'L') return stroke
    const tick = ticks[slot]?.tick ?? 0
    const [own, other] = [last[letter], last[letter === 'R' ? 'L' : 'R']]
    const limb = letter === 'R' ? 'RH' : 'LH'
    const canReach = (surface: Surface) => {
      if (own && own.surface !== surface) {
        const needs = Math.max(
          player[limb].single,
          travelTime(kit, own.surface, surface, limb, player),
        )
        if ((tick - own.tick) * perTick < needs) return false
      }
      if (!other || tick - other.tick > beat) return true
      const [right, left] = letter === 'R' ? [surface, other.surface] : [other.surface, surface]
      const found = collisionOf(kit, right, left, tick === other.tick, player.arms)
      return !found || found.slight
    }
    const plain = own?.surface ?? 'sn'
    const pool = chosen() ? surfaces.filter(canReach) : canReach('sn') ? (['sn'] as const) : [plain]
    const surface = pool.length > 0 ? (pool[Math.floor(random() * pool.length)] as Surface) : plain
    last[letter] = { tick, surface }
    return voiced(stroke, surface)
  })
}

function voiced(
  { voice: _voice, graceVoice: _grace, ...stroke }: Stroke,
  surface: Surface,
): Stroke {
  return surface === 'sn' ? stroke : { ...stroke, voice: surface }
}

/** Kicks together with strokes of the hands, where the foot has no stroke of its own nor too little time. */
function withKicks(
  lick: Lick,
  tempo: number,
  { player }: PlayContext,
  chosen: () => boolean,
): SlotContent[] {
  const perTick = secondsPerTick(tempo, frameTicks(lick.frame).beat) * 1000
  const foot = strokeEvents(lick)
    .filter(({ limb }) => limb === 'RF')
    .map(({ tick }) => tick)
  const ticks = lickSlots(lick)
  let last = Number.NEGATIVE_INFINITY
  return lick.line.slots.map((content, slot) => {
    const tick = ticks[slot]?.tick ?? 0
    const free = [last, ...foot].every(
      (other) => Math.abs(tick - other) * perTick >= player.RF.single,
    )
    const joins =
      content.kind === 'struck' &&
      strokesInSlot(content).some(({ stroke }) => isHand(stroke.letter))
    if (!joins || !free || !chosen()) return content
    last = tick
    return { ...content, strokes: [...content.strokes, toStroke('K')] }
  })
}
