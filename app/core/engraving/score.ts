import { aimOf, frameTicks, type Lick, pickupSlots } from '../line'
import { beatWindows, type Ticks, windowAround } from '../time'
import { ALWAYS, type Atom, gridBrackets, layerAtoms, slotAtoms } from './atoms'
import { beamsOf } from './beams'
import { type Filler, grooveBetween } from './groove-atoms'
import { landingAtoms, type StaffTuplet, type StaffView, toStaff, tupletsOf } from './staff'
import { cutAtBarline, fillerAtoms, joinRests, plainWhereAlone } from './values'

/** One voice of a bar: its notes and rests without a gap, and which of them hang together. */
export interface ScoreVoice {
  readonly atoms: readonly Atom[]
  readonly beams: readonly (readonly number[])[]
  readonly tuplets: readonly StaffTuplet[]
}

/** A bar of a score. Ticks from the barline of the fill's bar. */
export interface ScoreBar {
  readonly from: Ticks
  readonly to: Ticks
  /** What the hands and the line play. */
  readonly line: ScoreVoice
  /** What goes round under it, a voice a layer. */
  readonly layers: readonly ScoreVoice[]
  /** Strokes of a pick-up that lie before the fill's bar, over the groove. */
  readonly pickup: ScoreVoice
}

/**
 * A lick as whole bars, from the first bar of groove to the bar that it lands in.
 * Example: one bar of groove, a bar of fill and a crash on the next 1 are three bars.
 */
export function toScore(lick: Lick, view: StaffView): ScoreBar[] {
  const { frame } = lick
  const { bar } = frameTicks(frame)
  const windows = beatWindows(frame.meter)
  const windowOf = (tick: Ticks) => windowAround(windows, bar, tick).from
  const filler: Filler = (kind, from, to) => fillerAtoms(kind, from, to, bar, windows)
  const { end, target } = aimOf(lick)
  const over = Math.ceil(Math.max(end, target) / bar) * bar
  const lead = -frame.lead * bar
  const before = Array.from({ length: frame.lead }, (_, i) =>
    joinRests(grooveBetween(lick, view, lead + i * bar, lead + (i + 1) * bar, filler), windowOf),
  )
  const landing = target >= over ? landingAtoms(lick, target, over + bar) : []
  const last = landing.at(-1)
  const after = last ? [...landing, ...filler('rest', last.tick + last.ticks, over + bar)] : []
  const line = [...plainWhereAlone(before.flat()), ...toStaff(lick, view).notes, ...after]
  const layers = lick.ostinatos.map((layer) =>
    plainWhereAlone(layerAtoms({ ...lick, ostinatos: [layer] }, { ...ALWAYS, from: lead })),
  )
  const within = (atoms: readonly Atom[]) =>
    atoms.flatMap((atom) => cutAtBarline(atom, bar, filler))
  const pickup = pickupSlots(lick)
    .filter(({ tick }) => tick < 0)
    .flatMap(({ content, tick, ticks, grid }) =>
      slotAtoms(content, {
        tick,
        ticks,
        value: grid.value,
        brackets: gridBrackets(grid, tick, 'pickup'),
        group: null,
        slot: null,
      }),
    )
  // Rests before a pick-up ask for no bar of their own.
  const struck = pickup.find(({ kind }) => kind === 'strokes')
  const first = Math.min(lead, Math.floor((struck?.tick ?? 0) / bar) * bar)
  const count = ((after.length > 0 ? over + bar : over) - first) / bar
  const [cutLine, cutPickup] = [within(line), within(pickup)]
  const cutLayers = layers.map(within)
  return Array.from({ length: count }, (_, i): ScoreBar => {
    const [from, to] = [first + i * bar, first + (i + 1) * bar]
    const inBar = (atoms: readonly Atom[]) => atoms.filter(({ tick }) => tick >= from && tick < to)
    const voice = (struck: readonly Atom[], by: 'beat' | 'group'): ScoreVoice => {
      const inside = filled(struck, from, to, filler)
      const tuplets = tupletsOf(inside)
      return { atoms: inside, beams: nested(beamsOf(inside, by, windowOf), tuplets), tuplets }
    }
    // The line's own voice is full in every bar; another one is there only where it strikes.
    const other = (atoms: readonly Atom[]): ScoreVoice => {
      const struck = inBar(atoms)
      return struck.length === 0 ? SILENT : voice(struck, 'beat')
    }
    return {
      from,
      to,
      line: voice(inBar(cutLine), view.beaming),
      layers: cutLayers.map(other),
      pickup: other(cutPickup),
    }
  })
}

/**
 * Beams that lie in a tuplet, or have it in them: what would reach from one into the next ends with it,
 * since formats and readers put one into the other. A note that is left alone has no beam.
 */
function nested(
  beams: readonly (readonly number[])[],
  tuplets: readonly StaffTuplet[],
): (readonly number[])[] {
  let parts: (readonly number[])[] = [...beams]
  for (const { from, to } of tuplets) {
    parts = parts.flatMap((beam) => {
      const [first = 0, last = 0] = [beam[0], beam.at(-1)]
      const apart = to < first || from > last
      // A note that is a tuplet by itself stands by itself.
      if (from === to && !apart) {
        return [beam.filter((i) => i < from), beam.filter((i) => i > to)]
      }
      if (apart || (first <= from && to <= last) || (from <= first && last <= to)) return [beam]
      const inside = (i: number) => i >= from && i <= to
      return [beam.filter((i) => !inside(i)), beam.filter(inside)]
    })
  }
  return parts.filter((beam) => beam.length > 1)
}

const SILENT: ScoreVoice = { atoms: [], beams: [], tuplets: [] }

/** Notes of a bar with rests where there are none. */
function filled(atoms: readonly Atom[], from: Ticks, to: Ticks, filler: Filler): Atom[] {
  const all: Atom[] = []
  let at = from
  for (const atom of atoms) {
    if (atom.tick > at) all.push(...filler('rest', at, atom.tick))
    all.push(atom)
    at = Math.max(at, atom.tick + atom.ticks)
  }
  return at < to ? [...all, ...filler('rest', at, to)] : all
}
