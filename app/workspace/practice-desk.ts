import type { SlotRange } from '~/core/changes'
import type { Rating } from '~/core/log'
import { findStep, type PlannedStep, type PracticeForm, slowerRung } from '~/core/practice'
import { type Grid, sameGrid } from '~/core/time'
import { Slices } from './slices'

/** What was rated, and at which tempo: the way back from a key that was hit by mistake. */
export interface Rated {
  readonly rating: Rating
  readonly tempo: number
  /** The rung that it was rated on. */
  readonly rung: number
}

/** What a player chose while practising; what is stored, as plan and sessions, is not here. */
export interface DeskState {
  /** The step of the plan that was chosen; null before one was. See `stepAt`. */
  readonly index: number | null
  /** The slots that are looped instead of the step; null for none. */
  readonly loop: SlotRange | null
  readonly loopForm: PracticeForm
  /** The grid that is played on: of the rung that the ladder stands on. */
  readonly grid: Grid
  /** What is not heard. */
  readonly muted: ReadonlySet<string>
  readonly rated: Rated | null
  /** The tempo that was put below the ladder where the lick was lost; null for none. */
  readonly lost: number | null
}

const OVER: PracticeForm = { kind: 'over' }

/**
 * Practice without its page: which step is played, a loop in its place, what is muted, what was said.
 * The plan and the sessions are stored; the desk is told of them where it needs them.
 * Example: `new PracticeDesk(grid).goStep(1, planned)` goes to the next step that is not skipped.
 */
export class PracticeDesk extends Slices<DeskState> {
  constructor(grid: Grid) {
    super({
      index: null,
      loop: null,
      loopForm: OVER,
      grid,
      muted: new Set(),
      rated: null,
      lost: null,
    })
  }

  /** Goes to the next or the last step that is not skipped; stays where there is none. */
  goStep(way: 1 | -1, planned: readonly PlannedStep[]): void {
    const at = stepAt(this.current, planned)
    this.patch({ loop: null, index: findStep(planned, at, way) ?? at })
  }

  /** Goes to a step. */
  goTo(index: number): void {
    this.patch({ loop: null, lost: null, index })
  }

  /** Loops slots of the lick, or goes back to the step. */
  loopOver(loop: SlotRange | null): void {
    this.patch({ loop })
  }

  /** Loops slots that are told within a part of the lick, which begins at one of its slots. */
  loopWithin(part: SlotRange, { from, to }: SlotRange): void {
    this.patch({ loop: { from: part.from + from, to: part.from + to } })
  }

  formLoop(loopForm: PracticeForm): void {
    this.patch({ loopForm })
  }

  /** Plays on the grid of a rung. */
  playOn(grid: Grid): void {
    if (!sameGrid(this.current.grid, grid)) this.patch({ grid })
  }

  /** Silences a limb or the click, or lets it be heard again. */
  mute(channel: string): void {
    const muted = new Set(this.current.muted)
    if (!muted.delete(channel)) muted.add(channel)
    this.patch({ muted })
  }

  /**
   * Takes down how it went on a rung. Returns the tempo, in bpm, that belongs below a ladder on whose
   * lowest rung the lick was lost; null where the ladder stays.
   */
  rate(rated: Rated, tempos: readonly number[]): number | null {
    const slower = rated.rating === 'lost' && rated.rung === 0 ? slowerRung(tempos) : tempos
    const lost = slower.length > tempos.length ? (slower[0] ?? null) : null
    this.patch({ rated, lost })
    return lost
  }

  /** Takes back what was said last; returns the rung that it was said on, null where nothing was. */
  unrate(): number | null {
    const { rated } = this.current
    this.patch({ rated: null })
    return rated?.rung ?? null
  }

  /** From a loop to its step. */
  leaveLoop(): void {
    this.patch({ loop: null })
  }
}

/**
 * Which step of a plan is played: the one that was chosen, the last where the plan became shorter, else the
 * first that is not skipped. Counts from 0.
 */
export function stepAt(
  { index }: Pick<DeskState, 'index'>,
  planned: readonly PlannedStep[],
): number {
  const at = index ?? findStep(planned, -1, 1) ?? 0
  return Math.max(0, Math.min(at, planned.length - 1))
}
