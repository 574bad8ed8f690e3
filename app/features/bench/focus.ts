import { whenThere } from '~/ui/when-there'

let giveUp = () => {}

const find = (selector: string) => document.querySelector<HTMLElement>(selector)

/** Takes the focus to the typed line. */
export function focusLine(): void {
  giveUp()
  find('[data-line]')?.focus()
}

/** Takes the focus to the ruler, whose keys go to its rows. */
export function focusRuler(): void {
  giveUp()
  find('[data-ruler]')?.focus()
}

/**
 * Takes the focus to what a selector finds as soon as it is there. Where the focus is led elsewhere
 * before that, it stays there: what is typed next belongs to the last place that was asked for.
 */
export function focusSoon(selector: string): void {
  giveUp()
  giveUp = whenThere(
    () => find(selector),
    (found) => found.focus(),
  )
}
