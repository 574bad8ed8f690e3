import { type Arms, DEFAULT_ARMS, type Kit, reachOf } from '../kit'
import { type Lick, lineEvents } from '../line'
import type { Limb, Voice } from '../sticking'
import type { Ticks } from '../time'

/**
 * How far from its shoulder a hand strikes without leaning out, in centimetres: an arm of about 70
 * and a stick of about 45 beyond it. An estimate of ours; the player can set another.
 */
export const DEFAULT_REACH = 115

/** A hand's stroke that lies further away than its player reaches. */
export interface FarStroke {
  readonly tick: Ticks
  readonly limb: Limb
  readonly surface: Voice
  readonly centimetres: number
}

/**
 * Strokes of the line on pieces beyond a reach, measured over the floor from the shoulder of the hand;
 * of a hand that is not decided, from the nearer shoulder.
 */
export function farStrokes(
  lick: Lick,
  kit: Kit,
  reach: number,
  arms: Arms = DEFAULT_ARMS,
): FarStroke[] {
  return lineEvents(lick).flatMap(({ tick, limb, surface }): FarStroke[] => {
    if (limb === 'RF' || limb === 'LF') return []
    const hands = limb === 'XH' ? (['RH', 'LH'] as const) : [limb]
    const ways = hands.flatMap((hand) => reachOf(hand, kit, surface, arms) ?? [])
    const centimetres = Math.min(...ways)
    return ways.length > 0 && centimetres > reach ? [{ tick, limb, surface, centimetres }] : []
  })
}

/** Strokes of one foot on neighbouring onsets of the line. */
export interface FootRun {
  readonly limb: 'RF' | 'LF'
  readonly fromTick: Ticks
  readonly toTick: Ticks
  readonly strokes: number
}

/**
 * Every double, triple and longer run of a foot within the line, in order.
 *
 * @example footRuns(lickOf('line: RKKL')).length // 1
 */
export function footRuns(lick: Lick): FootRun[] {
  const onsets = new Map<Ticks, Set<Limb>>()
  for (const { tick, limb } of lineEvents(lick)) {
    const here = onsets.get(tick) ?? new Set()
    here.add(limb)
    onsets.set(tick, here)
  }
  const ticks = [...onsets.keys()]
  return (['RF', 'LF'] as const)
    .flatMap((limb) => {
      const runs: FootRun[] = []
      let from = 0
      for (let i = 0; i <= ticks.length; i += 1) {
        const tick = ticks[i]
        if (tick !== undefined && onsets.get(tick)?.has(limb)) continue
        const [first, last] = [ticks[from], ticks[i - 1]]
        if (i - from > 1 && first !== undefined && last !== undefined) {
          runs.push({ limb, fromTick: first, toTick: last, strokes: i - from })
        }
        from = i + 1
      }
      return runs
    })
    .sort((a, b) => a.fromTick - b.fromTick)
}
