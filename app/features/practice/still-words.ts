/** How it is started: by a tap where there is no keyboard at hand. */
export function stillWords(): string {
  const touched = typeof matchMedia === 'function' && matchMedia('(pointer: coarse)').matches
  return touched ? 'Tap to start' : 'Space to start'
}
