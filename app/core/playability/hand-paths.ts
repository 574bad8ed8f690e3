import { type Arms, DEFAULT_ARMS, findPiece, handWay, type Kit, type Piece } from '../kit'
import { type Lick, lineEvents } from '../line'
import type { Voice } from '../sticking'
import type { Ticks } from '../time'

/** One place of a hand on its way over the kit. */
export interface PathStop {
  readonly tick: Ticks
  readonly voice: Voice
  readonly piece: Piece
}

/** The way of each hand over a lick, in order of time; graces are stops too. */
export interface HandPaths {
  readonly RH: readonly PathStop[]
  readonly LH: readonly PathStop[]
}

/**
 * Where each hand strikes, in order. A surface that is not decided, or no kit at all, has no stop.
 *
 * @example handPaths(lickOf('line: RLRL'), DEFAULT_KIT).RH.length // 2
 */
export function handPaths(lick: Lick, kit: Kit): HandPaths {
  const paths = { RH: [] as PathStop[], LH: [] as PathStop[] }
  const stop = (limb: string | undefined, tick: Ticks, voice: Voice | undefined) => {
    if ((limb !== 'RH' && limb !== 'LH') || !voice) return
    const piece = findPiece(kit, voice)
    if (piece) paths[limb].push({ tick, voice, piece })
  }
  for (const { tick, limb, surface, graceLimb, graceSurface } of lineEvents(lick)) {
    stop(graceLimb, tick, graceSurface)
    stop(limb, tick, surface)
  }
  return paths
}

/** Centimetres that a hand travels, the stick turning in it: not the way of the tip. */
export function pathLengthOf(
  hand: 'RH' | 'LH',
  stops: readonly PathStop[],
  arms: Arms = DEFAULT_ARMS,
): number {
  return stops.reduce((sum, stop, i) => {
    const before = stops[i - 1]
    return before ? sum + handWay(hand, before.piece, stop.piece, arms) : 0
  }, 0)
}
