import { MOST_PARTS, MOST_SOLO_BARS, type Solo, type SoloPart, soloLength } from '~/core/solo'
import { Slices } from './slices'
import {
  NO_STEPS,
  type Stepped,
  type Steps,
  stepBack,
  stepDone,
  stepForth,
  stepFrom,
} from './steps'

/** A solo as it is worked on. */
export interface SoloDeskState {
  readonly solo: Solo
  readonly steps: Steps<Solo>
  /** The part that is opened, by its id; null for none. */
  readonly chosen: string | null
  /** Why the last change was not made, in words; empty where it was. */
  readonly refused: string
}

/**
 * A solo without its page: its parts are added, moved, changed and drawn over, with undo without end. Every
 * state that stands is handed on to be saved. Parts are known by their ids, so that what is chosen stays
 * chosen wherever it goes.
 *
 * @example const desk = new SoloDesk(solo, save); desk.add(part); desk.undo()
 */
export class SoloDesk extends Slices<SoloDeskState> {
  constructor(
    solo: Solo,
    private readonly save: (solo: Solo) => void,
  ) {
    super({ solo, steps: NO_STEPS, chosen: solo.parts[0]?.id ?? null, refused: '' })
  }

  /** Changes the solo; changes one after the other that are `about` the same are one step. */
  edit(change: (solo: Solo) => Solo, about = ''): void {
    const { solo, steps } = this.current
    const next = change(solo)
    if (next === solo) return
    const refused = faultOf(next, solo)
    if (refused !== '') {
      this.patch({ refused })
      return
    }
    this.patch({
      solo: next,
      steps: stepFrom(steps, solo, about),
      refused: '',
      chosen: this.stillThere(next),
    })
    this.save(next)
  }

  undo(): void {
    const { solo, steps } = this.current
    this.goTo(stepBack(steps, solo))
  }

  redo(): void {
    const { solo, steps } = this.current
    this.goTo(stepForth(steps, solo))
  }

  private goTo(step: Stepped<Solo> | null): void {
    if (!step) return
    const { state: solo, steps } = step
    this.patch({ solo, steps, refused: '', chosen: this.stillThere(solo) })
    this.save(solo)
  }

  /** What another tab saved, while nothing of ours waited: it is shown, and can be undone. */
  take(theirs: Solo): void {
    const { solo, steps } = this.current
    const chosen = this.stillThere(theirs)
    this.patch({ solo: theirs, steps: stepFrom(steps, solo), chosen })
  }

  choose(chosen: string | null): void {
    this.patch({ chosen, steps: stepDone(this.current.steps) })
  }

  /** Opens the part before or after the one that is open. */
  step(way: 1 | -1): void {
    const { solo, chosen } = this.current
    const at = solo.parts.findIndex(({ id }) => id === chosen)
    const next = solo.parts[at < 0 ? 0 : at + way]
    if (next) this.choose(next.id)
  }

  /** Puts a part behind the one that is open, or at the end, and opens it. */
  add(part: SoloPart): void {
    this.edit((solo) => {
      const at = solo.parts.findIndex(({ id }) => id === this.current.chosen)
      return { ...solo, parts: solo.parts.toSpliced(at < 0 ? solo.parts.length : at + 1, 0, part) }
    })
    if (this.current.solo.parts.some(({ id }) => id === part.id)) this.patch({ chosen: part.id })
  }

  /** A part once more behind itself, under a new id. */
  duplicate(id: string, newId: string): void {
    const part = this.current.solo.parts.find((one) => one.id === id)
    if (!part) return
    this.patch({ chosen: id })
    this.add({ ...part, id: newId })
  }

  remove(id: string): void {
    this.edit((solo) => ({ ...solo, parts: solo.parts.filter((part) => part.id !== id) }))
  }

  /** Moves a part to another place; places beyond the ends are the ends. */
  move(id: string, to: number): void {
    this.edit((solo) => {
      const from = solo.parts.findIndex((part) => part.id === id)
      const part = solo.parts[from]
      const place = Math.max(0, Math.min(solo.parts.length - 1, to))
      if (!part || place === from) return solo
      return { ...solo, parts: solo.parts.toSpliced(from, 1).toSpliced(place, 0, part) }
    })
  }

  /** Changes a part; what it becomes keeps its id. */
  changePart(id: string, change: (part: SoloPart) => SoloPart, about = ''): void {
    this.edit(
      (solo) => ({
        ...solo,
        parts: solo.parts.map((part) => (part.id === id ? { ...change(part), id } : part)),
      }),
      about && `${about} ${id}`,
    )
  }

  /** Draws what is wanted of a bar, 0 to 1; null takes it away. A drawing is one step of undo. */
  draw(bar: number, value: number | null): void {
    this.edit((solo) => {
      const wish = Array.from({ length: Math.max(bar + 1, solo.wish.length) }, (_, i) =>
        i === bar
          ? value === null
            ? null
            : Math.max(0, Math.min(1, value))
          : (solo.wish[i] ?? null),
      )
      return { ...solo, wish }
    }, 'wish')
  }

  /** Ends a drawing: the next one is a step of its own. */
  lift(): void {
    this.patch({ steps: stepDone(this.current.steps) })
  }

  /** The part that is open, or the first where it is gone. */
  private stillThere(solo: Solo): string | null {
    const { chosen } = this.current
    return solo.parts.some(({ id }) => id === chosen) ? chosen : (solo.parts[0]?.id ?? null)
  }
}

/** Why a solo cannot be as it would become; empty where it can. What shortens it is always taken. */
function faultOf(next: Solo, before: Solo): string {
  if (next.parts.length > Math.max(MOST_PARTS, before.parts.length))
    return `A solo has at most ${MOST_PARTS} parts, so nothing was changed.`
  const { bars } = soloLength(next)
  return bars > MOST_SOLO_BARS && bars > soloLength(before).bars
    ? `A solo has at most ${MOST_SOLO_BARS} bars, so nothing was changed.`
    : ''
}
