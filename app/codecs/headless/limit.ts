import { DEFAULT_KIT, DEFAULT_PLAYER, type Kit } from '~/core/kit'
import type { Lick } from '~/core/line'
import {
  handCollisions,
  landOnKit,
  type Move,
  type Reading,
  speedLimit,
  undecidedSlots,
} from '~/core/playability'

/** What the command `limit` is asked: the reading, and the kit it is played on. */
export interface LimitOptions {
  readonly reading: Reading
  readonly kit?: Kit
}

/**
 * What the command `limit` prints: the fastest tempo in beats of the metre, the move that sets it,
 * the next ones, and where hands cross or share a surface. Figures to a hundredth.
 */
export function toHeadlessLimit(lick: Lick, { reading, kit = DEFAULT_KIT }: LimitOptions) {
  const setting = { kit, player: DEFAULT_PLAYER }
  // The text's own crash is c1, unless the kit says another.
  const landed = kit.crash ? landOnKit(lick, setting) : lick
  const { bpm, bottleneck, next } = speedLimit(landed, reading, setting)
  const meets = handCollisions(lick, kit)
  return {
    bpm: bpm === null ? null : hundredth(bpm),
    bottleneck: bottleneck && toHeadlessMove(bottleneck),
    next: next.map((move) => ({ bpm: hundredth(move.bpm), ...toHeadlessMove(move) })),
    crossings: meets.filter(({ kind }) => kind === 'crossed').map(({ kind: _, ...meet }) => meet),
    shared: meets.filter(({ kind }) => kind === 'shared').map(({ kind: _, ...meet }) => meet),
    undecided: undecidedSlots(lick),
  }
}

function toHeadlessMove({ limb, fromTick, toTick, fromSurface, toSurface, needMs }: Move) {
  return { limb, fromTick, toTick, fromSurface, toSurface, needMs: hundredth(needMs) }
}

function hundredth(value: number): number {
  return Math.round(value * 100) / 100
}
