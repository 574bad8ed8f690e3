/** Turns the page from paper to pit, or back, and remembers it. */
export function turnTheme(): void {
  const root = document.documentElement
  const next = root.dataset.theme === 'pit' ? 'paper' : 'pit'
  root.dataset.theme = next
  try {
    localStorage.setItem('theme', next)
  } catch {
    // Without storage the choice lasts as long as the page.
  }
}
