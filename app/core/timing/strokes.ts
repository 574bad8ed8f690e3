import type { Graces, Limb } from '../sticking'
import type { Ticks } from '../time'

/** Where a stroke of a three would be if the three were a triplet. */
export interface ThreePlace {
  /** The slot of the three's first stroke, which is on the beat. */
  readonly from: number
  /** Whether it is the second or the third stroke. */
  readonly place: 2 | 3
  /** How far it would be drawn, later or earlier, never 0. */
  readonly pull: Ticks
}

/** The same at a tempo: the pull in milliseconds. */
export interface Drawn extends Omit<ThreePlace, 'pull'> {
  readonly pullMs: number
}

/** A stroke that is meant, in milliseconds from the line's first slot. */
export interface ExpectedStroke {
  readonly ms: number
  readonly limb: Limb
  /** Its slot in the line. */
  readonly slot: number
  /** How loud it is meant, 1 to 127, where that matters. */
  readonly velocity?: number
  /** Where it would be in a triplet, where it belongs to a three that may turn into one. */
  readonly drawn?: Drawn
  /** The number of the run of sixteenths that it belongs to, from 0. */
  readonly run?: number
  /** Its graces, which are not scored: so many, by that hand where it is known. */
  readonly grace?: { readonly strokes: Graces; readonly limb?: Limb | undefined }
}

/** A stroke that is meant, and how loud: 1 to 127. */
export type MeantStroke = ExpectedStroke & { readonly velocity: number }

/** A stroke of a line as it sounds, before there is a tempo. */
export interface LineStroke extends Omit<MeantStroke, 'ms' | 'drawn'> {
  /** From the barline of the fill's bar, or from wherever its list says. */
  readonly tick: Ticks
  readonly three?: ThreePlace
}

/** A stroke that was heard; its limb and velocity (1 to 127) where they are known. */
export interface HeardStroke {
  readonly ms: number
  readonly limb?: Limb
  readonly velocity?: number
}

/** A matched stroke: when it was meant and when it was heard, the delay taken out of its offset. */
export interface PlayedStroke {
  readonly slot: number
  readonly limb: Limb
  readonly expectedMs: number
  readonly heardMs: number
  /** Heard minus expected, without the delay; above 0 is late. */
  readonly offsetMs: number
  /** How loud it was, and how loud it was meant, 1 to 127; where they are known. */
  readonly velocity?: number | undefined
  readonly meantVelocity?: number | undefined
  /** Where it would be in a triplet, where it belongs to a three. */
  readonly drawn?: Drawn | undefined
}
