import { type Lick, strokeEvents } from '../line'
import type { Limb } from '../sticking'
import type { Ticks } from '../time'

/** A foot of a layer and a hand of the line at one instant, and whether they are of one side. */
export interface FootUnderHand {
  readonly tick: Ticks
  readonly foot: Limb
  readonly hand: Limb
  readonly sameSide: boolean
}

const SIDE: Readonly<Record<Limb, 'right' | 'left' | null>> = {
  RH: 'right',
  RF: 'right',
  LH: 'left',
  LF: 'left',
  XH: null,
}

/** Where the feet under the line meet its hands; a hand not decided is on no side yet. */
export function feetUnderHands(lick: Lick): FootUnderHand[] {
  const events = strokeEvents(lick)
  const hands = new Map<Ticks, Limb[]>()
  for (const { tick, layer, limb } of events) {
    const isHand = limb === 'RH' || limb === 'LH'
    if (layer === 0 && isHand) hands.set(tick, [...(hands.get(tick) ?? []), limb])
  }
  return events.flatMap(({ tick, layer, limb: foot }) => {
    if (layer === 0 || (foot !== 'RF' && foot !== 'LF')) return []
    return (hands.get(tick) ?? []).map((hand) => ({
      tick,
      foot,
      hand,
      sameSide: SIDE[foot] === SIDE[hand],
    }))
  })
}
