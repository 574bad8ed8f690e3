import type { WrittenQuestion } from '~/codecs/question'
import type { Door, FoundVoices, LineEnding, VoiceWish } from '~/core/finder'
import type { Kit } from '~/core/kit'
import type { FreeHand, Lick } from '~/core/line'
import type { PlayContext } from '~/core/playability'
import type { LoopOptions, LoopStretch, Sample, SequenceSound, Tool } from '~/core/sound'
import type { Voice } from '~/core/sticking'
import type { Pin } from '~/core/voicing'
import type { ImportDone, IncomingEntry } from '~/storage/backup'
import type { ChosenFile, SamplesRead } from './read-samples'

/** What the ticker is told. It answers with a bare tick. */
export type TickerRequest =
  | { readonly kind: 'start'; readonly everyMs: number }
  | { readonly kind: 'stop' }

/** A format of sound files. */
export type SoundFormat = 'wav' | 'opus'

/** How far a long piece of work is. */
export interface Progress {
  readonly done: number
  readonly all: number
}

/** What a player decides about drum parts of other programs. */
export interface PartWishes {
  /** What instruments are taken for, in every file that has them; null leaves one out. */
  readonly drums: readonly (readonly [instrument: string, voice: Voice | null])[]
  /** The grid of a file, by its number in the list of files. */
  readonly grids: readonly (readonly [file: number, grid: string])[]
}

/** A drum part of another program, as it was found in a file. */
export interface FoundPart {
  /** The number of its file in the list of files. */
  readonly file: number
  readonly name: string
  readonly title: string
  /** The lick that it becomes. */
  readonly text: string
  /** Whether the lick travelled in the file and was taken from there. */
  readonly own: boolean
  readonly strokes: number
  readonly instruments: readonly {
    readonly key: string
    readonly name: string
    readonly voice: Voice | null
    readonly strokes: number
  }[]
  readonly handsProposed: boolean
  /** How far its strokes lie from the grid, milliseconds: on average, and at the most. */
  readonly offMs: { readonly mean: number; readonly most: number }
  readonly leftOut: readonly string[]
}

/** A question as it is written, for a player on a kit. */
export interface FinderQuestion {
  readonly written: WrittenQuestion
  readonly setting: PlayContext
  /** Lines of licks that one has, where it asks to differ from them. */
  readonly known?: readonly string[]
}

/** A fill that obeys a question, with what makes it good. */
export interface FoundWay {
  /** In the line's own notation, its groups apart. */
  readonly line: string
  readonly score: number
  /** The fastest tempo at which it plays on one surface, in beats a minute; null where no limb strikes twice. */
  readonly limit: number | null
  /** Which hand is free for the landing. */
  readonly free: FreeHand
  /** Strokes of the kick, by either foot. */
  readonly kicks: number
  /** Slots in which other limbs strike than in the line of the question's frame; null where that is of another length. */
  readonly unlike: number | null
}

/** One of all ways: drawn by a seed, or by its number from 1, which may be larger than a number can hold. */
export type WayPick =
  | { readonly kind: 'seed'; readonly seed: number }
  | { readonly kind: 'number'; readonly number: bigint }

/** What a question comes to. */
export interface FoundWays {
  readonly count: bigint
  readonly slots: number
  readonly ways: readonly FoundWay[]
  /** Whether all were looked through, or as many found as were asked for. */
  readonly complete: boolean
}

/** A stroke of the kit as samples. */
export interface MadeStroke {
  readonly sample: Sample
  readonly made: Float32Array<ArrayBuffer>
}

