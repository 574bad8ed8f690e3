import {
  ALL_GRIDS,
  gridName,
  gridTicks,
  TICKS_PER_WHOLE,
  type Ticks,
  TUPLET_RATIOS,
  type Window,
  windowAt,
} from '../time'
import type { Atom } from './atoms'

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
 * be read. They last exactly as long as the stretch: where no plain values come to a part of it, that
 * part is written in the tuplet on whose grid it lies; where there is none that anybody reads, it is cut at the
 * beat and left open.
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
    const plain = isPlain(end - tick) && isPlain(tick - start)
    atoms.push(
      ...(plain ? plainAtoms(kind, tick, end, start) : tupletAtoms(kind, tick, end, start)),
    )
    tick = end
  }
  return atoms
}

const BARE = { strokes: [], brackets: [], group: null, slot: null } as const

/** A stretch of one window in plain and dotted values; both ends lie on its sixty-fourths. */
function plainAtoms(kind: 'rest' | 'slash', from: Ticks, to: Ticks, start: Ticks): Atom[] {
  const atoms: Atom[] = []
  let tick = from
  while (tick < to) {
    const fit = WRITTEN.find(
      (written) =>
        written.ticks <= to - tick &&
        (kind === 'slash' ||
          tick === start ||
          (written.dots === 0 && (tick - start) % written.ticks === 0)),
    )
    if (!fit) throw new RangeError(`${tick} to ${to}: must lie on sixty-fourths from ${start}`)
    atoms.push({ ...BARE, ...fit, tick, kind })
    tick += fit.ticks
  }
  return atoms
}

/** A stretch of one window in the coarsest tuplet on whose grid both of its ends lie. */
function tupletAtoms(kind: 'rest' | 'slash', from: Ticks, to: Ticks, start: Ticks): Atom[] {
  const grid = TUPLET_GRIDS.find((one) => {
    const slot = gridTicks(one)
    return (from - start) % slot === 0 && (to - from) % slot === 0
  })
  if (!grid?.tuplet) return [openAtom(kind, from, to)]
  const { notes, inTimeOf } = TUPLET_RATIOS[grid.tuplet]
  const slot = gridTicks(grid)
  const atoms: Atom[] = []
  let tick = from
  while (tick < to) {
    const index = Math.floor((tick - start) / (slot * notes))
    const end = Math.min(to, start + (index + 1) * slot * notes)
    const id = `filler ${start} ${gridName(grid)} ${index}`
    const atom = { ...BARE, tick, kind, ticks: slot, value: grid.value, dots: 0 as const }
    const slots = [8, 4, 2].find((n) => n * slot <= end - tick && longerValue(atom, n)) ?? 1
    atoms.push({
      ...atom,
      ...(slots > 1 && longerValue(atom, slots)),
      ticks: slots * slot,
      brackets: [{ id, notes, inTimeOf }],
    })
    tick += slots * slot
  }
  return atoms
}

/**
 * What lasts as long as its whole tuplet needs none: a stroke alone under a number is written in the
 * plain value that lasts as long. Example: a dotted quarter in a triplet of eighths is a quarter.
 */
export function plainWhereAlone(atoms: readonly Atom[]): Atom[] {
  return atoms.map((atom, i) => {
    const [bracket, ...inner] = atom.brackets
    if (!bracket || inner.length > 0) return atom
    const shares = (other?: Atom) => other?.brackets.some(({ id }) => id === bracket.id) ?? false
    if (shares(atoms[i - 1]) || shares(atoms[i + 1])) return atom
    const plain = WRITTEN.find(({ ticks, dots }) => ticks === atom.ticks && dots === 0)
    return plain ? { ...atom, value: plain.value, dots: plain.dots, brackets: [] } : atom
  })
}

/** The tuplets of the format, long slots before short ones. */
const TUPLET_GRIDS = ALL_GRIDS.filter(({ tuplet }) => tuplet !== null).sort(
  (a, b) => gridTicks(b) - gridTicks(a),
)

/**
 * A stretch of one window that lies on no grid of the format: no value says how long it is, and a number that
 * nobody reads is no better. A stroke or a slash there has the nearest shorter value; a rest is not printed.
 */
function openAtom(kind: 'rest' | 'slash', from: Ticks, to: Ticks): Atom {
  const ticks = to - from
  const { value } = plainWithin(Math.max(ticks, SHORTEST_TICKS))
  return { ...BARE, tick: from, ticks, kind, value, dots: 0, isOpen: true }
}

const SHORTEST_TICKS = TICKS_PER_WHOLE / 64

/**
 * What lasts over a barline, cut there: the stroke lasts up to the barline, and rests follow behind it,
 * since a drum does not sound any longer for it. Law: what comes of it lasts as long.
 *
 * @example an eighth on the last sixteenth of a bar is a sixteenth, and a sixteenth rest in the next bar
 */
export function cutAtBarline(
  atom: Atom,
  bar: Ticks,
  filler: (kind: 'rest' | 'slash', from: Ticks, to: Ticks) => Atom[],
): Atom[] {
  const end = atom.tick + atom.ticks
  const barline = (Math.floor(atom.tick / bar) + 1) * bar
  if (end <= barline) return [atom]
  const [first, ...rests] = filler('rest', atom.tick, barline)
  const { kind, strokes, group, slot } = atom
  return first
    ? [{ ...first, kind, strokes, group, slot }, ...rests, ...filler('rest', barline, end)]
    : [atom]
}

/**
 * The longest plain or dotted value that lasts no longer than so many ticks.
 * @throws RangeError where even a sixty-fourth is longer
 *
 * @example writtenWithin(15120) // { value: 4, dots: 1, ticks: 15120 }
 */
export function writtenWithin(ticks: Ticks): WrittenValue {
  const found = WRITTEN.find((written) => written.ticks <= ticks)
  if (!found) throw new RangeError(`${ticks} ticks: no plain or dotted value is as short`)
  return found
}

/**
 * The longest value without a dot that lasts no longer than so many ticks.
 *
 * @example plainWithin(10080) // { value: 4, ticks: 10080 }
 */
export function plainWithin(ticks: Ticks): Pick<WrittenValue, 'value' | 'ticks'> {
  const { value, dots, ticks: written } = writtenWithin(ticks)
  return dots === 0 ? { value, ticks: written } : { value, ticks: (written * 2) / 3 }
}

/**
 * Whether plain and dotted values down to the sixty-fourth come to a length.
 *
 * @example [isPlain(10080), isPlain(3360)] // [true, false]
 */
export function isPlain(ticks: Ticks): boolean {
  return ticks % (TICKS_PER_WHOLE / 64) === 0
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

/**
 * The value that is `slots` times as long: two thirds of it, dotted, where slots come in threes.
 *
 * @example longerValue({ value: 16 }, 3) // { value: 8, dots: 1 }
 */
export function longerValue(atom: Atom, slots: number): { value: number; dots: 0 | 1 } | undefined {
  const dotted = slots % 3 === 0
  const value = dotted ? (atom.value * 3) / (2 * slots) : atom.value / slots
  return Number.isInteger(value) && value >= 1 ? { value, dots: dotted ? 1 : 0 } : undefined
}

function lengthened(atom: Atom, slots: number, last: Atom): Atom {
  if (slots === 1) return atom
  return { ...atom, ...longerValue(atom, slots), ticks: last.tick + last.ticks - atom.tick }
}
