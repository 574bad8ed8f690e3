import { SURFACE_NAMES, SURFACES, type Surface, type Voice } from '~/core/sticking'

/** A surface in a sentence: `the snare`, but `tom 1`, which is a name. */
export function theSurface(surface: Voice): string {
  const name = SURFACE_NAMES[surface]
  return /\d$/.test(name) ? name : `the ${name}`
}

const KNOWN: ReadonlySet<string> = new Set(SURFACES)
/** A path has at most so many stops. */
const MAX_SURFACES = 32

/** Surfaces as they are typed: `t1 t2 f1`, `hh, rb`; null where they are none. */
export function findSurfaces(typed: string): Surface[] | null {
  const words = typed
    .toLowerCase()
    .split(/[\s,]+/)
    .filter(Boolean)
  const fine = words.length <= MAX_SURFACES && words.every((word) => KNOWN.has(word))
  return fine && words.length > 0 ? (words as Surface[]) : null
}

/** What is expected where surfaces are typed. */
export const SURFACES_EXPECTED =
  'Surfaces such as t1 t2 f1, with spaces between; t1 t1 f1 has tom 1 twice as often.'
