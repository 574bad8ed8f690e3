import { type Lick, strokeEvents } from '../line'
import { isOneHand, type Limb } from '../sticking'
import type { Ticks } from '../time'

/** A foot of an ostinato and a hand of the line at one instant, and whether they are of one side. */
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
    if (layer === 0 && isOneHand(limb)) hands.set(tick, [...(hands.get(tick) ?? []), limb])
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

/** Where an ostinato sounds together with the line. */
export interface OstinatoMeeting {
  /** Which ostinato, from 1, as events number them. */
  readonly layer: number
  /** Its limbs there, each once. */
  readonly limbs: readonly Limb[]
  readonly ticks: readonly Ticks[]
  /** Where its feet and a hand of the line are on the same side of the body. */
  readonly sameSide: readonly Ticks[]
}

/** The instants at which each ostinato meets the line; those that never do are left out. */
export function ostinatoMeetings(lick: Lick): OstinatoMeeting[] {
  const events = strokeEvents(lick)
  const line = new Set(events.flatMap(({ tick, layer }) => (layer === 0 ? [tick] : [])))
  const sides = new Set(
    feetUnderHands(lick).flatMap(({ tick, foot, sameSide }) =>
      sameSide ? [`${tick} ${foot}`] : [],
    ),
  )
  return lick.ostinatos.flatMap((_, i): OstinatoMeeting[] => {
    const own = events.filter(({ layer, tick }) => layer === i + 1 && line.has(tick))
    if (own.length === 0) return []
    const same = own.filter(({ tick, limb }) => sides.has(`${tick} ${limb}`))
    return [
      {
        layer: i + 1,
        limbs: [...new Set(own.map(({ limb }) => limb))],
        ticks: [...new Set(own.map(({ tick }) => tick))],
        sameSide: [...new Set(same.map(({ tick }) => tick))],
      },
    ]
  })
}
