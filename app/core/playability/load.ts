import { aimOf, frameTicks, type Lick, strokeEvents } from '../line'
import type { Limb } from '../sticking'
import { secondsPerTick, type Ticks } from '../time'

/** What a limb is asked for at a tempo, in the line and the ostinatos together. */
export interface Load {
  readonly limb: Limb
  readonly strokes: number
  /** On average from the line's start to its end, or to the landing where that is later. */
  readonly perSecond: number
  /** Between two strokes of the limb, in milliseconds; null where it strikes once. */
  readonly shortestMs: number | null
  /** Strokes on neighbouring onsets; of undecided hands nothing is known. */
  readonly longestRun: number | null
}

/**
 * The load of every limb that strikes from the line's start on, hands before feet.
 * Example: `RLKK*4` at 104 asks the kick for 3.47 strokes a second, 144.2 ms apart at the least.
 */
export function loadOf(lick: Lick, tempo: number): Load[] {
  const { start, end, target } = aimOf(lick)
  const perTick = secondsPerTick(tempo, frameTicks(lick.frame).beat)
  const seconds = (Math.max(end, target) - start) * perTick
  const events = strokeEvents(lick).filter(({ tick }) => tick >= start)
  const onsets = new Map<Ticks, Set<Limb>>()
  for (const { tick, limb } of events) onsets.set(tick, (onsets.get(tick) ?? new Set()).add(limb))
  const limbs = (['RH', 'LH', 'XH', 'RF', 'LF'] as const).filter((limb) =>
    events.some((event) => event.limb === limb),
  )
  return limbs.map((limb): Load => {
    const own = [...onsets].filter(([, struck]) => struck.has(limb)).map(([tick]) => tick)
    const gaps = own.slice(1).map((tick, i) => tick - (own[i] as Ticks))
    return {
      limb,
      strokes: own.length,
      perSecond: seconds > 0 ? own.length / seconds : 0,
      shortestMs: gaps.length > 0 ? Math.min(...gaps) * perTick * 1000 : null,
      longestRun: limb === 'XH' ? null : longestRun([...onsets.values()], limb),
    }
  })
}

function longestRun(onsets: readonly ReadonlySet<Limb>[], limb: Limb): number {
  let [longest, run] = [0, 0]
  for (const onset of onsets) {
    run = onset.has(limb) ? run + 1 : 0
    longest = Math.max(longest, run)
  }
  return longest
}
