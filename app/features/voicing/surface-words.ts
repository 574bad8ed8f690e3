import { SURFACE_NAMES, type Voice } from '~/core/sticking'

/** A surface in a sentence: `the snare`, but `tom 1`, which is a name. */
export function theSurface(surface: Voice): string {
  const name = SURFACE_NAMES[surface]
  return /\d$/.test(name) ? name : `the ${name}`
}
