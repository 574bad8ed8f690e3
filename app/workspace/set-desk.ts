import type { SetRecord } from '~/storage'
import { Slices } from './slices'
import { NO_STEPS, type Stepped, type Steps, stepBack, stepForth, stepFrom } from './steps'

/** A set as it is worked on. */
export interface SetDeskState {
  readonly set: SetRecord
  readonly steps: Steps<SetRecord>
  /** Whether it was deleted in another tab. */
  readonly gone: boolean
}

/**
 * A set without its page. A change is always made to the set as it stands when the change is made, however
 * long ago it was asked for: an order that was worked out from the library, a row that is dropped while it
 * is, and a plan that is changed while another exercise opens are all kept. Every state that stands is
 * handed on to be saved.
 *
 * @example const desk = new SetDesk(set, save); desk.edit((now) => setMinutes(now, 'tightrope', 8)); desk.undo()
 */
export class SetDesk extends Slices<SetDeskState> {
  constructor(
    set: SetRecord,
    private readonly save: (set: SetRecord) => void,
  ) {
    super({ set, steps: NO_STEPS, gone: false })
  }

  /**
   * Changes the set as it stands now; a change that gives the same set is none. Changes one after the
   * other that are `about` the same, as the letters of a name are, are one step of undo.
   */
  readonly edit = (change: (set: SetRecord) => SetRecord, about = ''): void => {
    const { set, steps } = this.current
    const next = change(set)
    if (next === set) return
    this.patch({ set: next, steps: stepFrom(steps, set, about) })
    this.save(next)
  }

  /** Goes back a step, where there is one. */
  readonly undo = (): void => {
    const { set, steps } = this.current
    this.goTo(stepBack(steps, set))
  }

  /** Goes forth again to what was undone last, where no change came between. */
  readonly redo = (): void => {
    const { set, steps } = this.current
    this.goTo(stepForth(steps, set))
  }

  private goTo(step: Stepped<SetRecord> | null): void {
    if (!step) return
    const { state: set, steps } = step
    this.patch({ set, steps })
    this.save(set)
  }

  /** What another tab saved, while nothing of ours waited: it is shown, and can be undone. */
  readonly take = (theirs: SetRecord): void => {
    const { set, steps } = this.current
    this.patch({ set: theirs, steps: stepFrom(steps, set), gone: false })
  }

  /** Another tab deleted it, or put it back. */
  readonly setGone = (gone: boolean): void => {
    if (gone !== this.current.gone) this.patch({ gone })
  }
}
