import type { Performance } from '~/core/performance'
import type { Climb } from '~/core/practice'
import type { Ticks } from '~/core/time'

/**
 * What a session plays, and under which name it is logged: a step of a lick's plan, a set's exercise, a flow, a
 * solo or a stretch of it. A value: another one takes its place while it plays. What differs in `compose` alone
 * goes over at the next stroke; another `music` begins anew.
 */
export interface Program {
  /** What it is filed under: a lick, a solo, or the flow. */
  readonly lickId: string
  /** The key of its part; empty for the whole. */
  readonly part: string
  /** What it is, for the log. */
  readonly words: string
  /** The name of its grid; empty where it has several. */
  readonly grid: string
  readonly form: string
  /** What sounds, worked out when it is wanted. */
  readonly compose: () => Performance
  /** The name of the music. */
  readonly music: string
  /** The ladder, from its lowest rung, in beats per minute. */
  readonly tempos: readonly number[]
  readonly climb: Climb
  /** Ticks of the beat that tempos count. */
  readonly beat: Ticks
}

/** The tempo of a rung, in beats per minute; beyond the ends of the ladder that of its end. */
export function tempoAt({ tempos }: Pick<Program, 'tempos'>, rung: number): number {
  return tempos[Math.max(0, Math.min(rung, tempos.length - 1))] ?? 80
}
