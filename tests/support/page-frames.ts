import { vi } from 'vitest'

/** A page whose frames come when they are drawn: returns the way to draw the one that was asked for. */
export function framesByHand(): { readonly draw: () => void; readonly waits: () => boolean } {
  let asked: (() => void) | undefined
  vi.stubGlobal('requestAnimationFrame', (work: () => void) => {
    asked = work
    return 1
  })
  vi.stubGlobal('cancelAnimationFrame', () => {
    asked = undefined
  })
  return { draw: () => asked?.(), waits: () => asked !== undefined }
}
