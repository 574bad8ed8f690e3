import { type RandomStream, toRandomStream } from '../foundation'
import type { Limb } from '../sticking'
import type { HeardStroke, MeantStroke } from './strokes'

/** How a simulated drummer plays: habits that can be heard, each nought for none. */
export interface Habits {
  /** Milliseconds that a limb comes after its time, before it where negative. */
  readonly delayMs: Readonly<Partial<Record<Limb, number>>>
  /** The spread of every stroke about its place: the standard deviation, in milliseconds. */
  readonly spreadMs: number
  /** How many times as long the gaps after right hands are as those after others: 1 is even. */
  readonly gallop: number
  /** How far accents are levelled: 0 plays them as they are, 1 all alike. */
  readonly levelled: number
  /** How far threes are drawn towards triplets: 0 as written, 1 as triplets. */
  readonly leaning: number
  /** Percent by which the line runs ahead of the click from its first stroke on; behind it where negative. */
  readonly driftPercent: number
  /** The share of strokes that are left out, and of strokes that are added. */
  readonly missed: number
  readonly added: number
}

export const EVEN: Habits = {
  delayMs: {},
  spreadMs: 0,
  gallop: 1,
  levelled: 0,
  leaning: 0,
  driftPercent: 0,
  missed: 0,
  added: 0,
}

/** Drummers who play along where nobody is at the kit: each with a habit that can be heard. */
export const SIMULATED_PLAYERS: readonly { readonly name: string; readonly habits: Habits }[] = [
  { name: 'even', habits: { ...EVEN, spreadMs: 6 } },
  { name: 'left hand late', habits: { ...EVEN, spreadMs: 6, delayMs: { LH: 14 } } },
  { name: 'kick late', habits: { ...EVEN, spreadMs: 6, delayMs: { RF: 14 } } },
  { name: 'galloping', habits: { ...EVEN, spreadMs: 6, gallop: 1.15 } },
  { name: 'ghosts too loud', habits: { ...EVEN, spreadMs: 6, levelled: 0.8 } },
  { name: 'threes like triplets', habits: { ...EVEN, spreadMs: 6, leaning: 0.4 } },
  { name: 'rushing', habits: { ...EVEN, spreadMs: 6, driftPercent: 3 } },
  { name: 'leaving strokes out', habits: { ...EVEN, spreadMs: 10, missed: 0.1, added: 0.05 } },
]

/** As sound, a simulated drummer is heard so much later than he strikes: time enough to be handed over. */
export const SIMULATED_DELAY_MS = 300

/** A stroke of a simulated drummer, and the slot that it was meant for. */
export type SimulatedStroke = Required<HeardStroke> & { readonly slot: number }

/**
 * A line as a drummer with some habits plays it once: the same for the same seed. A stand-in for a kit, for
 * the demo and for tests, whose truth is known.
 */
export function playedWith(
  strokes: readonly MeantStroke[],
  habits: Habits,
  seed: number,
): SimulatedStroke[] {
  const random = toRandomStream(seed)
  const first = strokes[0]?.ms ?? 0
  const level =
    strokes.reduce((sum, { velocity }) => sum + velocity, 0) / Math.max(1, strokes.length)
  const played = strokes.flatMap((stroke, i): SimulatedStroke[] => {
    if (random() < habits.missed) return []
    const even = galloped(strokes, i, habits.gallop)
    const ms =
      even -
      ((even - first) * habits.driftPercent) / 100 +
      (habits.delayMs[stroke.limb] ?? 0) +
      habits.leaning * (stroke.drawn?.pullMs ?? 0) +
      habits.spreadMs * normal(random)
    const velocity = stroke.velocity + (level - stroke.velocity) * habits.levelled
    return [{ ms, limb: stroke.limb, velocity: Math.round(velocity), slot: stroke.slot }]
  })
  const extra = strokes.flatMap(({ ms, ...same }): SimulatedStroke[] =>
    random() < habits.added ? [{ ...same, ms: ms + 45 + 20 * random() }] : [],
  )
  return [...played, ...extra].sort((a, b) => a.ms - b.ms)
}

/** A stroke after a right hand comes later where the gaps after rights are longer; the rest makes up for it. */
function galloped(strokes: readonly MeantStroke[], at: number, gallop: number): number {
  const [before, now] = [strokes[at - 1], strokes[at] as MeantStroke]
  if (gallop === 1 || !before || before.limb !== 'RH') return now.ms
  const gap = now.ms - before.ms
  return before.ms + (gap * 2 * gallop) / (1 + gallop)
}

/** A number of the standard normal distribution (G. E. P. Box and M. E. Muller, 1958, Ann. Math. Stat. 29). */
function normal(random: RandomStream): number {
  const u = Math.max(Number.MIN_VALUE, random())
  return Math.sqrt(-2 * Math.log(u)) * Math.cos(2 * Math.PI * random())
}
