import type { SetRecord } from '~/storage'
import { Slices } from './slices'

/** A set as it is worked on. */
export interface SetDeskState {
  readonly set: SetRecord
  /** States to go back to; the last is the nearest. */
  readonly past: readonly SetRecord[]
  /** Whether it was deleted in another tab. */
  readonly gone: boolean
}

const MOST_PAST = 100

/**
 * A set without its page. A change is always made to the set as it stands when the change is made, however
 * long ago it was asked for: an order that was worked out from the library, a row that is dropped while it
 * is, and a plan that is changed while another exercise opens are all kept. Every state that stands is
 * handed on to be saved.
 *
 * @example const desk = new SetDesk(set, save); desk.edit((now) => setMinutes(now, 'tightrope', 8)); desk.undo()
 */
export class SetDesk extends Slices<SetDeskState> {
  /** What the last change was about: the next one of the same kind is one step of undo with it. */
  private about = ''

  constructor(
    set: SetRecord,
    private readonly save: (set: SetRecord) => void,
  ) {
    super({ set, past: [], gone: false })
  }

  /**
   * Changes the set as it stands now; a change that gives the same set is none. Changes one after the
   * other that are `about` the same, as the letters of a name are, are one step of undo.
   */
  readonly edit = (change: (set: SetRecord) => SetRecord, about = ''): void => {
    const { set, past } = this.current
    const next = change(set)
    if (next === set) return
    const merges = about !== '' && about === this.about
    this.about = about
    this.patch({ set: next, past: merges ? past : [...past.slice(1 - MOST_PAST), set] })
    this.save(next)
  }

  /** Goes back a step, where there is one. */
  readonly undo = (): void => {
    const { past } = this.current
    const before = past.at(-1)
    if (!before) return
    this.about = ''
    this.patch({ set: before, past: past.slice(0, -1) })
    this.save(before)
  }

  /** What another tab saved, while nothing of ours waited: it is shown, and can be undone. */
  readonly take = (theirs: SetRecord): void => {
    const { set, past } = this.current
    this.about = ''
    this.patch({ set: theirs, past: [...past.slice(1 - MOST_PAST), set], gone: false })
  }

  /** Another tab deleted it, or put it back. */
  readonly setGone = (gone: boolean): void => {
    if (gone !== this.current.gone) this.patch({ gone })
  }
}
