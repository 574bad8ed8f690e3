import type { Surface } from '../../sticking'

/** A sound of the player's own, and when it is struck. */
export interface SampleRegion {
  readonly surface: Surface
  /** The path of its sound. */
  readonly file: string
  /** From which velocity to which, 1 to 127. */
  readonly least: number
  readonly most: number
  /** How loud, 1 as it was recorded. */
  readonly gain: number
  /** How fast it goes by, 1 as it was recorded. */
  readonly speed: number
  /** Samples that are left out at its beginning. */
  readonly offset: number
  /** Its turn among those that take turns, from 0, and how many those are. */
  readonly turn: number
  readonly turns: number
}

/** Sounds of the player's own, laid on the surfaces of a kit. */
export interface SampleMap {
  readonly id: string
  readonly name: string
  readonly regions: readonly SampleRegion[]
}

/**
 * The region that a stroke sounds by: one whose velocities hold it, else those nearest to it; those that take turns
 * in their turns, others alike one after the other. Undefined where the surface has none.
 * Law: where a surface has two regions for a velocity, two strokes in a row are not the same.
 *
 * @example regionFor(regions, 'sn', 80, 0)?.file is 'snare/tap.wav'
 */
export function regionFor(
  regions: readonly SampleRegion[],
  surface: Surface,
  velocity: number,
  nth: number,
): SampleRegion | undefined {
  const own = regions.filter((one) => one.surface === surface)
  const away = ({ least, most }: SampleRegion) => Math.max(0, least - velocity, velocity - most)
  const nearest = Math.min(...own.map(away))
  const held = own.filter((one) => away(one) === nearest)
  const inTurn = held.filter(({ turn, turns }) => turns > 1 && nth % turns === turn)
  const others = held.filter(({ turns }) => turns <= 1)
  const some = inTurn.length > 0 ? inTurn : others.length > 0 ? others : held
  return some[nth % Math.max(1, some.length)]
}
