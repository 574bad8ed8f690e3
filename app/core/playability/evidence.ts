import type { HandSpeed, Player } from '../kit'
import type { Lick } from '../line'
import { isOneHand } from '../sticking'
import {
  isSamePlace,
  type Move,
  type MoveKind,
  movesTooFast,
  type PlayContext,
  travelTime,
} from './limit'

/** A lick that was played clean as a whole, at a tempo in beats of its metre. */
export interface CleanPlay {
  readonly lick: Lick
  readonly tempo: number
}

/** One of a player's constants that was beaten: what it was, and what was shown. */
export interface Evidence {
  readonly limb: Move['limb']
  /** An interval in milliseconds, or how many times as long as Fitts's law says its ways take. */
  readonly kind: MoveKind
  readonly from: number
  readonly to: number
}

/**
 * The constants that clean plays show to be too slow, each lowered by the smallest factor that makes
 * all of those plays possible; singles and ways first, since a run that has time for a single is none. Law: with
 * them no play is above its limit, and none is lower than that asks. The lead of graces is no constant of a
 * player's: a play that asks for less than that tells nothing.
 *
 * @example `KKKK` in sixteenths played clean at 120: the foot's single was 170 ms and is 125
 */
export function evidenceOf(plays: readonly CleanPlay[], setting: PlayContext): Evidence[] {
  const moves = shownBy(plays, setting, (kind) => kind !== 'double' && kind !== 'triple')
  const player = withEvidence(setting.player, moves)
  return [...moves, ...shownBy(plays, { ...setting, player }, () => true)]
}

/** What plays show of the constants of some kinds, each once. */
function shownBy(
  plays: readonly CleanPlay[],
  setting: PlayContext,
  isMeant: (kind: MoveKind) => boolean,
): Evidence[] {
  const shown = new Map<string, Evidence>()
  const show = (limb: Move['limb'], kind: MoveKind, from: number, to: number) => {
    const known = shown.get(`${limb} ${kind}`)
    if (to <= 0 || to >= from || (known && known.to <= to)) return
    shown.set(`${limb} ${kind}`, { limb, kind, from, to })
  }
  const { kit, player } = setting
  for (const { lick, tempo } of plays) {
    for (const move of movesTooFast(lick, 'loop', setting, tempo)) {
      const { limb, kind, fromSurface, toSurface } = move
      if (!isMeant(kind)) continue
      const has = (move.needMs * move.bpm) / tempo - move.leadMs
      if (isSamePlace(kit, fromSurface, toSurface)) {
        const speed = kind === 'travel' ? Number.NaN : constantOf(player, limb, kind)
        show(limb, kind, speed, has)
        continue
      }
      show(limb, 'single', player[limb].single, has)
      const way = travelTime(kit, fromSurface, toSurface, limb, player)
      if (isOneHand(limb)) {
        const { travel } = player[limb]
        show(limb, 'travel', travel, (travel * has) / way)
      }
    }
  }
  return [...shown.values()]
}

function constantOf(player: Player, limb: Move['limb'], kind: Exclude<MoveKind, 'travel'>): number {
  return kind === 'buzz' ? (player[limb] as HandSpeed).buzz : player[limb][kind]
}

/** A player with the constants that were shown. */
export function withEvidence(player: Player, evidence: readonly Evidence[]): Player {
  const raised: Record<string, unknown> = { ...player }
  for (const { limb, kind, to } of evidence) {
    raised[limb] = { ...(raised[limb] as object), [kind]: to }
  }
  return raised as unknown as Player
}
