import { findPiece, type Kit } from '../kit'
import { frameTicks, type Lick, strokeEvents } from '../line'
import { secondsPerTick, type Ticks } from '../time'

/** A second bass drum pedal is asked for, and the kit has none. */
export interface MissingPedal {
  readonly strokes: number
  /**
   * Ticks between the two nearest strokes of the lead foot if it played those too; null where it
   * would play but once.
   */
  readonly nearestTicks: Ticks | null
  readonly nearestMs: number | null
}

/**
 * Strokes on a second bass drum pedal that a kit lacks, and what the lead foot would have to do in
 * their place; null where nothing is missing. Example: `RLKJ` in sixteenths at 104 leaves 144.2 ms.
 */
export function missingPedal(lick: Lick, kit: Kit, tempo: number): MissingPedal | null {
  if (findPiece(kit, 'b2')?.surface === 'b2') return null
  const feet = strokeEvents(lick).filter(
    ({ limb, surface }) => limb === 'RF' || (limb === 'LF' && surface === 'b2'),
  )
  const strokes = feet.filter(({ limb }) => limb === 'LF').length
  if (strokes === 0) return null
  const ticks = [...new Set(feet.map(({ tick }) => tick))]
  const gaps = ticks.slice(1).map((tick, i) => tick - (ticks[i] as number))
  const nearestTicks = gaps.length > 0 ? Math.min(...gaps) : null
  const perTick = secondsPerTick(tempo, frameTicks(lick.frame).beat) * 1000
  return {
    strokes,
    nearestTicks,
    nearestMs: nearestTicks === null ? null : nearestTicks * perTick,
  }
}
