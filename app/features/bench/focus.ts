/** Takes the focus to the typed line. */
export function focusLine(): void {
  document.querySelector<HTMLElement>('[data-line]')?.focus()
}

/** Takes the focus to the ruler, whose keys go to its rows. */
export function focusRuler(): void {
  document.querySelector<HTMLElement>('[data-ruler]')?.focus()
}
