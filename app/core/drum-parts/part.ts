import type { HeadPlace } from '../kit'
import type { Letter, Level, Voice } from '../sticking'
import type { Meter } from '../time'

/** A stroke as a file of another program tells it. */
export interface PartNote {
  /** From the part's first barline, 10080 to a quarter; not always whole, nor where it was meant. */
  readonly tick: number
  /** Which of the part's instruments. */
  readonly instrument: string
  readonly level: Level
  /** The sticking that stands at it; null where none does. */
  readonly letter: Letter | null
  /** Whether it is a small note before another. */
  readonly grace: boolean
}

/** An instrument of a part. Its key is the same in every file that calls it the same. */
export interface PartInstrument {
  readonly key: string
  /** What a player reads: `Floor tom`, `MIDI note 41`. */
  readonly name: string
  readonly midi: number | null
  readonly place: HeadPlace | null
  /** What it is taken for; null where that is not known. */
  readonly voice: Voice | null
}

/** A drum part of another program, before it is made into a lick. */
export interface DrumPart {
  readonly title: string
  /** Beats of the metre a minute. */
  readonly tempo: number
  readonly meter: Meter
  readonly notes: readonly PartNote[]
  readonly instruments: readonly PartInstrument[]
  /** A step in which the file counts time, in our ticks: 10080 over its steps to a quarter. */
  readonly resolution: number
  /** Whether the notes are written, and so lie where they are meant; else they were played. */
  readonly exact: boolean
  /** The text of the lick that the file was made from, where its notes are still those of that lick. */
  readonly own?: string
  /** What of the file could not be taken, in sentences. */
  readonly leftOut: readonly string[]
}
