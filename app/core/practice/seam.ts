import type { Lick } from '../line'
import { type PlayOptions, type SoundStroke, toPerformance } from '../performance'
import type { Limb } from '../sticking'

/** A limb that plays on over the transition of a loop: so many onsets in a row, on both sides together. */
export interface SeamRun {
  readonly limb: Limb
  readonly strokes: number
}

/**
 * The limbs in a row across the seam, where what is played comes round: the last onsets of a round and
 * the first of the next, with groove and landing as they sound; ostinatos do not count.
 * Example: `RLRR` over and over has three rights across its seam; `start: 3`, `KKRLLRLK` after a bar of
 * groove has two kicks.
 */
export function seamRuns(
  lick: Lick,
  grooves: Pick<PlayOptions, 'grooves' | 'swapsGroove'>,
): SeamRun[] {
  const performance = toPerformance(lick, { loop: true, countIn: false, ...grooves })
  const onsets = onsetsOf(performance.round(1))
  const limbs = [...new Set(onsets.flatMap((onset) => [...onset]))]
  return limbs.flatMap((limb) => {
    const before = runFrom([...onsets].reverse(), limb)
    const after = runFrom(onsets, limb)
    const strokes = Math.min(onsets.length, before + after)
    return before > 0 && after > 0 ? [{ limb, strokes }] : []
  })
}

/** The limbs of each onset, in order. */
function onsetsOf(events: readonly { readonly kind: string }[]): Set<Limb>[] {
  const byTick = new Map<number, Set<Limb>>()
  for (const event of events) {
    if (event.kind !== 'stroke') continue
    const { tick, limb, part } = event as SoundStroke
    if (part === 'layer') continue
    byTick.set(tick, (byTick.get(tick) ?? new Set()).add(limb))
  }
  return [...byTick].sort(([a], [b]) => a - b).map(([, limbs]) => limbs)
}

function runFrom(onsets: readonly ReadonlySet<Limb>[], limb: Limb): number {
  const end = onsets.findIndex((onset) => !onset.has(limb))
  return end < 0 ? onsets.length : end
}
