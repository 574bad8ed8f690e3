/**
 * The states that something can go back to, and forth to again; the last of each is the nearest. A value: who
 * changes something holds the steps beside it.
 */
export interface UndoStack<T> {
  readonly past: readonly T[]
  readonly future: readonly T[]
  /** What the last change was about: the next one about the same is one step with it; empty for nothing. */
  readonly about: string
}

const MAX_PAST = 200

/** No step yet. */
export const NO_STEPS: UndoStack<never> = { past: [], future: [], about: '' }

/**
 * The steps after a change of a state. Changes one after the other that are `about` the same, as the letters of a
 * name are, are one step.
 *
 * @example stepFrom(stepFrom(NO_STEPS, 'a', 'name'), 'b', 'name').past is ['a']
 */
export function stepFrom<T>(
  { past, about: before }: UndoStack<T>,
  state: T,
  about = '',
): UndoStack<T> {
  const merges = about !== '' && about === before
  return { past: merges ? past : [...past.slice(1 - MAX_PAST), state], future: [], about }
}

/** The state before, and the steps from there; null where there is none. Law: forth again is where one was. */
export function stepBack<T>({ past, future }: UndoStack<T>, state: T): Stepped<T> | null {
  const before = past.at(-1)
  if (before === undefined) return null
  return {
    state: before,
    steps: { past: past.slice(0, -1), future: [...future, state], about: '' },
  }
}

/** The state that was gone back from last, and the steps from there; null where there is none. */
export function stepForth<T>({ past, future }: UndoStack<T>, state: T): Stepped<T> | null {
  const after = future.at(-1)
  if (after === undefined) return null
  return { state: after, steps: { past: [...past, state], future: future.slice(0, -1), about: '' } }
}

/** The same steps; the next change is one of its own, whatever it is about. */
export function stepDone<T>(steps: UndoStack<T>): UndoStack<T> {
  return steps.about === '' ? steps : { ...steps, about: '' }
}

/** A state that was gone to, and the steps from there. */
export interface Stepped<T> {
  readonly state: T
  readonly steps: UndoStack<T>
}