/** What workers are asked for, by name: what goes in, what is told on the way, and what comes out. */
export interface Jobs {
  /**
   * Strokes of the kit, in order; of a surface that was kept from a visit before all strokes are told at once. When
   * all of a surface are made, they are kept.
   */
  readonly 'make-strokes': {
    readonly in: { readonly samples: readonly Sample[]; readonly tool: Tool; readonly rate: number }
    readonly on: MadeStroke
    readonly out: null
  }
  /** Sounds of the player's own from a folder or a zip, kept as they are read; `null` gives them up. */
  readonly 'read-samples': {
    readonly in: {
      readonly id: string
      readonly chosen: readonly ChosenFile[]
      readonly kit: Kit
    }
    readonly on: Progress
    readonly out: SamplesRead
  }
  /** Licks round after round as a sound file: as it is (`wav`), or compressed (`opus`). */
  readonly 'render-loop': {
    readonly in: {
      readonly stretches: readonly LoopStretch[]
      /** In place of the stretches: licks in a row, without a break. */
      readonly sequence?: SequenceSound
      readonly options: LoopOptions
      readonly format: SoundFormat
    }
    readonly on: Progress
    readonly out: { readonly bytes: Uint8Array<ArrayBuffer> }
  }
  /** How late chirps come back in a recording, in seconds; null where they are not heard. */
  readonly 'measure-delay': {
    readonly in: {
      readonly samples: Float32Array
      /** The samples at which they were played. */
      readonly played: readonly number[]
      readonly rate: number
    }
    readonly on: Progress
    readonly out: { readonly seconds: number | null }
  }
  /** A backup of everything (on null), or of some licks with all that is theirs. */
  readonly export: {
    readonly in: {
      readonly lickIds: readonly string[] | null
      /** Sets that go along with their licks. */
      readonly setIds?: readonly string[]
      readonly at: number
    }
    readonly on: Progress
    readonly out: { readonly zip: Uint8Array<ArrayBuffer> }
  }
  /** Holds files against what is here; what they would bring stays in the worker. */
  readonly inspect: {
    readonly in: {
      readonly files: readonly File[]
      readonly at: number
      readonly wishes: PartWishes
    }
    readonly on: Progress
    readonly out: {
      readonly entries: readonly IncomingEntry[]
      readonly parts: readonly FoundPart[]
      readonly faults: readonly string[]
    }
  }
  /** Carries out what was inspected last. */
  readonly import: {
    readonly in: {
      readonly different: 'replace' | 'both' | 'skip'
      readonly single: readonly (readonly [index: number, choice: 'replace' | 'both' | 'skip'])[]
      readonly at: number
    }
    readonly on: Progress
    readonly out: ImportDone
  }
  /** How many fills obey a question, and the best of them. */
  readonly 'find-ways': {
    readonly in: FinderQuestion & { readonly most: number }
    readonly on: never
    readonly out: FoundWays
  }
  /** One of all that obey a question: drawn evenly, or by its number; null where there is none. */
  readonly 'pick-way': {
    readonly in: FinderQuestion & { readonly pick: WayPick }
    readonly on: never
    readonly out: FoundWay | null
  }
  /** The first so many in the order of their numbers. */
  readonly 'list-ways': {
    readonly in: FinderQuestion & { readonly most: number }
    readonly on: never
    readonly out: readonly FoundWay[]
  }
  /** The best ways to fill what is left of a line's space. */
  readonly 'end-line': {
    readonly in: { readonly lick: Lick; readonly setting: PlayContext }
    readonly on: never
    readonly out: readonly LineEnding[]
  }
  /** Ways to lay a line on a kit, the best first. */
  readonly 'find-voices': {
    readonly in: {
      readonly lick: Lick
      readonly setting: PlayContext
      readonly wish: VoiceWish
      /** Slots that stay where they are struck. */
      readonly struck: readonly Pin[]
    }
    readonly on: never
    readonly out: readonly FoundVoices[]
  }
  /** What opens where nothing obeys a question. */
  readonly 'open-door': {
    readonly in: FinderQuestion
    readonly on: never
    readonly out: Door
  }
}
export type JobName = keyof Jobs

/** A request to a worker; `cancel` asks it to stop a request between two steps. */
export type Request<Name extends JobName = JobName> = {
  [N in Name]: { readonly id: number; readonly job: N; readonly input: Jobs[N]['in'] }
}[Name]
export interface Cancel {
  readonly id: number
  readonly job: 'cancel'
}

/** What a worker answers: told on the way, done, or why not. */
export type Reply<Name extends JobName = JobName> = {
  [N in Name]:
    | { readonly id: number; readonly kind: 'progress'; readonly told: Jobs[N]['on'] }
    | { readonly id: number; readonly kind: 'done'; readonly output: Jobs[N]['out'] }
    | { readonly id: number; readonly kind: 'failed'; readonly message: string }
}[Name]
