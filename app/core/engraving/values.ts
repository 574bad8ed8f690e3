import { TICKS_PER_WHOLE, type Ticks } from '../time'
import type { Atom } from './atoms'
import { type Window, windowAt } from './windows'

/** A written value and the ticks it takes: whole to sixty-fourth, plain or dotted. */
interface WrittenValue {
  readonly value: number
  readonly dots: 0 | 1
  readonly ticks: Ticks
}

const WRITTEN: readonly WrittenValue[] = [1, 2, 4, 8, 16, 32, 64]
  .flatMap((value): WrittenValue[] => [
    { value, dots: 1, ticks: (TICKS_PER_WHOLE / value) * 1.5 },
    { value, dots: 0, ticks: TICKS_PER_WHOLE / value },
  ])
  .sort((a, b) => b.ticks - a.ticks)

/**
 * Rests or slashes for a stretch of silence or groove, split at the windows so that every beat can
 * be read. What no written value names (less than a sixty-fourth) is left out.
 */
export function fillerAtoms(
  kind: 'rest' | 'slash',
  from: Ticks,
  to: Ticks,
  bar: Ticks,
  windows: readonly Window[],
): Atom[] {
  const atoms: Atom[] = []
  let tick = from
  while (tick < to) {
    const barStart = Math.floor(tick / bar) * bar
    const window = windowAt(windows, tick - barStart)
    const start = barStart + window.from
    const end = Math.min(to, barStart + window.to)
    const fit = WRITTEN.find(
      (written) =>
        written.ticks <= end - tick &&
        (kind === 'slash' ||
          tick === start ||
          (written.dots === 0 && (tick - start) % written.ticks === 0)),
    )
    if (!fit) {
      tick = end
      continue
    }
    const { value, dots, ticks } = fit
    atoms.push({
      tick,
      ticks,
      kind,
      strokes: [],
      value,
      dots,
      brackets: [],
      group: null,
      slot: null,
    })
    tick += ticks
  }
  return atoms
}

/**
 * The plain or dotted value that lasts exactly so many ticks.
 * @throws RangeError where there is none
 */
export function writtenAs(ticks: Ticks): Pick<WrittenValue, 'value' | 'dots'> {
  const found = WRITTEN.find((written) => written.ticks === ticks)
  if (!found) throw new RangeError(`${ticks} ticks: no plain or dotted value`)
  return { value: found.value, dots: found.dots }
}

/** Whether plain and dotted values down to the sixty-fourth come to a length. */
export function isPlain(ticks: Ticks): boolean {
  return ticks % (TICKS_PER_WHOLE / 64) === 0
}

/**
 * A note of a tuplet that is broken off before it is complete, as a plain note as long as there is
 * room for, where that can be written; any other note as it is.
 */
export function outOfTuplet(atom: Atom, until: Ticks): Atom {
  const [bracket] = atom.brackets
  const room = until - atom.tick
  if (!bracket || room <= 0 || !isPlain(room)) return atom
  const unit = atom.ticks * bracket.notes
  const complete = (Math.floor(atom.tick / unit) + 1) * unit <= until
  const fit = longestWithin(room)
  return complete || !fit ? atom : { ...atom, ...fit, brackets: [] }
}

/**
 * A note no longer than up to a tick: the longest plain value that fits. A note under a bracket, and
 * one for which no value is short enough, stays as it is.
 */
export function clipped(atom: Atom, until: Ticks): Atom {
  const room = until - atom.tick
  if (atom.ticks <= room || atom.brackets.length > 0) return atom
  const fit = longestWithin(room)
  return fit ? { ...atom, ...fit } : atom
}

function longestWithin(room: Ticks): WrittenValue | undefined {
  return WRITTEN.find(({ ticks }) => ticks <= room)
}

/**
 * Lets notes last over the rests behind them as far as one value can say it, and joins rests, all
 * within a window and under the same brackets. Onsets never move.
 */
export function joinRests(atoms: readonly Atom[], windowOf: (tick: Ticks) => Ticks): Atom[] {
  const joined: Atom[] = []
  let i = 0
  while (i < atoms.length) {
    const atom = atoms[i] as Atom
    let run = 1
    while (joins(atom, atoms[i + run], windowOf)) run += 1
    const slots = atom.kind === 'slash' ? 1 : longestValue(atom, run, atoms, i)
    const last = atoms[i + slots - 1] as Atom
    joined.push(lengthened(atom, slots, last))
    i += slots
  }
  return joined
}

function joins(first: Atom, next: Atom | undefined, windowOf: (tick: Ticks) => Ticks): boolean {
  return (
    next?.kind === 'rest' &&
    next.dots === 0 &&
    first.dots === 0 &&
    first.kind !== 'slash' &&
    next.value === first.value &&
    windowOf(next.tick) === windowOf(first.tick) &&
    next.brackets.map(({ id }) => id).join() === first.brackets.map(({ id }) => id).join()
  )
}

/** 1, 2, 3 (dotted), 4, 6 (dotted), 8 slots; a lone rest only where it begins on its own pulse. */
function longestValue(atom: Atom, run: number, atoms: readonly Atom[], index: number): number {
  const lengths = [8, 6, 4, 3, 2].filter((slots) => slots <= run && atom.value / slots >= 1)
  if (atom.kind === 'strokes') return lengths.find((slots) => longerValue(atom, slots)) ?? 1
  const before = atoms[index - 1]
  const phase = before ? Math.round((atom.tick / atom.ticks) % 8) : 0
  return (
    lengths.find(
      (slots) => longerValue(atom, slots) && slots !== 3 && slots !== 6 && phase % slots === 0,
    ) ?? 1
  )
}

/** The value that is `slots` times as long: two thirds of it, dotted, where slots come in threes. */
export function longerValue(atom: Atom, slots: number): { value: number; dots: 0 | 1 } | undefined {
  const dotted = slots % 3 === 0
  const value = dotted ? (atom.value * 3) / (2 * slots) : atom.value / slots
  return Number.isInteger(value) && value >= 1 ? { value, dots: dotted ? 1 : 0 } : undefined
}

function lengthened(atom: Atom, slots: number, last: Atom): Atom {
  if (slots === 1) return atom
  return { ...atom, ...longerValue(atom, slots), ticks: last.tick + last.ticks - atom.tick }
}
