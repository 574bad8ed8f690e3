import { aimOf, frameTicks, type Lick, pickupSlots } from '../line'
import type { Ticks } from '../time'
import { type Atom, gridBrackets, ostinatoAtoms, slotAtoms } from './atoms'
import { beamsOf } from './beams'
import { grooveBetween } from './groove-atoms'
import { landingAtoms, type StaffTuplet, type StaffView, toStaff, tupletsOf } from './staff'
import { fillerAtoms, joinRests, plainWhereAlone } from './values'
import { beatWindows, windowAt } from './windows'

/** One voice of a bar: its notes in order, and which of them hang together. */
export interface ScoreVoice {
  readonly atoms: readonly Atom[]
  readonly beams: readonly (readonly number[])[]
  readonly tuplets: readonly StaffTuplet[]
}

/** A bar of a score. Ticks from the barline of the fill's bar. */
export interface ScoreBar {
  readonly from: Ticks
  readonly to: Ticks
  /** What the hands and the line play, without a gap from barline to barline. */
  readonly line: ScoreVoice
  /** What goes round under it; only its strokes. */
  readonly feet: ScoreVoice
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
  const windowOf = (tick: Ticks) => {
    const barStart = Math.floor(tick / bar) * bar
    return barStart + windowAt(windows, tick - barStart).from
  }
  const filler = (kind: 'rest' | 'slash', from: Ticks, to: Ticks) =>
    fillerAtoms(kind, from, to, bar, windows)
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
  const feet = plainWhereAlone(ostinatoAtoms(lick, lead)).sort((a, b) => a.tick - b.tick)
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
  const first = Math.min(lead, Math.floor((pickup[0]?.tick ?? 0) / bar) * bar)
  const count = ((after.length > 0 ? over + bar : over) - first) / bar
  return Array.from({ length: count }, (_, i): ScoreBar => {
    const [from, to] = [first + i * bar, first + (i + 1) * bar]
    const voice = (atoms: readonly Atom[], by: 'beat' | 'group'): ScoreVoice => {
      const inside = atoms.filter(({ tick }) => tick >= from && tick < to)
      return {
        atoms: inside,
        beams: beamsOf(inside, by, windowOf),
        tuplets: tupletsOf(inside),
      }
    }
    return {
      from,
      to,
      line: voice(line, view.beaming),
      feet: voice(feet, 'beat'),
      pickup: voice(pickup, 'beat'),
    }
  })
}
