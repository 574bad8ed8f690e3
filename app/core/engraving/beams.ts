import type { Ticks } from '../time'
import type { Atom } from './atoms'

/**
 * Which notes hang on one beam, as indices into the atoms: neighbours with flags that share the
 * beat's window, or the music's group. A beam has two notes at least, and rests end it.
 */
export function beamsOf(
  atoms: readonly Atom[],
  by: 'beat' | 'group',
  windowOf: (tick: Ticks) => Ticks,
): number[][] {
  const owner = (atom: Atom) =>
    by === 'group' && atom.group !== null ? `group ${atom.group}` : `window ${windowOf(atom.tick)}`
  const beams: number[][] = []
  let run: number[] = []
  for (const [i, atom] of atoms.entries()) {
    const flagged = atom.kind === 'strokes' && atom.value >= 8
    const previous = atoms[i - 1]
    if (!flagged || !previous || owner(previous) !== owner(atom)) {
      beams.push(run)
      run = []
    }
    if (flagged) run.push(i)
  }
  beams.push(run)
  return beams.filter((beam) => beam.length > 1)
}
