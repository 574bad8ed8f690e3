import { frameTicks, type Landing, type Lick, lickSlots } from '../line'
import { type Struck, type Surface, toStroke } from '../sticking'

/** Another ending of the same fill. */
export interface Ending {
  readonly kind: 'stopped' | 'landed'
  /** Of `stopped`: the stroke that is the last, a slot of the line. */
  readonly slot: number | null
  /** Of `landed`: the hand and the surface of the landing, and whether it is choked. */
  readonly hand: 'R' | 'L' | null
  readonly surface: Surface | null
  readonly choke: boolean
  readonly lick: Lick
}

/**
 * The fill stopped on one of its own strokes: the line is cut after that slot, which is the landing, on the
 * beat nearest to it. Its swells and parts end there too.
 * Throws RangeError for a slot that the line does not have or that is a rest.
 *
 * @example `start: 3`, `RLLRLR`, stopped on slot 4: `RLLRL` lands with its L on the beat 4
 */
export function stoppedOn(lick: Lick, slot: number): Lick {
  const content = lick.line.slots[slot]
  if (!content || content.kind === 'rest')
    throw new RangeError(`slot ${slot}: no stroke to stop on`)
  const groups: number[] = []
  let left = slot + 1
  for (const size of lick.line.groups) {
    if (left > 0) groups.push(Math.min(size, left))
    left -= size
  }
  const within = <Span extends { from: number; to: number }>(spans: readonly Span[]) =>
    spans.filter(({ from }) => from <= slot).map((one) => ({ ...one, to: Math.min(one.to, slot) }))
  const { bar } = frameTicks(lick.frame)
  const tick = lickSlots(lick)[slot]?.tick ?? 0
  const at = tick % bar === 0 ? 'bar' : 'beat'
  return {
    ...lick,
    parts: within(lick.parts),
    frame: {
      ...lick.frame,
      bars: at === 'bar' ? tick / bar : null,
      swells: within(lick.frame.swells),
      landing: { kind: 'last', at },
    },
    line: {
      slots: lick.line.slots.slice(0, slot + 1),
      groups,
      gridChanges: lick.line.gridChanges.filter((change) => change.at <= slot),
    },
  }
}

/**
 * The fill with another landing: a hand on a surface, with the kick, choked or not.
 *
 * @example formatLanding(landedBy(lickOf('line: RL'), 'L', 'c1', true).frame.landing) // '(>L:c1>K) choke'
 */
export function landedBy(lick: Lick, hand: 'R' | 'L', surface: Surface, choke: boolean): Lick {
  const slot: Struck = {
    kind: 'struck',
    strokes: [
      toStroke(hand, { level: 'accent', voice: surface }),
      toStroke('K', { level: 'accent' }),
    ],
  }
  // A line whose own last stroke landed has room behind it now.
  const landing: Landing = { kind: 'strokes', at: lick.frame.landing.at, slot, choke }
  return { ...lick, frame: { ...lick.frame, landing } }
}

/**
 * A fill with an ending that was found for it, or for the same fill otherwise voiced: of that, only what it changes.
 *
 * @throws RangeError for a stop on a slot that the line does not have or that is a rest
 */
export function withEnding(lick: Lick, { kind, slot, hand, surface, choke }: Ending): Lick {
  if (kind === 'stopped') return stoppedOn(lick, slot ?? -1)
  return landedBy(lick, hand ?? 'R', surface ?? 'c1', choke)
}

/** The slots on which a fill can be stopped: those that lie on a beat, or all that are struck. */
export function stopsOf(lick: Lick, on: 'beats' | 'strokes'): number[] {
  const { beat } = frameTicks(lick.frame)
  return lickSlots(lick).flatMap(({ index, tick, content }) =>
    content.kind !== 'rest' && index > 0 && (on === 'strokes' || tick % beat === 0) ? [index] : [],
  )
}

/**
 * Endings of a fill: stopped on each of its strokes, or on those that lie on a beat, and landed by either
 * hand on each of some surfaces, ringing and choked. What the lick has already is left out.
 */
export function endingsOf(
  lick: Lick,
  {
    stops,
    surfaces,
  }: { readonly stops: 'beats' | 'strokes'; readonly surfaces: readonly Surface[] },
): Ending[] {
  const none = { slot: null, hand: null, surface: null, choke: false }
  const stopped = stopsOf(lick, stops).map(
    (slot): Ending => ({ ...none, kind: 'stopped', slot, lick: stoppedOn(lick, slot) }),
  )
  if (lick.line.slots.length === 0) return []
  const landed = surfaces.flatMap((surface) =>
    (['R', 'L'] as const).flatMap((hand) =>
      [false, true].map(
        (choke): Ending => ({
          ...none,
          kind: 'landed',
          hand,
          surface,
          choke,
          lick: landedBy(lick, hand, surface, choke),
        }),
      ),
    ),
  )
  const own = JSON.stringify([lick.line, lick.frame.landing])
  return [...stopped, ...landed].filter(
    (one) => JSON.stringify([one.lick.line, one.lick.frame.landing]) !== own,
  )
}
