// Runs before the first paint: the theme the player chose, else the one the system asks for.
;(() => {
  let chosen = null
  try {
    chosen = localStorage.getItem('theme')
  } catch {
    // No storage: the system's theme will do.
  }
  const dark = chosen ? chosen === 'pit' : matchMedia('(prefers-color-scheme: dark)').matches
  document.documentElement.dataset.theme = dark ? 'pit' : 'paper'
})()
