import { Slices } from './slices'

/** Something that one part of the bench works out and another shows, until there is something else. */
export class Shown<T> extends Slices<{ readonly value: T }> {
  constructor(first: T) {
    super({ value: first })
  }

  readonly show = (value: T): void => {
    if (value !== this.current.value) this.patch({ value })
  }

  readonly read = (): T => this.current.value
}
